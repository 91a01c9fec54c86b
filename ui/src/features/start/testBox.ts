/** A box as it can be chosen at the start, for tests: of its name alone, and what else is said of it. */
export const box = (id: string, more: object = {}) => ({
  id,
  name: id,
  detail: '',
  tuned: true,
  bands: [],
  reads: [],
  switchPositions: [],
  positions: [],
  usualPositions: [],
  pulsedPositions: [],
  ...more,
});
