import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { WaveformPageView } from '../../api';
import { answers, choicesOf, Shell, thing } from '../../testing';
import { DrivePage } from './DrivePage';

const envelope = Array.from({ length: 60 }, (_, i) => 100 * Math.abs(Math.cos((3 * Math.PI * i) / 60)));

const VIEW: WaveformPageView = {
  rows: [
    {
      runId: 'bad',
      amplifier: 'Ketch 600',
      band: '7 MHz',
      at: '2026-11-20T12:00:00Z',
      came: 'not clean',
      clean: false,
    },
  ],
  shownRunId: 'bad',
  shown: {
    looks: [
      {
        look: 'EXCITER_CARRIER',
        name: 'Exciter alone, carrier',
        tones: false,
        expected: '49.8 V',
        read: '64.7 ± 1.4 V',
        byVolts: '10.1 ± 0.5 W',
        byMeter: '6.0 ± 0.3 W',
        apart: true,
        found: [],
        clean: true,
        next: false,
      },
      {
        look: 'AMPLIFIER_TONES',
        name: 'Amplifier, two tones',
        tones: true,
        expected: '369 V',
        read: '352 ± 8 V',
        byVolts: '300 ± 15 W',
        byMeter: '150 ± 8 W',
        apart: false,
        found: ['Envelope: flat tops. Third-order products 20 dB below a tone.'],
        clean: false,
        next: true,
      },
    ],
    shows: {
      look: 'AMPLIFIER_TONES',
      name: 'Amplifier, two tones',
      straightV: 110,
      trace: {
        spanS: 0.003,
        lowV: envelope.map((volt) => -volt),
        highV: envelope,
        driveV: envelope.map((volt) => volt / 10),
      },
    },
    says: ['Not clean. Put that right first, then look again.'],
    envelopes: [],
    trapezoids: [],
  },
};

const CHOICES = choicesOf({
  amplifiers: [
    thing('b', 'Brigantine', { bands: ['MHZ_7'] }),
    thing('k', 'Ketch 600', { tuned: false, bands: ['MHZ_7'] }),
  ],
  exciters: [thing('h', 'Halyard 100')],
  meters: [thing('s', 'Spyglass', { reads: ['OUTPUT_VPP'] }), thing('f', 'Fathom', { reads: ['OUTPUT'] })],
});

describe('waveforms', () => {
  let server: ReturnType<typeof answers>;
  let choices = CHOICES;

  beforeEach(() => {
    choices = CHOICES;
    localStorage.clear();
    server = answers(() => ({
      choices,
      view: VIEW,
      problem: { field: 'scope.output', message: '“0” is below 0.01 W.' },
    }));
  });
  afterEach(() => vi.unstubAllGlobals());

  const show = () =>
    render(
      <Shell>
        <MemoryRouter initialEntries={['/drive/waveform']}>
          <Routes>
            <Route path="/drive/:tab?" element={<DrivePage />} />
          </Routes>
        </MemoryRouter>
      </Shell>,
    );

  it('shows the volts to expect beside those read, a wattmeter that contradicts them, and the average of tones as such', async () => {
    show();
    const [carrier, tones] = within(await screen.findByRole('list', { name: 'The looks' })).getAllByRole('listitem');
    expect(carrier).toHaveTextContent('expect49.8 V');
    expect(carrier).toHaveTextContent('read64.7 ± 1.4 V');
    expect(carrier).toHaveTextContent('that is10.1 ± 0.5 W');
    expect(carrier).toHaveTextContent('meter6.0 ± 0.3 W');
    expect(carrier).toHaveClass('border-watch');
    expect(tones).toHaveTextContent('average150 ± 8 W');
    expect(tones).not.toHaveTextContent('that is');
    expect(tones).toHaveTextContent('flat tops');
    expect(screen.getByText(/Put that right first/)).toBeInTheDocument();
  });

  it('draws each column of the trace over time, and over the drive of its time', async () => {
    show();
    const trace = await screen.findByRole('img', { name: 'Trace: Amplifier, two tones' });
    expect(trace.querySelectorAll('line[stroke-dasharray]')).toHaveLength(2);
    expect(trace.querySelectorAll('circle')).toHaveLength(2 * envelope.length);
    expect(trace.querySelector('path')?.getAttribute('d')?.match(/L/g)).toHaveLength(2 * envelope.length - 1);
  });

  it('begins with what was looked at last, says what is missing, and names what is refused', async () => {
    const user = userEvent.setup();
    show();
    expect(await screen.findByText('Look at the waveform of Ketch 600')).toBeInTheDocument();
    expect(screen.getByText('Drive and output are still missing.')).toBeInTheDocument();
    await user.type(screen.getByLabelText('Drive at its peaks, W'), '6');
    expect(screen.getByText('The output is still missing.')).toBeInTheDocument();
    await user.type(screen.getByLabelText('Output to expect, W'), '0');
    await user.click(screen.getByRole('button', { name: 'Start with the points' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      school: 'WAVEFORM',
      amplifierId: 'k',
      meterIds: ['s', 'f'],
      scope: { drive: '6', output: '0' },
    });
    expect(await screen.findByText(/is below 0.01 W/)).toBeInTheDocument();
    expect(screen.getByLabelText('Output to expect, W')).toHaveAttribute('aria-invalid', 'true');
  });

  it('says what a station lacks', async () => {
    choices = choicesOf({ ...CHOICES, meters: [thing('f', 'Fathom', { reads: ['OUTPUT'] })] });
    show();
    expect(await screen.findByText('Describe the scope first')).toBeInTheDocument();
  });
});
