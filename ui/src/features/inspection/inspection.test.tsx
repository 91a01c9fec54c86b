import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { InspectionView } from '../../api';
import { begun, fileOf, known } from './sheet/found';
import { SheetPage } from './sheet/SheetPage';

const VIEW: InspectionView = {
  candidateId: '00000000-0000-0000-0000-000000000001',
  name: 'Dory',
  caution: 'High voltage.',
  points: [
    { point: 'BAND_SWITCH', state: 'GOOD', knocksOut: true, photos: [] },
    { point: 'BLOWER', knocksOut: false, photos: [] },
    { point: 'RELAY', knocksOut: false, photos: [] },
  ],
  knockedOut: false,
  mostPhotos: 1,
  longestNote: 400,
};
const PHOTO = { id: 'a', takenAt: '2026-11-20T10:00:00Z', jpeg: '/9j/' };

describe('the sheet that is taken along', () => {
  it('saves what was changed on it, a note that was deleted too, and says nothing of the rest', () => {
    const view = { ...VIEW, points: VIEW.points.map((one) => (one.point === 'RELAY' ? { ...one, note: 'old' } : one)) };
    const found = known(view);
    found.points.RELAY = { note: '', photos: [] };
    found.points.BLOWER = { note: ' scrapes ', photos: [PHOTO] };
    expect(fileOf(view, found)).toEqual({
      format: 'tubrin-inspection',
      candidateId: VIEW.candidateId,
      points: [
        { point: 'BLOWER', state: undefined, note: 'scrapes' },
        { point: 'RELAY', state: undefined, note: undefined },
      ],
      photos: [{ ...PHOTO, point: 'BLOWER' }],
    });
  });

  it('begins with what is known where the phone holds nothing', async () => {
    expect(await begun(VIEW)).toBeUndefined();
  });

  // Nothing can be held here, as on a phone that opens a file apart from all others.
  it('says where nothing is held that it must be saved, and shows a knock-out at once', async () => {
    render(<SheetPage view={VIEW} before={known(VIEW)} />);
    expect(screen.queryByText(/Leave it/)).toBeNull();
    const group = screen.getByRole('radiogroup', { name: 'How found: Band switch' });
    await userEvent.click(within(group).getByRole('radio', { name: 'bad' }));
    expect(screen.getByText(/Leave it/)).toBeVisible();
    expect(await screen.findByText(/save before you close/)).toBeVisible();
    expect(screen.getByText('1 of 3 looked at')).toBeVisible();
  });

  it('has place for so many photos and no more', () => {
    const before = known(VIEW);
    before.points.RELAY = { note: '', photos: [PHOTO] };
    render(<SheetPage view={VIEW} before={before} />);
    expect(screen.getAllByText('No more photos fit into this sheet.')).toHaveLength(3);
    expect(within(screen.getByRole('region', { name: 'Relay' })).getByText('not judged')).toBeVisible();
  });
});
