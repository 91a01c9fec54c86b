import type { ReactNode } from 'react';
import type { Figure, Row, RunView, StepView } from '../../api';
import { Term, type TermName } from '../../parts';
import { Popover, Select } from '../../parts/ui';
import { say } from '../../words';
import { Calculation } from './Calculation';
import { EntryCell } from './EntryCell';
import { NowCell, TwinCell } from './LiveCells';
import { Questions } from './Questions';
import { isTuned } from './useDials';
import type { Run } from './useRun';

const BESIDE = 'figure border-t border-l border-t-hair border-l-rule p-0 text-center text-14';

/** With more columns than these a long figure goes without its ±; it opens to it. */
const ROOMY_COLUMNS = 6;
const TIGHT_LENGTH = 8;

interface Props {
  view: RunView;
  run: Run;
  columns: (StepView | undefined)[];
  headPx: number;
  nowPx: number;
  twinPx: number;
  readOnly: boolean;
}

interface FigureRow {
  name: keyof typeof CALCULATION;
  label: string;
  /** What is explained of the label. */
  term?: TermName;
  unit: string;
  bare?: boolean;
  /** Too wide for a narrow column with its uncertainty. */
  wide?: boolean;
}

const FIGURES: FigureRow[] = [
  { name: 'growth', label: say('run.growth'), term: 'growth', unit: say('run.times'), wide: true },
  { name: 'efficiency', label: say('shared.efficiencyHead'), term: 'efficiency', unit: '%' },
  { name: 'heatPerTube', label: say('run.heatPerTube'), term: 'heatPerTube', unit: 'W' },
  { name: 'heatPerTubeCorrected', label: say('run.corrected'), unit: 'W' },
  { name: 'gain', label: say('run.gain'), term: 'gain', unit: 'dB', bare: true },
];

/** Without tubes the heat is that of the whole stage. */
const UNTUNED_FIGURES: FigureRow[] = FIGURES.filter((figure) => figure.name !== 'heatPerTubeCorrected').map((figure) =>
  figure.name === 'heatPerTube' ? { ...figure, label: say('shared.heatWithin'), term: undefined } : figure,
);

const FIGURES_OF: Record<RunView['kind'], FigureRow[]> = {
  TUNE_UP: FIGURES,
  DRIVE_TABLE: UNTUNED_FIGURES,
  ALC: [],
  BIAS: [],
  MATCHER: [],
  CHAIN: [],
  WAVEFORM: [],
  SUPPLY_TABLE: UNTUNED_FIGURES.filter((figure) => figure.name !== 'growth'),
  RESONANCE: [],
};

type RunControl = StepView['moved'][number];

