import type { Plan, PlanView } from '../../api';
import { FoldedSheet, Sheet } from '../../parts';
import { Cell, Heads, RowHead, Table } from '../../parts/ui';
import { Course, SaveDrawing, Sized, TenMinutes, VoltageStair } from '../../plot';
import { fixed } from '../../quantity';
import { say } from '../../words';
import { Facts, useDrawing } from './Parts';

interface StripProps {
  view: PlanView;
  draft: Plan;
  onDraft: (draft: Plan) => void;
  name: string;
}

/** What is drawn over the worst ten minutes, with the ratings to be dragged. */
export function Strip({ view, draft, onDraft, name }: StripProps) {
  const strip = view.strip;
  const drawing = useDrawing();
  const both = draft.supply.intermittentShare === 1;
  // A line that is dragged moves at once; its words follow with the answer.
  const { continuousA, intermittentA } = draft.supply;
  const ratings = [
    { key: 'continuousA', ampere: continuousA, label: strip.continuous },
    ...(both ? [] : [{ key: 'intermittentA', ampere: intermittentA, label: strip.intermittent }]),
  ];
  const rate = (key: string, ampere: number) => {
    const supply = { ...draft.supply, [key]: ampere };
    if (key === 'continuousA') supply.intermittentA = both ? ampere : Math.max(ampere, supply.intermittentA);
    else supply.continuousA = Math.min(ampere, supply.continuousA);
    onDraft({ ...draft, supply });
  };
  const steady = strip.bands.filter((one) => !one.transmits);
  return (
    <Sheet>
      <header className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-22">{strip.title}</h2>
        <p className="text-soft">
          {say('supply.from', {
            supply: strip.supply,
            steady: steady.length > 0 && say('supply.grey', { boxes: steady.map((one) => one.box).join(', ') }),
          })}
        </p>
        <span className="ml-auto flex items-baseline gap-4 text-13 text-soft">
          A
          <SaveDrawing
            name={say('supply.tenMinutes', { name })}
            csv={() => secondBySecond(strip)}
            drawing={() => drawing.current}
          />
        </span>
      </header>
      <Sized>
        {(width) => (
          <TenMinutes
            width={width}
            bands={strip.bands}
            peakA={strip.peakA}
            peak={strip.peak}
            averageA={strip.averageA}
            average={strip.average}
            ratings={ratings}
            onRating={rate}
            drawing={drawing}
          />
        )}
      </Sized>
      <p className="mt-1 text-13 text-soft">{strip.windows}.</p>
    </Sheet>
  );
}

function secondBySecond(strip: PlanView['strip']): string[][] {
  const seconds = strip.bands[0]?.currentA.map((_, index) => index) ?? [];
  return [
    ['second', ...strip.bands.map((one) => `${one.box}, A`)],
    ...seconds.map((second) => [
      String(strip.fromS + second),
      ...strip.bands.map((one) => String(one.currentA[second] ?? '')),
    ]),
  ];
}

interface StairProps {
  stair: NonNullable<PlanView['stair']>;
  beside: NonNullable<PlanView['stair']>['treads'] | undefined;
  name: string;
}

/** The voltage from the terminals down to the set. */
export function Stair({ stair, beside, name }: StairProps) {
  const drawing = useDrawing();
  return (
    <Sheet>
      <header className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-22">{say('supply.fromTerminalsTo', { title: stair.title })}</h2>
        <p className="text-soft">{stair.subtitle}</p>
        <span className="ml-auto flex items-baseline gap-4 text-13 text-soft">
          V
          <SaveDrawing
            name={say('supply.stair', { name })}
            csv={() => [['behind', 'volts'], ...stair.treads.map((one) => [one.cause, String(one.volts)])]}
            drawing={() => drawing.current}
          />
        </span>
      </header>
      <Sized>
        {(width) => (
          <VoltageStair
            width={width}
            treads={stair.treads}
            {...(beside ? { beside } : {})}
            leastV={stair.leastV}
            leastLabel={stair.leastLabel}
            drawing={drawing}
          />
        )}
      </Sized>
      <p className="figure mt-1 grid grid-cols-6 pl-12 text-center text-13 text-soft" data-part="falls">
        {stair.treads.map((one, index) => (
          <span key={one.cause}>{index === 0 ? say('supply.fallsBy') : one.fall}</span>
        ))}
      </p>
    </Sheet>
  );
}

