import { OfflineAudioContext } from 'node-web-audio-api';
import { describe, expect, it } from 'vitest';
import { gridHz, NOTES, PeakTone, peakHz, play, type Sound } from './tones';

const RATE = 48_000;

async function rendered(seconds: number, make: (context: BaseAudioContext) => void): Promise<Float32Array> {
  const context = new OfflineAudioContext(1, seconds * RATE, RATE) as unknown as globalThis.OfflineAudioContext;
  make(context);
  return (await context.startRendering()).getChannelData(0);
}

const between = (wave: Float32Array, fromS: number, toS: number) =>
  wave.slice(Math.round(fromS * RATE), Math.round(toS * RATE));
const peak = (wave: Float32Array) => wave.reduce((most, one) => Math.max(most, Math.abs(one)), 0);
/** Loudness as the root of the mean square. */
const rms = (wave: Float32Array) => Math.sqrt(wave.reduce((sum, one) => sum + one * one, 0) / wave.length);

/** Share of a piece of wave that is at one pitch: by correlation with it, of all that is in it. */
function shareAt(wave: Float32Array, hz: number): number {
  let sine = 0;
  let cosine = 0;
  wave.forEach((one, i) => {
    const angle = (2 * Math.PI * hz * i) / RATE;
    sine += one * Math.sin(angle);
    cosine += one * Math.cos(angle);
  });
  return (2 * (sine * sine + cosine * cosine)) / wave.length ** 2 / rms(wave) ** 2;
}

describe('a sound', () => {
  it.each(Object.keys(NOTES) as Sound[])(
    '%s has the notes, the level and the ends that it is written with',
    async (sound) => {
      const wave = await rendered(1, (context) => play(context, context.destination, sound, 0.1));
      expect(peak(between(wave, 0, 0.1))).toBe(0);
      for (const note of NOTES[sound]) {
        const heard = between(wave, 0.1 + note.atS + 0.008, 0.1 + note.atS + note.forS - 0.008);
        expect(peak(heard)).toBeGreaterThan(0.95 * note.level);
        expect(peak(heard)).toBeLessThanOrEqual(1.001 * note.level);
        expect(shareAt(heard, note.hz)).toBeGreaterThan(0.85);
        // Neither end clicks: it begins and ends in silence.
        const edge = between(wave, 0.1 + note.atS, 0.1 + note.atS + 0.0005);
        expect(peak(edge)).toBeLessThan(0.1 * note.level);
      }
      const last = NOTES[sound][NOTES[sound].length - 1];
      expect(peak(between(wave, 0.101 + (last?.atS ?? 0) + (last?.forS ?? 0), 1))).toBe(0);
    },
  );

  it('is louder the graver it is', async () => {
    const energy = async (sound: Sound) => rms(await rendered(1, (c) => play(c, c.destination, sound, 0)));
    const [tick, near, over, stop] = await Promise.all((['TICK', 'NEAR', 'OVER', 'STOP'] as const).map(energy));
    expect(near).toBeGreaterThan(tick as number);
    expect(over).toBeGreaterThan(near as number);
    expect(stop).toBeGreaterThan(near as number);
  });
});

describe('the peak tone', () => {
  it('tells one per cent more output from less by half a semitone, over all that it covers', () => {
    for (let share = 0.7; share < 1.5; share += 0.05) {
      const semitones = 12 * Math.log2(peakHz(share * 1.01, 1) / peakHz(share, 1));
      expect(semitones).toBeGreaterThan(0.5);
      expect(semitones).toBeLessThan(0.55);
    }
    expect(peakHz(300, 300)).toBe(440);
    expect(peakHz(0.1, 300)).toBe(110);
    expect(peakHz(3000, 300)).toBe(1760);
  });

  it('begins grid current below the lowest pitch of output, and puts it an octave higher at each half of its limit', () => {
    expect(gridHz(0)).toBe(98);
    expect(gridHz(0.5)).toBeCloseTo(196, 5);
    expect(gridHz(1)).toBeCloseTo(392, 5);
    expect(gridHz(9)).toBe(gridHz(1.25));
    expect(gridHz(-0.1)).toBe(98);
  });

  it('sounds at the pitch it is given, follows within a fifth of a second, and falls silent', async () => {
    const wave = await rendered(2, (context) => {
      const tone = new PeakTone(context, context.destination);
      tone.set(440, undefined, 0);
      tone.set(880, undefined, 0.8);
      tone.set(undefined, undefined, 1.4);
    });
    expect(shareAt(between(wave, 0.5, 0.8), 440)).toBeGreaterThan(0.95);
    expect(shareAt(between(wave, 1, 1.4), 880)).toBeGreaterThan(0.95);
    expect(rms(between(wave, 1, 1.4))).toBeCloseTo(0.2 / Math.SQRT2, 2);
    expect(peak(between(wave, 1.7, 2))).toBeLessThan(0.001);
  });

  it('lets output and grid current be heard at once, each at its own pitch', async () => {
    const wave = await rendered(1, (context) => new PeakTone(context, context.destination).set(660, 196, 0));
    const both = between(wave, 0.5, 1);
    expect(shareAt(both, 660)).toBeGreaterThan(0.5);
    expect(shareAt(both, 196)).toBeGreaterThan(0.05);
    expect(peak(both)).toBeLessThan(0.33);
  });
});
