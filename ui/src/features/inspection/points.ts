import type { InspectedView } from '../../api';
import { say } from '../../words';

type Point = InspectedView['point'];
export type State = NonNullable<InspectedView['state']>;

/** Returns what a point is called, and how one looks at it. */
export function pointWords(point: Point): { name: string; look: string } {
  switch (point) {
    case 'BAND_SWITCH':
      return { name: say('inspection.bandSwitch'), look: say('inspection.bandSwitchLook') };
    case 'SWITCH_CONTACTS':
      return { name: say('inspection.switchContacts'), look: say('inspection.switchContactsLook') };
    case 'CAPACITOR_PLATES':
      return { name: say('inspection.capacitorPlates'), look: say('inspection.capacitorPlatesLook') };
    case 'GEAR_REDUCTION':
      return { name: say('inspection.gearReduction'), look: say('inspection.gearReductionLook') };
    case 'BLOWER':
      return { name: say('inspection.blower'), look: say('inspection.blowerLook') };
    case 'CHIMNEYS':
      return { name: say('inspection.chimneys'), look: say('inspection.chimneysLook') };
    case 'CAPACITORS_AGE':
      return { name: say('inspection.capacitorsAge'), look: say('inspection.capacitorsAgeLook') };
    case 'RELAY':
      return { name: say('inspection.relay'), look: say('inspection.relayLook') };
    case 'OWNERS':
      return { name: say('inspection.owners'), look: say('inspection.ownersLook') };
    case 'UNMODIFIED':
      return { name: say('inspection.unmodified'), look: say('inspection.unmodifiedLook') };
  }
}

/** Returns what a point may be found to be. */
export const states = (): [State, string][] => [
  ['GOOD', say('inspection.good')],
  ['WORN', say('inspection.worn')],
  ['BAD', say('inspection.bad')],
];

/** Returns the word for how a point was found. */
export const stateWord = (state: State): string => states().find(([code]) => code === state)?.[1] ?? '';
