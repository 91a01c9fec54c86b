import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { RoomRuler, Stair, type StairColumn } from '.';

const column = (value: number | undefined, key: string): StairColumn => ({
  key,
  value,
  low: value && value * 0.9,
  high: value && value * 1.1,
  label: value === undefined ? undefined : String(value),
  inHand: false,
});

describe('the stair', () => {
  const heights = (values: (number | undefined)[]) => {
    const { container } = render(
      <Stair
        columns={values.map((value, i) => column(value, String(i)))}
        width={800}
        height={200}
        left={100}
        limit={1000}
        limitLabel="licence"
      />,
    );
    const path = [...container.querySelectorAll('path')].at(-1)?.getAttribute('d') ?? '';
    return [...path.matchAll(/[ML][\d.]+ ([\d.]+)H/g)].map((match) => Number(match[1]));
  };
  it('rises by the same height for each doubling', () => {
    const [a, b, c] = heights([100, 200, 400]) as [number, number, number];
    expect(a - b).toBeCloseTo(b - c, 6);
    expect(a).toBeGreaterThan(b);
  });
  it('leaves out what is not read', () => expect(heights([100, undefined, undefined])).toHaveLength(1));
  it('says in words what it shows', () => {
    heights([138, 235]);
    expect(screen.getByRole('img')).toHaveAccessibleName('Output at each step in watts: 138, 235');
  });
});

describe('the ruler of room left', () => {
  it('never runs off its end', () => {
    const { container } = render(<RoomRuler value={5} standardUncertainty={1} limit={1} verdict="EXCEEDS" />);
    for (const bar of container.querySelectorAll<HTMLElement>('[style*=width]')) {
      expect(Number.parseFloat(bar.style.width) || 0).toBeLessThanOrEqual(100);
    }
  });
});
