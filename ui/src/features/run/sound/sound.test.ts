import { describe, expect, it } from 'vitest';
import type { LiveFrame } from '../../../api';
import { changeSound, clockSound, limitSound } from './heard';
import { spoken } from './spoken';

describe('the clock that is heard', () => {
  it.each([17, 50, 90, 230])('sounds each second once, whatever falls between: looked at every %i ms', (everyMs) => {
    const heard: string[] = [];
    let last = 0;
    for (let ms = everyMs; ms <= 11_500; ms += everyMs) {
      const sound = clockSound(last, ms / 1000, 5, 10);
      if (sound) heard.push(sound);
      last = ms / 1000;
    }
    expect(heard.slice(0, 9)).toEqual([...Array(4).fill('TICK'), 'AIM', ...Array(4).fill('AFTER_AIM')]);
    expect(heard.slice(9).every((sound) => sound === 'STOP')).toBe(true);
    expect(heard.length).toBeGreaterThanOrEqual(12);
  });

  it('says the aim also where the page slept over it, and the stop where it slept over all', () => {
    expect(clockSound(3.9, 6.2, 5, 10)).toBe('AIM');
    expect(clockSound(3.9, 12, 5, 10)).toBe('STOP');
  });
});

describe('what is heard of a run', () => {
  const still = { steps: 2, readings: 1, sentence: 'a', atLimit: 0 };

  it('is the gravest of what changed, and nothing where nothing did', () => {
    expect(changeSound(still, still)).toBeUndefined();
    expect(changeSound(still, { ...still, readings: 2 })).toBe('TAKEN');
    expect(changeSound(still, { ...still, steps: 3, readings: 0 })).toBe('TAKEN');
    expect(changeSound(still, { ...still, steps: 3, atLimit: 1 })).toBe('NEAR');
    expect(changeSound(still, { ...still, atLimit: 2 })).toBe('OVER');
    expect(changeSound({ ...still, atLimit: 2 }, { ...still, atLimit: 1 })).toBeUndefined();
  });

  const meters = (grid: number, over?: string): LiveFrame => ({
    readings: [
      {
        role: 'GRID_CURRENT',
        health: 'OK',
        says: '',
        value: 1,
        ofLimit: grid,
        near: grid >= 0.9,
        ...(over ? { over } : {}),
      },
      { role: 'OUTPUT', health: 'OK', says: '', value: 1, ofLimit: 0.95, near: true },
    ],
    expected: [],
    pastPeak: false,
  });

  it('is a limit each time a meter comes near, and again each second while one is beyond', () => {
    expect(limitSound(meters(0.5), meters(0.89), undefined)).toBeUndefined();
    expect(limitSound(meters(0.89), meters(0.91), undefined)).toBe('NEAR');
    expect(limitSound(meters(0.91), meters(0.93), undefined)).toBeUndefined();
    expect(limitSound(meters(0.93), meters(1.1, 'Key up'), undefined)).toBe('OVER');
    expect(limitSound(meters(1.1, 'Key up'), meters(1.1, 'Key up'), 400)).toBeUndefined();
    expect(limitSound(meters(1.1, 'Key up'), meters(1.1, 'Key up'), 1000)).toBe('OVER');
  });
});

describe('a sentence that is said', () => {
  it.each([
    ['Turn PLATE to 6.45, then LOAD to 3.2.', 'Turn plate to 6 point 4 5, then load to 3 point 2.'],
    ['Grid current shows 170 mA.', 'Grid current shows 170 milliamps.'],
    ['Plate voltage 2,850 V ± 30 V', 'Plate voltage 2850 volts plus or minus 30 volts'],
    ['Output 928 ± 43 W', 'Output 928 plus or minus 43 watts'],
    ['Set drive to 20 W in CW at 7.05 MHz.', 'Set drive to 20 watts in C W at 7 point 0 5 megahertz.'],
    ['SWR 1.5, 56 % efficiency, 65 °C', 'S W R 1 point 5, 56 percent efficiency, 65 degrees'],
    ['Rest for 8 s, then 10 to 12 s.', 'Rest for 8 seconds, then 10 to 12 seconds.'],
    ['Drive 0.5–1.2 kW', 'Drive 0 point 5 to 1 point 2 kilowatts'],
    ['Key up and wait.', 'Key up and wait.'],
  ])('%s', (written, said) => expect(spoken(written)).toBe(said));
});
