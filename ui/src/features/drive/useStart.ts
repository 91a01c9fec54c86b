import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { ask, type Choices, client, type StartRequest } from '../../api';
import { fixed } from '../../quantity';

/** Keeps what was typed of a start in the browser, under a key. */
export function useTyped<Entry extends object>(key: string) {
  const [typed, setTyped] = useState<Partial<Entry>>(() => {
    try {
      return JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<Entry>;
    } catch {
      return {};
    }
  });
  const keep = (entry: Entry) => {
    setTyped(entry);
    localStorage.setItem(key, JSON.stringify(entry));
  };
  return [typed, keep] as const;
}

/** Begins a run, and goes to it. */
export function useStart(request: (runId: string) => StartRequest) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  // One id per visit: a start that is sent twice begins one run.
  const runId = useRef(crypto.randomUUID());
  return useMutation({
    mutationFn: () => ask(client.POST('/api/runs', { body: request(runId.current) })),
    onSuccess: (view) => {
      queries.setQueryData(['run', view.id], view);
      void queries.invalidateQueries({ queryKey: ['choices'] });
      navigate(`/tune/${view.id}`);
    },
  });
}

/** Returns the meters that read a role. */
export const reads = (choices: Choices, role: string) => choices.meters.filter((meter) => meter.reads.includes(role));

type Role = NonNullable<StartRequest['unread']>[number];

/** Returns which of these roles are left unread though one of the meters in use could show them. */
export const unread = (choices: Choices, meterIds: string[], roles: Role[]) =>
  roles.filter((role) => reads(choices, role).some((meter) => meterIds.includes(meter.id)));

/**
 * Returns how the meters in use stand that can be at the input or at the output: where they were chosen for. What comes back is
 * read beside the output.
 *
 * @param atInput the meter chosen for the input
 * @param atOutput the meter chosen for the output
 */
export function places(choices: Choices, atInput: string, atOutput: string): NonNullable<StartRequest['positions']> {
  return choices.meters.flatMap((meter) => {
    const all = meter.positions.map((one) => one.position);
    if (!all.some((one) => one.role === 'INPUT_POWER')) return [];
    const isThere = (role: Role) => meter.id === (role === 'INPUT_POWER' ? atInput : atOutput);
    const first = (role: Role) => [...meter.usualPositions, ...all].find((one) => one.role === role);
    const back = meter.usualPositions.filter((one) => one.role === 'REFLECTED' && isThere('OUTPUT'));
    const chosen = (['INPUT_POWER', 'OUTPUT'] as const).filter(isThere).map(first);
    return [...chosen, ...back].flatMap((position) => (position ? [{ meterId: meter.id, position }] : []));
  });
}

/** Returns the one that was chosen where it is still there, else the first. */
export const there = (all: { id: string }[], id: string | undefined) =>
  all.find((one) => one.id === id)?.id ?? all[0]?.id ?? '';

const MEGA = 1e6;

/** Returns the middle of a band in MHz, to the next kilohertz. */
export function middle(choices: Choices, band: string): string {
  const limits = choices.bands.find((one) => one.band === band);
  return limits ? fixed((limits.lowestHz + limits.highestHz) / (2 * MEGA), 4) : '';
}

/** Returns amplifiers with transistors that are brought up by drive. */
export const transistors = (choices: Choices) =>
  choices.amplifiers.filter((one) => !one.tuned && one.moduleCount === undefined);

/** Returns the dummy loads. */
export const loads = (choices: Choices) => choices.terminations.filter((one) => one.bands.length === 0);

/** Returns records as options. */
export const named = (all: { id: string; name: string }[]) => all.map((one) => [one.id, one.name] as const);
