import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Impedance, MiniStair, PointerRuler, RoomRuler, SaveDrawing, Stair, type StairColumn, Trend } from '.';

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

describe('the stair of a run in the log', () => {
  const path = (outputs: number[]) =>
    render(<MiniStair outputs={outputs} />)
      .container.querySelector('path')
      ?.getAttribute('d');
  it('stands a step for each output, in proportion to the most', () => {
    const steps = [...(path([250, 500, 1000]) ?? '').matchAll(/V([\d.]+)H([\d.]+)/g)].map((match) => [
      19 - Number(match[1]),
      Number(match[2]),
    ]) as [number, number][];
    const most = steps[2]?.[0] ?? 0;
    expect(most).toBeGreaterThan(15);
    expect(steps.map(([height]) => height / most)).toEqual([0.25, 0.5, 1]);
    expect(steps.map(([, end]) => end / (64 / 3))).toEqual([1, 2, 3].map((n) => expect.closeTo(n, 1)));
  });
  it('draws nothing of one step, and a flat line where nothing came out', () => {
    expect(path([500])).toBeUndefined();
    expect(path([0, 0])).not.toContain('NaN');
  });
});

describe('the ruler of room left', () => {
  it('never runs off its end', () => {
    const { container } = render(<RoomRuler value={5} halfWidth={1} limit={1} verdict="EXCEEDS" />);
    for (const bar of container.querySelectorAll<HTMLElement>('[style*=width]')) {
      expect(Number.parseFloat(bar.style.width) || 0).toBeLessThanOrEqual(100);
    }
  });
});

describe('an antenna over frequency', () => {
  const points = [7.0, 7.05, 7.1, 7.15].map((megahertz, i) => ({
    frequencyHz: megahertz * 1e6,
    ohm: 50 + i,
    reactanceOhm: 20 * (i - 1),
    swr: [1.5, 1.02, 1.5, 2.2][i] ?? 1,
  }));

  it('says where it is matched best, and marks it there', () => {
    const { container } = render(<Impedance points={points} />);
    expect(screen.getByRole('img', { name: 'SWR over frequency, least 1.02 at 7.050 MHz' })).toBeInTheDocument();
    const at = Number(container.querySelector('circle')?.getAttribute('cx'));
    const ends = [...(container.querySelectorAll('path')[2]?.getAttribute('d') ?? '').matchAll(/[ML]([\d.]+) /g)];
    expect(at).toBeCloseTo(Number(ends[1]?.[1]), 0);
  });
});

describe('the scale of a meter', () => {
  it('has the pointer, what it leaves open and the stop where they are on the scale, and none beyond its end', () => {
    const share = (x: number) => (x - 16) / (400 - 2 * 16);
    const { container, rerender } = render(
      <PointerRuler fullScale={1} expected={{ value: 0.4, low: 0.35, high: 0.45 }} stop={0.66} />,
    );
    const number = (selector: string, name: string) => Number(container.querySelector(selector)?.getAttribute(name));
    expect(share(number('[data-part=pointer-expected] line', 'x1'))).toBeCloseTo(0.4, 6);
    expect(share(number('[data-part=pointer-expected] rect', 'x'))).toBeCloseTo(0.35, 6);
    expect(number('[data-part=pointer-expected] rect', 'width') / 368).toBeCloseTo(0.1, 6);
    expect(share(number('[data-part=pointer-stop]', 'x1'))).toBeCloseTo(0.66, 6);
    rerender(<PointerRuler fullScale={1} expected={{ value: 1.4, low: 1.2, high: 1.6 }} />);
    expect(share(number('[data-part=pointer-expected] line', 'x1'))).toBe(1);
    expect(container.querySelector('[data-part=pointer-stop]')).toBeNull();
  });
});

describe('a trend', () => {
  const at = (day: number) => `2026-10-${String(day).padStart(2, '0')}T12:00:00Z`;
  const series = {
    label: 'Output',
    unit: 'W',
    runs: 4,
    scatter: 5,
    points: [1, 6, 11, 16].map((day, i) => ({ at: at(day), value: i < 2 ? 850 : 800, line: i < 2 ? 850 : 800 })),
    changes: [{ after: at(6), before: at(11), says: 'It went down.' }],
  };

  it('marks the time between the runs in which it changed', () => {
    const { container } = render(<Trend series={series} />);
    const dots = [...container.querySelectorAll('circle')].map((one) => Number(one.getAttribute('cx')));
    const mark = container.querySelector('rect');
    expect(Number(mark?.getAttribute('x'))).toBeCloseTo(dots[1] ?? 0, 0);
    expect(Number(mark?.getAttribute('x')) + Number(mark?.getAttribute('width'))).toBeCloseTo(dots[2] ?? 0, 0);
    expect(screen.getByRole('img', { name: 'Output over 4 runs. It went down.' })).toBeInTheDocument();
  });
});

describe('what is saved', () => {
  afterEach(() => vi.restoreAllMocks());

  it('is chosen from one menu, and its figures keep their commas', async () => {
    const made: Blob[] = [];
    vi.stubGlobal('URL', {
      ...URL,
      createObjectURL: (blob: Blob) => {
        made.push(blob);
        return 'blob:x';
      },
      revokeObjectURL: () => {},
    });
    render(
      <SaveDrawing
        name="stair"
        csv={() => [
          ['a', 'b'],
          ['1,5', 'x'],
        ]}
        drawing={() => null}
      />,
    );
    await userEvent.click(screen.getByRole('button', { name: 'Save as' }));
    expect(screen.getAllByRole('menuitem').map((one) => one.textContent)).toEqual([
      'CSV, the figures',
      'SVG, the drawing',
      'PNG, the picture',
    ]);
    await userEvent.click(screen.getByText('CSV, the figures'));
    expect(await made[0]?.text()).toBe('a,b\n"1,5",x');
    vi.unstubAllGlobals();
  });
});
