import { Link } from 'react-router';
import type { RunView } from '../../api';
import { Diamond, Sheet } from '../../parts';
import { Cell, Heads, RowHead, Table } from '../../parts/ui';
import { localTime, utc } from '../../quantity';
import { isTuned } from './useDials';

/** What is kept of a finished run, and where it is seen. */
const KEPT: Record<RunView['kind'], { says: (view: RunView) => string; to: string; see: string }> = {
  TUNE_UP: { says: (view) => `The row for ${view.band} is on the card.`, to: '/cards', see: 'See the card' },
  DRIVE_TABLE: { says: (view) => `${view.band} is in the drive table.`, to: '/drive', see: 'See the table' },
  BIAS: {
    says: (view) => `The idle currents of ${view.amplifier} are saved.`,
    to: '/drive/bias',
    see: 'See the currents',
  },
  MATCHER: {
    says: (view) => `What the matcher did on ${view.band} is saved.`,
    to: '/drive/matcher',
    see: 'See the matchers',
  },
  CHAIN: { says: (view) => `The way up of ${view.amplifier} is saved.`, to: '/log', see: 'See the log' },
  WAVEFORM: {
    says: (view) => `The waveform of ${view.amplifier} is saved.`,
    to: '/drive/waveform',
    see: 'See the waveforms',
  },
  SUPPLY_TABLE: {
    says: (view) => `Which voltage brings which output of ${view.amplifier} is saved.`,
    to: '/drive/volts',
    see: 'See the table',
  },
  RESONANCE: {
    says: (view) => `The day of ${view.termination} is saved.`,
    to: '/drive/resonance',
    see: 'See the antennas',
  },
  ALC: { says: (view) => `The level of ${view.exciter} is saved.`, to: '/drive/alc', see: 'See the levels' },
};

const CLIMB = { to: '/tune', says: 'Start another climb' };
const ANOTHER: Record<RunView['kind'], { to: string; says: string }> = {
  TUNE_UP: CLIMB,
  DRIVE_TABLE: CLIMB,
  ALC: { to: '/drive/alc', says: 'Try another level' },
  BIAS: { to: '/drive/bias', says: 'Set other idle currents' },
  MATCHER: { to: '/drive/matcher', says: 'Tune it again' },
  CHAIN: { to: '/drive/chain', says: 'Drive it up again' },
  WAVEFORM: { to: '/drive/waveform', says: 'Look again' },
  SUPPLY_TABLE: { to: '/drive/volts', says: 'Set it again' },
  RESONANCE: { to: '/drive/resonance', says: 'Watch it again' },
};

/** How the run was made. */
function made(view: RunView): string {
  if (view.kind === 'BIAS') return `keyed by ${view.exciter} without drive`;
  const on = `at ${(view.frequencyHz / 1e6).toFixed(3)} MHz with ${view.exciter}`;
  return `${on}, ${view.kind === 'ALC' ? `sound in ${view.carrier}` : `${view.carrier} carrier`}`;
}

/** What is left when a run is over: what to mind on the air, and what was written down. */
export function Afterwards({ view }: { view: RunView }) {
  const finished = view.phase === 'FINISHED';
  const tuned = isTuned(view);
  return (
    <Sheet
      title={
        finished ? (tuned ? 'On the air' : 'Measured') : tuned ? 'Ended without a card row' : 'Left before its end'
      }
      part="afterwards"
    >
      {finished && (
        <>
          <p className="head mb-2 text-18">
            {KEPT[view.kind].says(view)}{' '}
            <Link className="text-act underline" to={KEPT[view.kind].to}>
              {KEPT[view.kind].see}
            </Link>
          </p>
          {tuned && (
            <ul className="list-disc pl-5">
              {view.onAir.map((point) => (
                <li key={point}>{point}</li>
              ))}
            </ul>
          )}
        </>
      )}
      {finished && view.guard.length > 0 && <Guard view={view} />}
      {view.schoolEnds.length > 0 && <SchoolEnds view={view} />}
      {view.conditions && <p className="mt-2 text-soft">{view.conditions}</p>}
      {view.notes.map((note) => (
        <p key={note} className="mt-2 border-l-2 border-rule pl-3">
          {note}
        </p>
      ))}
      <p className="mt-3 text-13 text-soft">
        Begun {utc(view.startedAt)} UTC ({localTime(view.startedAt)} local), {made(view)}.{' '}
        <Link className="noprint text-act underline" to={ANOTHER[view.kind].to}>
          {ANOTHER[view.kind].says}
        </Link>
      </p>
    </Sheet>
  );
}

/** What the exciter remembers per mode against the drive that was tuned for. */
function Guard({ view }: { view: RunView }) {
  return (
    <Table caption={`Mode guard: ${view.exciter} per mode`} tight className="mt-3 text-13" part="mode-guard">
      <Heads of={['', 'set, W', 'at most, W', 'then out, W', 'what to do']} end />
      <tbody>
        {view.guard.map((row) => (
          <tr key={row.mode}>
            <RowHead>{row.mode}</RowHead>
            <Cell figure end>
              {row.set}
            </Cell>
            <Cell figure end>
              {row.most}
            </Cell>
            <Cell figure end>
              {row.output ?? '–'}
            </Cell>
            <Cell className={`pl-2 text-right ${row.above ? 'head text-watch' : 'text-soft'}`}>
              <span className="inline-flex items-center gap-1.5">
                {row.above && <Diamond />}
                {row.says}
                {row.level && <span className="text-ink">{row.level}</span>}
              </span>
            </Cell>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** Where each school would have set the dials at this drive, by the twin. */
function SchoolEnds({ view }: { view: RunView }) {
  return (
    <Table
      caption={
        <>
          Where the schools would have set the dials, <span className="text-twin italic">by the twin</span>
        </>
      }
      tight
      className="mt-3 text-13"
      part="school-ends"
    >
      <Heads of={['', 'PLATE', 'LOAD', 'W', 'grid A', 'heat W', 'IMD3 dB']} end />
      <tbody>
        {view.schoolEnds.map((end) => (
          <tr key={end.schools}>
            <RowHead>{end.schools}</RowHead>
            {[
              end.plate,
              end.load,
              end.outputW.toFixed(0),
              end.gridCurrentA.toFixed(3),
              end.heatPerTubeW.toFixed(0),
              end.thirdDb?.toFixed(1).replace('-', '\u2212') ?? '\u2013',
            ].map((shown, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a column is its heading
              <Cell key={index} figure end className="text-twin italic">
                {shown}
              </Cell>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
