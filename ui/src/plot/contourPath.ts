import { contours } from 'd3-contour';

/** A grid over two dials: row by row, LOAD slow, PLATE fast. */
export interface Grid {
  columns: number;
  rows: number;
  values: number[];
}

/** Where a grid lies on the page: its first and last column and row. */
export interface Frame {
  left: number;
  right: number;
  /** The first row, which is the lowest LOAD. */
  bottom: number;
  top: number;
}

/** A line of equal height, with the place for its label. */
export interface Level {
  value: number;
  path: string;
  label?: [number, number];
}

/** Returns the ground at or above each height as closed paths; where a point did not settle the ground counts as low. */
export function levels(grid: Grid, heights: number[], frame: Frame): Level[] {
  const make = contours().size([grid.columns, grid.rows]).smooth(true).thresholds(heights);
  const x = (at: number) =>
    frame.left + (clamp(at - 0.5, grid.columns - 1) / (grid.columns - 1)) * (frame.right - frame.left);
  const y = (at: number) =>
    frame.bottom + (clamp(at - 0.5, grid.rows - 1) / (grid.rows - 1)) * (frame.top - frame.bottom);
  return make(grid.values).map((one) => {
    let path = '';
    let label: [number, number] | undefined;
    for (const polygon of one.coordinates) {
      for (const ring of polygon) {
        const points = ring.map(([a, b]) => [x(a ?? 0), y(b ?? 0)] as [number, number]);
        path += `M${points.map(([a, b]) => `${a.toFixed(1)} ${b.toFixed(1)}`).join('L')}Z`;
        label = further(label, points, frame);
      }
    }
    return { value: one.value, path, label };
  });
}

/** Returns the point of a line that lies furthest right while well inside the frame. */
function further(best: [number, number] | undefined, points: [number, number][], frame: Frame) {
  let found = best;
  for (const point of points) {
    const inside =
      point[0] < frame.right - 30 &&
      point[0] > frame.left + 30 &&
      point[1] < frame.bottom - 16 &&
      point[1] > frame.top + 16;
    if (inside && (!found || point[0] > found[0])) found = point;
  }
  return found;
}

function clamp(value: number, most: number): number {
  return Math.min(most, Math.max(0, value));
}