/** The readings and figures of each step; the step in hand takes entries. */
export function StepTable({ view, run, columns, headPx, nowPx, twinPx, readOnly }: Props) {
  const inHand = readOnly ? -1 : view.steps.length;
  const hasNow = !readOnly && view.source !== 'TYPED';
  const hasTwin = !readOnly && view.twin;
  const tuned = isTuned(view);
  const row = (
    key: string,
    label: ReactNode,
    unit: string,
    cell: (step: StepView) => ReactNode,
    ahead?: (index: number) => ReactNode,
    role?: Row['role'],
  ) => (
    <tr key={key}>
      <th scope="row" className="border-t border-hair py-0 pr-2 pl-4 text-left text-13 font-normal">
        <span className="flex h-5.5 items-center justify-between gap-1 text-ink">
          <span className="truncate">{label}</span>
          <span className="text-soft">{unit}</span>
        </span>
      </th>
      {columns.map((step, index) => (
        <td
          // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place on the stair
          key={index}
          className={`figure border-t border-hair p-0 text-center text-14 ${step?.place === inHand ? 'bg-wash' : ''}`}
        >
          {step ? cell(step) : ahead?.(index)}
        </td>
      ))}
      {hasNow && <td className={BESIDE}>{role && <NowCell role={role} />}</td>}
      {hasTwin && <td className={BESIDE}>{role && <TwinCell role={role} draft={view.draft} live={hasNow} />}</td>}
    </tr>
  );
  const setting = (
    control: RunControl,
    label: string,
    unit: string,
    shown: (step: StepView) => string | undefined,
    ahead?: (index: number) => ReactNode,
  ) =>
    row(
      control,
      label,
      unit,
      (step) =>
        step.place === inHand ? (
          <EntryCell
            field={control}
            label={label}
            shown={shown(step)}
            settled={step.moved.includes(control)}
            sequence={view.sequence}
            problem={run.fieldProblems[control]}
            pending={run.pendingFields.includes(control)}
            waiting={run.waiting !== undefined && run.pendingFields.includes(control)}
            onCommit={(text) => run.act({ act: 'SET', control, text })}
          />
        ) : (
          shown(step)
        ),
      ahead,
    );

  return (
    <>
      <table className="w-full table-fixed border-collapse border-b border-hair" data-part="step-table">
        <caption className="sr-only">{say('run.readingsAndFiguresOfEach')}</caption>
        <colgroup>
          <col style={{ width: headPx }} />
          {columns.map((_, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place on the stair
            <col key={index} />
          ))}
          {hasNow && <col style={{ width: nowPx }} />}
          {hasTwin && <col style={{ width: twinPx }} />}
        </colgroup>
        {(hasNow || hasTwin) && (
          <thead className="text-12 text-soft">
            <tr className="h-4.5">
              <td colSpan={columns.length + 1} />
              {hasNow && (
                <th scope="col" className="border-l border-rule font-normal">
                  {say('run.nowAlone')}
                </th>
              )}
              {hasTwin && (
                <th scope="col" className="border-l border-rule font-normal text-twin italic">
                  {say('shared.twin')}
                </th>
              )}
            </tr>
          </thead>
        )}
        <tbody>
          {view.kind === 'BIAS' && row('DEVICE', say('run.device'), '', (step) => step.device)}
          {view.kind === 'CHAIN' && setting('ATTENUATOR', say('run.attenuator'), 'dB', (step) => step.attenuator)}
          {view.kind !== 'BIAS' &&
            view.kind !== 'CHAIN' &&
            view.kind !== 'WAVEFORM' &&
            view.kind !== 'RESONANCE' &&
            setting(
              'DRIVE',
              view.kind === 'ALC' ? say('shared.setPower') : say('shared.drive'),
              'W',
              (step) => step.drive,
              (index) => <span className="text-soft">{view.drivesW[index]}</span>,
            )}
          {view.kind === 'RESONANCE' && setting('MOTOR', say('run.motor'), say('run.steps'), (step) => step.motor)}
          {view.volts &&
            view.volts.moduleCount > 1 &&
            setting('MODULES', say('shared.modules'), '', (step) => step.modules)}
          {view.kind === 'SUPPLY_TABLE' && setting('SUPPLY', say('shared.supply'), 'V', (step) => step.supply)}
          {view.kind === 'WAVEFORM' && row('LOOK', say('run.look'), '', (step) => step.path)}
          {view.kind === 'MATCHER' && row('POWER_AMPLIFIER', say('run.paMatcher'), '', (step) => step.path)}
          {view.kind === 'ALC' && setting('TONE', say('run.tone'), 'Hz', (step) => step.tone)}
          {view.kind === 'ALC' && setting('LEVEL', say('run.level'), '', (step) => step.level)}
          {view.rows.map((reading) =>
            row(
              reading.role,
              <RowHead reading={reading} run={run} readOnly={readOnly} />,
              reading.unit,
              (step) =>
                step.place === inHand ? (
                  <EntryCell
                    field={reading.role}
                    label={`${reading.label}, ${reading.unit}`}
                    shown={cell(step, reading.role)?.shown}
                    sequence={view.sequence}
                    problem={run.fieldProblems[reading.role]}
                    pending={run.pendingFields.includes(reading.role)}
                    waiting={run.waiting !== undefined && run.pendingFields.includes(reading.role)}
                    doubt={cell(step, reading.role)?.question !== undefined}
                    unread={step.unread.includes(reading.role)}
                    onCommit={(text) => run.act({ act: 'READ', role: reading.role, text })}
                  />
                ) : step.unread.includes(reading.role) ? (
                  <span className="text-12 text-soft">{say('shared.notRead')}</span>
                ) : (
                  <AsRead view={view} step={step} reading={reading} />
                ),
              undefined,
              reading.role,
            ),
          )}
          {tuned && setting('PLATE', 'PLATE', '', (step) => step.plate)}
          {tuned && setting('LOAD', 'LOAD', '', (step) => step.load)}
          {FIGURES_OF[view.kind].map((figure) =>
            row(
              figure.name,
              figure.term ? <Term of={figure.term}>{figure.label}</Term> : figure.label,
              figure.unit,
              (step) => shown(step, view, figure, columns.length > ROOMY_COLUMNS),
            ),
          )}
        </tbody>
      </table>
      {!readOnly && <Questions view={view} run={run} />}
    </>
  );
}

