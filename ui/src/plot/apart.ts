/** Returns places near the wanted ones, in their order, at least a gap apart from each other and within the bounds. */
export function apart(wanted: number[], gap: number, least: number, most: number): number[] {
  const order = wanted.map((place, index) => ({ place, index })).sort((a, b) => a.place - b.place);
  let next = least;
  for (const one of order) {
    one.place = Math.max(one.place, next);
    next = one.place + gap;
  }
  let last = most;
  for (const one of [...order].reverse()) {
    one.place = Math.min(one.place, last);
    last = one.place - gap;
  }
  const places = [...wanted];
  for (const one of order) places[one.index] = one.place;
  return places;
}
