import { createRoot } from 'react-dom/client';
import type { InspectionView } from '../../../api';
import { begun, known } from './found';
import { SheetPage } from './SheetPage';

/** Shows the sheet: as it was left on this phone, else as it was taken along. */
export async function show(root: HTMLElement | null, view: InspectionView): Promise<void> {
  if (!root) throw new Error('the document has no root');
  createRoot(root).render(<SheetPage view={view} before={(await begun(view)) ?? known(view)} />);
}