function RowHead({ reading, run, readOnly }: { reading: Row; run: Run; readOnly: boolean }) {
  if (readOnly || reading.ranges.length < 2) return reading.label;
  return (
    <span className="flex items-center gap-1">
      {reading.label}
      <Select
        aria-label={say('run.rangeOf', { instrument: reading.instrument })}
        value={reading.range}
        letsKeysGo
        onPick={(range) => run.act({ act: 'RANGE', role: reading.role, text: range })}
        options={reading.ranges.map((range) => [range, range] as const)}
        className="h-5 min-h-0 max-w-17 gap-0.5 border-rule px-0.5 py-0 text-12 text-soft"
      />
    </span>
  );
}

/** A reading of a step done, beside it what comparison makes of it; it opens to what its ± is made of. */
function AsRead({ view, step, reading }: { view: RunView; step: StepView; reading: Row }) {
  const read = cell(step, reading.role);
  if (!read) return null;
  return (
    <Popover
      label={say('run.whatItsIsMadeOf', {
        label: reading.label,
        read: read.corrected ?? read.shown,
        unit: reading.unit,
      })}
      className="w-full cursor-pointer whitespace-nowrap"
      shown={
        read.corrected ? (
          <>
            {read.corrected} <span className="text-12 text-soft">{read.shown}</span>
          </>
        ) : (
          read.shown
        )
      }
    >
      <Calculation runId={view.id} place={step.place} of={{ role: reading.role }} sequence={view.sequence} />
    </Popover>
  );
}

function cell(step: StepView, role: Row['role']) {
  return step.cells.find((one) => one.role === role);
}

const CALCULATION = {
  growth: 'GROWTH',
  efficiency: 'EFFICIENCY',
  heatPerTube: 'HEAT',
  heatPerTubeCorrected: 'HEAT_CORRECTED',
  gain: 'GAIN',
} as const;

/** A figure, with its ± where there is room; it opens to how it was calculated. */
function shown(step: StepView, view: RunView, row: FigureRow, tight: boolean): ReactNode {
  const figure: Figure | undefined = step[row.name];
  if (!figure) return undefined;
  const bare = row.bare || (tight && figure.withUncertainty.length > TIGHT_LENGTH);
  const rest = figure.withUncertainty.startsWith(figure.shown) ? figure.withUncertainty.slice(figure.shown.length) : '';
  return (
    <Popover
      label={say('run.howTheFigureWasCalculated', {
        label: row.label.trim(),
        withUncertainty: figure.withUncertainty,
        unit: row.unit,
      })}
      className="w-full cursor-pointer text-13 whitespace-nowrap text-soft"
      shown={
        <>
          {bare || rest ? figure.shown : figure.withUncertainty}
          {!bare && rest && <span className={row.wide ? 'max-roomy:hidden' : ''}>{rest}</span>}
        </>
      }
    >
      <Calculation runId={view.id} place={step.place} of={{ figure: CALCULATION[row.name] }} sequence={view.sequence} />
    </Popover>
  );
}
