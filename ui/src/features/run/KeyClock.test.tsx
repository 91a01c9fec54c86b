import { act, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ClockView, RunView } from '../../api';
import { KeyClock } from './KeyClock';
import stored from './testRun.json';

const run = stored as unknown as RunView;
const START = Date.parse('2026-11-25T19:00:00Z');

function clock(change: Partial<ClockView>, skewMs = 0) {
  const view: RunView = {
    ...run,
    clock: { ...run.clock, since: new Date(START + skewMs).toISOString(), aimS: 5, stopS: 10, ...change },
  };
  return render(<KeyClock view={view} skewMs={skewMs} act={() => undefined} />);
}

const passes = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe('the clock', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    vi.setSystemTime(START);
  });
  afterEach(() => vi.useRealTimers());

  it('counts a key-down up and calls for key up past the aim', async () => {
    clock({ phase: 'KEY_DOWN' });
    await passes(3900);
    expect(screen.getByText('3 s')).toBeInTheDocument();
    expect(screen.getByRole('heading')).toHaveTextContent('Key down');
    await passes(1300);
    expect(screen.getByRole('heading')).toHaveTextContent('Key up');
  });

  it('counts a rest down to its end', async () => {
    clock({ phase: 'RESTING', restS: 6, lastKeyDownS: 4.2 });
    await passes(2100);
    expect(screen.getByText(/Key again in 4/)).toBeInTheDocument();
    await passes(4000);
    expect(screen.getByRole('heading')).toHaveTextContent('Rested');
  });

  it("goes by the server's time, not the browser's", async () => {
    clock({ phase: 'KEY_DOWN' }, 3_600_000);
    await passes(2000);
    expect(screen.getByRole('heading')).toHaveTextContent('Key down');
  });

  it('says what the last key-down was', () => {
    clock({ phase: 'READY', lastKeyDownS: 4.24 });
    expect(screen.getByText('Last key-down 4.2 s of 5 s.')).toBeInTheDocument();
  });

  it('says so where a load must cool without end', () => {
    clock({ phase: 'RESTING', restS: undefined });
    expect(screen.getByText('Until the load has cooled.')).toBeInTheDocument();
  });
});
