/** The views whose words are fetched with them. */
export const AREAS = [
  'cards',
  'drive',
  'faults',
  'inspection',
  'log',
  'meters',
  'practice',
  'run',
  'station',
  'supply',
  'glossary',
] as const;

export type Area = (typeof AREAS)[number] | 'base';

/** Where the words of a key are fetched: with a view, or at once. */
export function areaOf(key: string): Area {
  const first = key.split('.')[0];
  return AREAS.find((area) => area === first) ?? 'base';
}
