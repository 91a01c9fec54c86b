import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Shell } from '../../testing';
import { BackupSheet } from './BackupSheet';

const json = (body: unknown) => new Response(JSON.stringify(body), { headers: { 'Content-Type': 'application/json' } });
const REPORT = {
  restored: false,
  madeAt: '2026-11-20T10:00:00Z',
  station: 'Skerry Point',
  equipment: 3,
  runs: 2,
  events: 90,
};

/** Answers as the server would: a restore takes until it is let go, and tells meanwhile how far it is. */
function shows(progress: unknown, onBroughtIn?: () => void) {
  let done: (response: Response) => void = () => undefined;
  vi.stubGlobal('fetch', (request: Request) =>
    new URL(request.url).pathname.endsWith('/progress')
      ? Promise.resolve(progress ? json(progress) : new Response(null, { status: 204 }))
      : new Promise<Response>((resolve) => {
          done = resolve;
        }),
  );
  render(
    <Shell>
      <BackupSheet onBroughtIn={onBroughtIn} />
    </Shell>,
  );
  return (report: unknown) => done(json(report));
}

describe('a backup', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('tells how far its check is, then what it holds, and replaces nothing before it is told to', async () => {
    const done = shows({ doing: 'CHECKING', runs: 1234, share: 0.42 });
    await userEvent.upload(
      screen.getByLabelText('Restore from a file'),
      new File(['{}'], 'tubrin.json', { type: 'application/json' }),
    );
    expect(await screen.findByText(/Checking tubrin\.json.*: 1234 runs/)).toBeVisible();
    expect(screen.getByText('42 %')).toBeVisible();
    expect(screen.queryByText('Replace everything')).not.toBeInTheDocument();
    done(REPORT);
    expect(await screen.findByText(/Skerry Point, 3 records, 2 runs with 90 events/)).toBeVisible();
    expect(screen.getByRole('button', { name: 'Replace everything …' })).toBeVisible();
    expect(screen.queryByText('42 %')).not.toBeInTheDocument();
  });

  it('is all that there is to a first station from a file, and then goes on', async () => {
    const onBroughtIn = vi.fn();
    const done = shows(undefined, onBroughtIn);
    expect(screen.queryByText('Save a backup')).not.toBeInTheDocument();
    await userEvent.upload(
      screen.getByLabelText('Restore from a file'),
      new File(['{}'], 'tubrin.json', { type: 'application/json' }),
    );
    done(REPORT);
    await userEvent.click(await screen.findByRole('button', { name: 'Replace everything …' }));
    expect(onBroughtIn).not.toHaveBeenCalled();
    const asked = await screen.findByRole('alertdialog');
    await userEvent.click(within(asked).getByRole('button', { name: 'Replace everything' }));
    await vi.waitFor(() => {
      // The second call is the one that replaces.
      done({ ...REPORT, restored: true });
      expect(onBroughtIn).toHaveBeenCalled();
    });
  });
});
