/** Units as they are said, singular and plural in one. */
const UNITS: Record<string, string> = {
  mV: 'millivolts',
  kV: 'kilovolts',
  V: 'volts',
  mA: 'milliamps',
  A: 'amps',
  mW: 'milliwatts',
  kW: 'kilowatts',
  W: 'watts',
  Ω: 'ohms',
  kHz: 'kilohertz',
  MHz: 'megahertz',
  Hz: 'hertz',
  dB: 'decibels',
  '°C': 'degrees',
  '°': 'degrees',
  '%': 'percent',
  s: 'seconds',
  min: 'minutes',
  ms: 'milliseconds',
};
const SPELLED = ['SWR', 'CW', 'SSB', 'AM', 'FM', 'RTTY', 'ALC', 'RF', 'DC'];

const UNIT = Object.keys(UNITS)
  .sort((a, b) => b.length - a.length)
  .join('|');

/** Returns a sentence as an operator says it: figures after the point one by one, units in full, names as words. */
export function spoken(sentence: string): string {
  return sentence
    .replace(/[\u00a0\u202f]/g, ' ')
    .replace(/(\d),(?=\d{3}\b)/g, '$1')
    .replace(/ ?± ?(?=\d)/g, ' plus or minus ')
    .replace(/(\d) ?[–-] ?(?=\d)/g, '$1 to ')
    .replace(/[−](?=\d)/g, 'minus ')
    .replace(new RegExp(`(\\d) ?(${UNIT})(?![\\p{L}\\p{N}])`, 'gu'), (_, digit: string, unit: string) => {
      return `${digit} ${UNITS[unit]}`;
    })
    .replace(/(\d+)\.(\d+)/g, (_, whole: string, part: string) => `${whole} point ${[...part].join(' ')}`)
    .replace(/< ?(?=\d)/g, 'less than ')
    .replace(/> ?(?=\d)/g, 'more than ')
    .replace(new RegExp(`\\b(${SPELLED.join('|')})\\b`, 'g'), (name) => [...name].join(' '))
    .replace(/\b(?:PLATE|LOAD|DRIVE)\b/g, (name) => name.toLowerCase());
}

/** Says a sentence, in place of what is being said; returns whether this system has a voice. */
export function say(sentence: string): boolean {
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
