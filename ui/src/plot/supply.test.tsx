import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Course, TenMinutes, VoltageStair } from '.';

const STRIP = {
  peakA: 23,
  peak: '23.0 A',
  averageA: 8,
  average: '8.0 A',
  width: 760,
  bands: [
    { box: 'Halyard 100', transmits: true, currentA: [1, 1, 21, 21, 1] },
    { box: 'computer', transmits: false, currentA: [2, 2, 2, 2, 2] },
  ],
};

/** Returns the heights that a path goes through. */
const heights = (path: Element | null) =>
  [...(path?.getAttribute('d') ?? '').matchAll(/[ML][\d.]+ ([\d.]+)/g)].map((one) => Number(one[1]));

describe('ten minutes', () => {
  it('stack what transmits upon what is steady, whatever their order', () => {
    render(<TenMinutes {...STRIP} ratings={[]} onRating={() => undefined} />);
    const [steady, sending] = [...document.querySelectorAll('path[vector-effect]')];
    expect(steady?.querySelector('title')?.textContent).toBe('computer');
    const floor = Math.max(...heights(steady ?? null));
    const top = Math.min(...heights(steady ?? null));
    expect(Math.max(...heights(sending ?? null))).toBeCloseTo(top, 1);
    expect(Math.min(...heights(sending ?? null))).toBeLessThan(top - 0.8 * (((floor - top) / 2) * 20));
  });

  it('keep their labels apart even where two lines are one', () => {
    const ratings = [
      { key: 'a', ampere: 23, label: 'one' },
      { key: 'b', ampere: 23, label: 'two' },
    ];
    render(<TenMinutes {...STRIP} ratings={ratings} onRating={() => undefined} />);
    const places = ['peak 23.0 A', 'one', 'two'].map((text) => Number(screen.getByText(text).getAttribute('y')));
    places.sort((a, b) => a - b);
    expect((places[1] ?? 0) - (places[0] ?? 0)).toBeGreaterThanOrEqual(15);
    expect((places[2] ?? 0) - (places[1] ?? 0)).toBeGreaterThanOrEqual(15);
  });

  it('give out a rating moved by arrows, never below one ampere', () => {
    const moved = vi.fn();
    render(<TenMinutes {...STRIP} ratings={[{ key: 'a', ampere: 1, label: 'least' }]} onRating={moved} />);
    fireEvent.keyDown(screen.getByRole('slider'), { key: 'ArrowDown' });
    fireEvent.keyDown(screen.getByRole('slider'), { key: 'ArrowUp' });
    fireEvent.keyDown(screen.getByRole('slider'), { key: 'x' });
    expect(moved.mock.calls).toEqual([
      ['a', 1],
      ['a', 2],
    ]);
  });
});

describe('the stair of voltage', () => {
  const tread = (volts: number) => ({ cause: `at ${volts}`, volts, shown: volts.toFixed(2) });

  it('goes down by its falls, with another plan dotted beside', () => {
    render(
      <VoltageStair
        treads={[tread(13.8), tread(13.2)]}
        beside={[tread(13.8), tread(12.9)]}
        leastV={12.4}
        leastLabel="needs 12.4 V"
        width={600}
      />,
    );
    const own = heights(document.querySelector('path[stroke-width="3"]'));
    const other = heights(document.querySelector('path[stroke-dasharray]'));
    expect(own[3]).toBeGreaterThan(own[0] ?? 0);
    expect(other[3]).toBeGreaterThan(own[3] ?? 0);
  });

  it('writes a figure below its tread where the line of what is needed would run through it', () => {
    const at = (leastV: number) => {
      const shown = render(
        <VoltageStair treads={[tread(13.8), tread(12.24)]} leastV={leastV} leastLabel="least" width={600} />,
      );
      const figure = Number([...shown.container.querySelectorAll('text.head')].at(-1)?.getAttribute('y'));
      const line = heights(shown.container.querySelector('path[stroke-width="3"]')).at(-1) ?? 0;
      shown.unmount();
      return { figure, line };
    };
    const far = at(11);
    expect(far.figure).toBeLessThan(far.line);
    const near = at(12.42);
    expect(near.figure).toBeGreaterThan(near.line);
  });
});

describe('a course', () => {
  it('keeps a wide uncertainty within the picture', () => {
    render(
      <Course
        label="c"
        xUnit="W"
        yUnit="A"
        width={600}
        band={[
          { x: 0, low: -50, high: 90 },
          { x: 10, low: 1, high: 3 },
        ]}
        lines={[
          {
            key: 'l',
            look: 'main',
            points: [
              { x: 0, y: 1 },
              { x: 10, y: 2 },
            ],
          },
        ]}
      />,
    );
    for (const height of heights(document.querySelector('path.fill-rule'))) {
      expect(height).toBeGreaterThanOrEqual(19.9);
      expect(height).toBeLessThanOrEqual(280 - 33.9);
    }
  });
});
