import { describe, expect, it } from 'vitest';
import { levels } from './contourPath';

const frame = { left: 100, right: 500, bottom: 400, top: 0 };

function bounds(path: string) {
  const numbers = path.match(/-?[\d.]+ -?[\d.]+/g) ?? [];
  const points = numbers.map((one) => one.split(' ').map(Number) as [number, number]);
  return {
    left: Math.min(...points.map(([x]) => x)),
    right: Math.max(...points.map(([x]) => x)),
    top: Math.min(...points.map(([, y]) => y)),
    bottom: Math.max(...points.map(([, y]) => y)),
  };
}

/** A round hill of height 1 with its top at a share of the grid, falling with the distance. */
function hill(columns: number, rows: number, at: [number, number]) {
  return Array.from({ length: columns * rows }, (_, i) => {
    const dx = (i % columns) / (columns - 1) - at[0];
    const dy = Math.floor(i / columns) / (rows - 1) - at[1];
    return 1 - 2 * Math.hypot(dx, dy);
  });
}

describe('lines of equal height', () => {
  it('lie where the grid has the height, the first row at the bottom', () => {
    const [level] = levels({ columns: 41, rows: 41, values: hill(41, 41, [0.5, 0.25]) }, [0.6], frame);
    const box = bounds(level?.path ?? '');
    // 0.2 of each side around the top at 300, 300.
    expect(box.left).toBeCloseTo(220, -1);
    expect(box.right).toBeCloseTo(380, -1);
    expect(box.top).toBeCloseTo(220, -1);
    expect(box.bottom).toBeCloseTo(380, -1);
    expect(level?.label?.[0]).toBeCloseTo(380, -1);
  });
  it('shrink as they rise, and end above the top', () => {
    const values = hill(41, 41, [0.5, 0.5]);
    const widths = levels({ columns: 41, rows: 41, values }, [0.2, 0.5, 0.8, 1.5], frame).map(({ path }) =>
      path === '' ? 0 : bounds(path).right - bounds(path).left,
    );
    expect(widths[0]).toBeGreaterThan(widths[1] ?? 0);
    expect(widths[1]).toBeGreaterThan(widths[2] ?? 0);
    expect(widths[3]).toBe(0);
  });
});
