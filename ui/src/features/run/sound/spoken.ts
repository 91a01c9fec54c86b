import { languageNow, say } from '../../../words';

/** Units as they are said, singular and plural in one. */
const UNITS: Record<string, string> = {
  mV: say('spoken.millivolts'),
  kV: say('spoken.kilovolts'),
  V: say('spoken.volts'),
  mA: say('spoken.milliamps'),
  A: say('spoken.amps'),
  mW: say('spoken.milliwatts'),
  kW: say('spoken.kilowatts'),
  W: say('spoken.watts'),
  Ω: say('spoken.ohms'),
  kHz: say('spoken.kilohertz'),
  MHz: say('spoken.megahertz'),
  Hz: say('spoken.hertz'),
  dB: say('spoken.decibels'),
  '°C': say('spoken.degrees'),
  '°': say('spoken.degrees'),
  '%': say('spoken.percent'),
  s: say('spoken.seconds'),
  min: say('spoken.minutes'),
  ms: say('spoken.milliseconds'),
};
const SPELLED = ['SWR', 'CW', 'SSB', 'AM', 'FM', 'RTTY', 'ALC', 'RF', 'DC'];

const UNIT = Object.keys(UNITS)
  .sort((a, b) => b.length - a.length)
  .join('|');

/** Returns a sentence as an operator says it: figures after the point one by one, units in full, names as words. */
export function spoken(sentence: string): string {
  return sentence
    .replace(/[\u00a0\u202f]/g, ' ')
    .replace(languageNow() === 'en' ? /(\d),(?=\d{3}\b)/g : /(\d)\.(?=\d{3}\b)/g, '$1')
    .replace(/ ?± ?(?=\d)/g, ` ${say('spoken.plusOrMinus')} `)
    .replace(/(\d) ?[–-] ?(?=\d)/g, `$1 ${say('spoken.to')} `)
    .replace(/[−](?=\d)/g, `${say('spoken.minus')} `)
    .replace(new RegExp(`(\\d) ?(${UNIT})(?![\\p{L}\\p{N}])`, 'gu'), (_, digit: string, unit: string) => {
      return `${digit} ${UNITS[unit]}`;
    })
    .replace(/(\d+)[.,](\d+)/g, (_, whole: string, part: string) =>
      say('spoken.point', { whole, part: [...part].join(' ') }),
    )
    .replace(/< ?(?=\d)/g, `${say('spoken.lessThan')} `)
    .replace(/> ?(?=\d)/g, `${say('spoken.moreThan')} `)
    .replace(new RegExp(`\\b(${SPELLED.join('|')})\\b`, 'g'), (name) => [...name].join(' '))
    .replace(/\b(?:PLATE|LOAD|DRIVE)\b/g, (name) => name.toLowerCase());
}

/** Says a sentence, in place of what is being said; returns whether this system has a voice. */
export function speakAloud(sentence: string): boolean {
  const voice = window.speechSynthesis;
  if (!voice || voice.getVoices().length === 0) return false;
  const words = new SpeechSynthesisUtterance(spoken(sentence));
  words.lang = document.documentElement.lang || 'en';
  voice.cancel();
  voice.speak(words);
  return true;
}

export function hush(): void {
  window.speechSynthesis?.cancel();
}
