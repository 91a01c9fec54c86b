import type { BandView, DriveView } from '../../api';

/** Modes that a guard may lead to. */
export const MODES = ['CW', 'SSB', 'AM', 'FM', 'RTTY', 'DATA'] as const;
export type Mode = (typeof MODES)[number];

/** The mode that rows of a kind are measured in. */
export const MODE_OF: Record<DriveView['kind'], Mode> = { CARRIER: 'CW', LONG: 'RTTY', AM: 'AM', UNFILTERED: 'CW' };

/** Where a table of a kind is begun. */
export function tableAt(amplifierId: string, kind: DriveView['kind'], band?: BandView['band']): string {
  const query = new URLSearchParams({ amplifier: amplifierId, ...(band ? { band } : {}), carrier: MODE_OF[kind] });
  if (kind === 'UNFILTERED') query.set('unfiltered', '');
  return `/tune?${query.toString()}`;
}
