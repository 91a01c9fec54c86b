import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { vi } from 'vitest';
import type { Choices } from './api';
import { Toasts, Tooltips } from './parts/ui';

/** What stands round every view. */
export function Shell({ client, children }: { client?: QueryClient; children: ReactNode }) {
  return (
    <QueryClientProvider client={client ?? new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <Tooltips>
        {children}
        <Toasts />
      </Tooltips>
    </QueryClientProvider>
  );
}

/** Opens a choice and takes one of its options. */
export async function choose(chooser: HTMLElement, option: string): Promise<void> {
  const user = userEvent.setup({ pointerEventsCheck: 0 });
  await user.click(chooser);
  await user.click(await screen.findByRole('option', { name: option }));
}

export const thing = (id: string, name: string, more: object = {}) => ({
  id,
  name,
  detail: '',
  bands: [],
  tuned: true,
  reads: [],
  switchPositions: [],
  positions: [],
  usualPositions: [],
  ...more,
});

/** What there is to choose from: a load, an antenna, one band; the rest as a test has it. */
export const choicesOf = (more: object) =>
  ({
    stationDescribed: true,
    pads: [],
    terminations: [thing('l', 'Ballast 1000'), thing('y', 'Yardarm', { bands: ['MHZ_7'] })],
    bands: [{ band: 'MHZ_7', name: '7 MHz', lowestHz: 7e6, highestHz: 7.2e6 }],
    carriers: [],
    schools: [],
    suggestions: [],
    rungs: [],
    sources: [{ code: 'TYPED', name: 'Typed', detail: '' }],
    ...more,
  }) as unknown as Choices;

interface Answers {
  choices: Choices;
  view: object;
  /** What is wrong with whatever is sent. */
  problem: { field: string; message: string };
}

/** Answers as the server would, and refuses what is sent; returns what was asked, and sent. */
export function answers(now: () => Answers) {
  const asked: string[] = [];
  const sent: Record<string, unknown>[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const { choices, view, problem } = now();
    asked.push(request.url);
    const refused = request.method === 'POST';
    if (refused) sent.push(await request.json());
    const refusal = {
      title: 'Something of it is not right',
      detail: '',
      problems: [{ code: 'OUT_OF_RANGE', remedy: 'Set less.', ...problem }],
    };
    return new Response(JSON.stringify(refused ? refusal : request.url.includes('/choices') ? choices : view), {
      status: refused ? 422 : 200,
      headers: { 'Content-Type': refused ? 'application/problem+json' : 'application/json' },
    });
  });
  return { asked, sent };
}
