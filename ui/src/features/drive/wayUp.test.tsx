import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { ChainRequest } from '../../api';
import { WayUp } from '../../plot';
import { answers, choicesOf, Shell, thing } from '../../testing';
import { ChainStart } from './ChainStart';

const CHAIN: ChainRequest = {
  given: 'WATT',
  value: '10',
  open: '0.3',
  parts: [{ name: 'Ketch', kind: 'STAGE', decibels: '18', open: '1', compression: '', most: '0.5' }],
  wanted: '100',
};

const CHOICES = choicesOf({
  amplifiers: [
    thing('a', 'Brigantine', { bands: ['MHZ_7'] }),
    thing('k', 'Ketch 600', { tuned: false, bands: ['MHZ_7'] }),
  ],
  exciters: [thing('h', 'Halyard 100')],
  meters: [
    thing('f', 'Fathom', { reads: ['OUTPUT'] }),
    thing('y', 'Spyglass', { reads: ['OUTPUT_VPP', 'GATE_RF'] }),
    thing('g', 'Plummet', { reads: ['GATE_VOLTAGE'] }),
  ],
});

describe('the way up', () => {
  afterEach(() => vi.unstubAllGlobals());

  const show = (choices = CHOICES) => {
    localStorage.clear();
    const server = answers(() => ({
      choices,
      view: {},
      problem: { field: 'parts.0.most', message: '0.5 W is too little.' },
    }));
    render(
      <Shell>
        <MemoryRouter>
          <ChainStart chain={CHAIN} named={{ 'parts.0.most': 'Ketch, may be fed with' }} />
        </MemoryRouter>
      </Shell>,
    );
    return server;
  };

  it('begins with the chain as typed, on the transistors, and names the part that is refused', async () => {
    const user = userEvent.setup();
    const server = show();
    await user.click(await screen.findByRole('button', { name: 'Start the way up' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      school: 'CHAIN',
      amplifierId: 'k',
      meterIds: ['y'],
      terminationId: 'l',
      chain: CHAIN,
    });
    expect(await screen.findByText(/0.5 W is too little/)).toBeInTheDocument();
    expect(screen.getByText(/Ketch, may be fed with/)).toBeInTheDocument();
  });

  it('is not offered where nothing reads volts from peak to peak', async () => {
    const server = show(choicesOf({ ...CHOICES, meters: [CHOICES.meters[0]] }));
    await waitFor(() => expect(server.asked.some((url) => url.includes('choices'))).toBe(true));
    expect(screen.queryByRole('button', { name: 'Start the way up' })).toBeNull();
  });

  it('is drawn as thought and as read, and never back', () => {
    render(
      <WayUp
        wantedDbm={50}
        wanted="100 W"
        planned={[
          { attenuationDb: 50, dbm: 8 },
          { attenuationDb: 40, dbm: 18 },
          { attenuationDb: 10, dbm: 48 },
        ]}
        taken={[
          { attenuationDb: 50, dbm: 6, lowDbm: 5.8, highDbm: 6.2, watt: '4 mW' },
          { attenuationDb: 20, dbm: 36, lowDbm: 35.8, highDbm: 36.2, watt: '4 W' },
        ]}
        width={600}
      />,
    );
    const drawing = screen.getByRole('img', { name: 'Wanted 100 W; 50 dB: 4 mW; 20 dB: 4 W' });
    const [planned, taken] = [...drawing.querySelectorAll('path')].map((path) => path.getAttribute('d') ?? '');
    // Steps only: across and up.
    expect(planned).toMatch(/^M[\d. ]+(H[\d.]+(V[\d.]+)?)+$/);
    expect(taken).toMatch(/^M[\d. ]+(H[\d.]+(V[\d.]+)?)+$/);
    // Four settings in all, from the greatest attenuation on.
    expect(['50', '40', '20', '10'].every((db) => drawing.textContent?.includes(db))).toBe(true);
  });
});
