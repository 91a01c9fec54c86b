import { Link } from 'react-router';
import type { RunView } from '../../api';
import { Diamond, Sheet } from '../../parts';
import { Cell, Heads, RowHead, Table } from '../../parts/ui';
import { fixed, localTime, utc } from '../../quantity';
import { say } from '../../words';
import { isTuned } from './useDials';

/** What is kept of a finished run, and where it is seen. */
const KEPT: Record<RunView['kind'], { says: (view: RunView) => string; to: string; see: string }> = {
  TUNE_UP: { says: (view) => say('run.theRowForIsOn', { band: view.band }), to: '/cards', see: say('run.seeTheCard') },
  DRIVE_TABLE: {
    says: (view) => say('run.isInTheDriveTable', { band: view.band }),
    to: '/drive',
    see: say('run.seeTheTable'),
  },
  BIAS: {
    says: (view) => say('run.theIdleCurrentsOfAre', { amplifier: view.amplifier }),
    to: '/drive/bias',
    see: say('run.seeTheCurrents'),
  },
  MATCHER: {
    says: (view) => say('run.whatTheMatcherDidOn', { band: view.band }),
    to: '/drive/matcher',
    see: say('run.seeTheMatchers'),
  },
  CHAIN: {
    says: (view) => say('run.theWayUpOfIs', { amplifier: view.amplifier }),
    to: '/log',
    see: say('run.seeTheLog'),
  },
  WAVEFORM: {
    says: (view) => say('run.theWaveformOfIsSaved', { amplifier: view.amplifier }),
    to: '/drive/waveform',
    see: say('run.seeTheWaveforms'),
  },
  SUPPLY_TABLE: {
    says: (view) => say('run.whichVoltageBringsWhichOutput', { amplifier: view.amplifier }),
    to: '/drive/volts',
    see: say('run.seeTheTable'),
  },
  RESONANCE: {
    says: (view) => say('run.theDayOfIsSaved', { termination: view.termination }),
    to: '/drive/resonance',
    see: say('run.seeTheAntennas'),
  },
  ALC: {
    says: (view) => say('run.theLevelOfIsSaved', { exciter: view.exciter }),
    to: '/drive/alc',
    see: say('run.seeTheLevels'),
  },
};

const CLIMB = { to: '/tune', says: say('run.startAnotherClimb') };
const ANOTHER: Record<RunView['kind'], { to: string; says: string }> = {
  TUNE_UP: CLIMB,
  DRIVE_TABLE: CLIMB,
  ALC: { to: '/drive/alc', says: say('run.tryAnotherLevel') },
  BIAS: { to: '/drive/bias', says: say('run.setOtherIdleCurrents') },
  MATCHER: { to: '/drive/matcher', says: say('run.tuneItAgain') },
  CHAIN: { to: '/drive/chain', says: say('run.driveItUpAgain') },
  WAVEFORM: { to: '/drive/waveform', says: say('run.lookAgain') },
  SUPPLY_TABLE: { to: '/drive/volts', says: say('run.setItAgain') },
  RESONANCE: { to: '/drive/resonance', says: say('run.watchItAgain') },
};

/** How the run was made. */
function made(view: RunView): string {
  if (view.kind === 'BIAS') return say('run.keyedByWithoutDrive', { exciter: view.exciter });
  const on = say('run.atMHzWith', { mhz: fixed(view.frequencyHz / 1e6, 3), exciter: view.exciter });
  return `${on}, ${view.kind === 'ALC' ? say('run.soundIn', { carrier: view.carrier }) : say('run.carrier', { carrier: view.carrier })}`;
}

/** What is left when a run is over: what to mind on the air, and what was written down. */
export function Afterwards({ view }: { view: RunView }) {
  const finished = view.phase === 'FINISHED';
  const tuned = isTuned(view);
  return (
    <Sheet
      title={
        finished
          ? tuned
            ? say('run.onTheAir')
            : say('shared.measured')
          : tuned
            ? say('run.endedWithoutACardRow')
            : say('run.leftBeforeItsEnd')
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
        {say('run.begunUTCLocal', {
          startedAt: utc(view.startedAt),
          local: localTime(view.startedAt),
          made: made(view),
        })}{' '}
        <Link className="noprint text-act underline" to={ANOTHER[view.kind].to}>
          {ANOTHER[view.kind].says}
        </Link>
        {finished && tuned && view.use === 'SPEECH_AND_CW' && (
          <>
            {' '}
            <Link className="noprint text-act underline" to="/tune?use=LONG_CARRIER">
              {say('run.climbForALongCarrier')}
            </Link>
          </>
        )}
      </p>
    </Sheet>
  );
}

/** What the exciter remembers per mode against the drive that was tuned for. */
function Guard({ view }: { view: RunView }) {
  return (
    <Table
      caption={say('run.modeGuardPerMode', { exciter: view.exciter })}
      tight
      className="mt-3 text-13"
      part="mode-guard"
    >
      <Heads of={['', say('run.setW'), say('run.atMostW'), say('run.thenOutW'), say('run.whatToDo')]} end />
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
          {say('run.whereTheSchoolsWouldHave')} <span className="text-twin italic">{say('run.byTheTwin')}</span>
        </>
      }
      tight
      className="mt-3 text-13"
      part="school-ends"
    >
      <Heads of={['', 'PLATE', 'LOAD', 'W', say('run.gridA'), say('run.heatW'), say('run.imd3DB')]} end />
      <tbody>
        {view.schoolEnds.map((end) => (
          <tr key={end.schools}>
            <RowHead>{end.schools}</RowHead>
            {[
              end.plate,
              end.load,
              fixed(end.outputW, 0),
              fixed(end.gridCurrentA, 3),
              fixed(end.heatPerTubeW, 0),
              end.thirdDb == null ? '\u2013' : fixed(end.thirdDb, 1),
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
