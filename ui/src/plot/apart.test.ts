import { describe, expect, it } from 'vitest';
import { apart } from './apart';

describe('labels kept apart', () => {
  it('stay where they want to be while they do not touch', () => {
    expect(apart([10, 50, 90], 15, 0, 100)).toEqual([10, 50, 90]);
  });

  it('are pushed apart in their order, within the bounds', () => {
    for (const wanted of [
      [50, 50, 50],
      [99, 98, 97, 96],
      [0, 1, 2],
    ]) {
      const places = apart(wanted, 15, 0, 100);
      const sorted = [...places].sort((a, b) => a - b);
      sorted.slice(1).forEach((place, index) => {
        expect(place - (sorted[index] as number)).toBeGreaterThanOrEqual(15 - 1e-9);
      });
      expect(sorted[0]).toBeGreaterThanOrEqual(0);
      expect(sorted.at(-1)).toBeLessThanOrEqual(100);
    }
  });
});