/** How large a supply each school asks for, and which own supplies would do. */
export function Schools({ view }: { view: PlanView }) {
  const most = Math.max(view.strip.intermittentA, ...view.schools.map((one) => one.toA)) * 1.06;
  const at = (ampere: number) => `${(ampere / most) * 100}%`;
  return (
    <Sheet title={say('supply.howBigByEachSchool')}>
      {view.schools.length === 0 && <p className="text-soft">{say('supply.nothingIsMeasuredOrFused')}</p>}
      <ul className="grid gap-3">
        {view.schools.map((school) => (
          <li key={school.code} data-part="school">
            <p className="flex flex-wrap justify-between gap-x-3">
              <span>
                {school.name}
                {school.governs && <b className="head"> {say('supply.governs')}</b>}
              </span>
              <span className="figure">
                {school.asks}
                <span className={school.met ? 'text-soft' : 'text-limit'}>
                  {' '}
                  {school.met ? say('supply.met') : say('shared.notMet')}
                </span>
              </span>
            </p>
            <div aria-hidden="true" className="relative mt-1 h-3.5">
              <div className="absolute top-1.5 h-px w-full bg-rule" />
              <div className="absolute top-1 h-1 bg-ink" style={{ width: at(school.fromA) }} />
              <div
                className="absolute top-1 h-1 border-t-4 border-dotted border-soft"
                style={{ left: at(school.fromA), width: at(school.toA - school.fromA) }}
              />
              <div className="absolute top-0 h-3.25 w-0.75 bg-limit" style={{ left: at(view.strip.intermittentA) }} />
            </div>
          </li>
        ))}
      </ul>
      {view.standard && (
        <p className="mt-2">
          {say('supply.nextStandardSize')} <b className="figure">{view.standard}</b>
        </p>
      )}
      {view.supplies.length > 0 && (
        <Table caption={say('supply.ownSupplies')} className="mt-3">
          <tbody>
            {view.supplies.map((one) => (
              <tr key={one.name}>
                <RowHead className={one.chosen ? 'head text-ink' : ''}>{one.name}</RowHead>
                <Cell end className="text-13">
                  <span className={one.serves ? '' : 'text-soft'}>{one.says}</span>
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </Sheet>
  );
}

/** What the set draws in each mode. */
export function Modes({ view }: { view: PlanView }) {
  if (view.modes.length === 0) return null;
  return (
    <FoldedSheet
      title={say('supply.whatDrawsByModeAt', {
        set: view.stair?.title ?? say('supply.theSet'),
        peak: view.modes[0]?.peak,
      })}
    >
      <Table caption={say('supply.whatIsDrawnByMode')} quiet wide={say('supply.whatIsDrawnByMode')}>
        <Heads
          of={[
            say('shared.mode'),
            say('supply.average'),
            say('supply.meanOutput'),
            say('supply.fromTheWall'),
            say('supply.heatIntoTheRoom'),
          ]}
        />
        <tbody>
          {view.modes.map((one) => (
            <tr key={one.mode}>
              <RowHead className="text-ink">
                {one.mode}
                <span className="block text-13 text-soft">{one.source}</span>
              </RowHead>
              <Cell figure>{one.average}</Cell>
              <Cell figure>{one.output}</Cell>
              <Cell figure>{one.wall}</Cell>
              <Cell figure>{one.heat}</Cell>
            </tr>
          ))}
        </tbody>
      </Table>
    </FoldedSheet>
  );
}

/** How the battery that stands by runs down. */
export function RunDown({ battery }: { battery: NonNullable<PlanView['battery']> }) {
  const resting = battery.course.map((one) => ({ x: one.hours, y: one.restingV }));
  const peak = battery.course.map((one) => ({ x: one.hours, y: one.peakV }));
  return (
    <Sheet>
      <header className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-22">{battery.title}</h2>
        <p className="text-soft">{battery.reason}</p>
      </header>
      {battery.course.length > 1 && (
        <Sized>
          {(width) => (
            <Course
              width={width}
              label={say('supply.voltageAtTheSetOver', {
                hours: fixed(battery.course.at(-1)?.hours ?? 0, 1),
                endLabel: battery.endLabel,
              })}
              xUnit={say('supply.hoursFromFull')}
              yUnit={say('supply.vAtTheSet')}
              height={210}
              limit={{ y: battery.endV, label: battery.endLabel }}
              lines={[
                { key: 'resting', points: resting, look: 'thin', label: say('supply.atTheAverage') },
                { key: 'peak', points: peak, look: 'main', label: say('supply.atThePeak') },
              ]}
            />
          )}
        </Sized>
      )}
      <Facts facts={battery.facts} />
    </Sheet>
  );
}

/** Kinds of supply, by what the operator wants first. */
export function Kinds({ view }: { view: PlanView }) {
  return (
    <FoldedSheet title={say('supply.kindsOfSupplyByYour')}>
      <Table caption={say('supply.kindsOfSupply')} quiet>
        <tbody>
          {view.kinds.map((kind) => (
            <tr key={kind.code}>
              <RowHead className={kind.chosen ? 'head text-ink' : ''}>{kind.name}</RowHead>
              <Cell className="text-13">
                {kind.caution} <span className="text-soft">{say('supply.it', { givesUp: kind.givesUp })}</span>
              </Cell>
            </tr>
          ))}
        </tbody>
      </Table>
    </FoldedSheet>
  );
}
