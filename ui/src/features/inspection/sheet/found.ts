import { get, set } from 'idb-keyval';
import type { InspectionFile, InspectionView } from '../../../api';
import type { State } from '../points';

/** What the file of a sheet says that it is. */
export const FORMAT = 'tubrin-inspection';

export interface Photo {
  id: string;
  takenAt: string;
  /** Its bytes as base64. */
  jpeg: string;
}

export interface PointFound {
  state?: State;
  note: string;
  photos: Photo[];
}

/** All that was found, by the points' codes, and whether just that is in a file. */
export interface Found {
  points: Record<string, PointFound>;
  saved: boolean;
}

/** By all that the sheet knows: one that is taken along anew, after something was changed at home, begins anew. */
const keyOf = (view: InspectionView) => `tubrin.inspection.${JSON.stringify(view)}`;

/** Returns what is known before one looks. */
export const known = (view: InspectionView): Found => ({
  points: Object.fromEntries(
    view.points.map(({ point, state, note }) => [point, { state: state ?? undefined, note: note ?? '', photos: [] }]),
  ),
  saved: true,
});

/** Returns what this phone holds of a sheet that was begun, and nothing where it holds none or can hold none. */
export async function begun(view: InspectionView): Promise<Found | undefined> {
  try {
    return await get<Found>(keyOf(view));
  } catch {
    return undefined;
  }
}

/** Holds it on this phone; returns whether that went well. */
export async function hold(view: InspectionView, found: Found): Promise<boolean> {
  try {
    await set(keyOf(view), found);
    return true;
  } catch {
    return false;
  }
}

/** Returns whether a point was judged or noted. */
export const isLookedAt = (one: PointFound): boolean =>
  one.state !== undefined || one.note.trim() !== '' || one.photos.length > 0;

/** Returns what is saved to a file: the points that were changed on this sheet alone, so that it replaces nothing else at home. */
export function fileOf(view: InspectionView, found: Found): InspectionFile {
  const before = known(view).points;
  const all = Object.entries(found.points) as [InspectionFile['points'][number]['point'], PointFound][];
  return {
    format: FORMAT,
    candidateId: view.candidateId,
    points: all
      .filter(([point, one]) => one.state !== before[point]?.state || one.note.trim() !== before[point]?.note)
      .map(([point, { state, note }]) => ({ point, state, note: note.trim() || undefined })),
    photos: all.flatMap(([point, { photos }]) => photos.map((photo) => ({ ...photo, point }))),
  };
}
