import { useState } from 'react';
import { Link } from 'react-router';
import type { PaperView, PlanView } from '../../api';
import { Button, Refused, Sheet, SignalLine, Trouble } from '../../parts';
import type { Body } from '../../parts/form';
import { Course, Sized, saveJson, TenMinutes, VoltageStair } from '../../plot';
import { Beside } from './Beside';
import { Facts, Findings, Saves, useDrawing } from './Parts';
import { Shelf } from './SupplyPage';
import { useJudged, useKeep } from './usePapers';
import { WhatIf } from './WhatIf';

/** A plan: what it comes to, and what it would come to if something were otherwise. */
export function PlanPage({ papers, kept }: { papers: PaperView[]; kept: PaperView }) {
  const body = kept.body as Body;
  const [draft, setDraft] = useState<Body>(body);
  const [besideId, setBesideId] = useState('');
  const changed = JSON.stringify(draft) !== JSON.stringify(body);
  const judged = useJudged(draft);
  const other = papers.find((one) => one.id === besideId);
  const beside = useJudged(other ? (other.body as Body) : undefined);
  const keep = useKeep('PLAN', kept);
  const keepAnew = useKeep('PLAN');
  const view = judged.data;
  return (
    <>
      <Shelf
        papers={papers}
        tools={
          <>
            <label className="flex items-center gap-2 text-soft">
              Beside
              <select
                className="field max-w-[220px] text-ink"
                value={besideId}
                onChange={(event) => setBesideId(event.target.value)}
              >
                <option value="">nothing</option>
                {papers
                  .filter((one) => one.kind === 'PLAN')
                  .map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.id === kept.id ? 'this plan as kept' : one.name}
                    </option>
                  ))}
              </select>
            </label>
            <Link className="text-act underline" to={`/supply/plans/${kept.id}/edit`}>
              Edit
            </Link>
            <button type="button" className="text-act underline" onClick={() => saveJson(draft, kept.name)}>
              JSON
            </button>
            <Button onClick={() => window.print()}>Print</Button>
          </>
        }
      />
      {view ? (
        <Judged
          name={kept.name}
          view={view}
          draft={draft}
          onDraft={setDraft}
          beside={
            other && beside.data ? (
              <Beside name={kept.name} view={view} otherName={nameOf(other, kept)} other={beside.data} />
            ) : undefined
          }
          besideStair={besideId ? beside.data?.stair?.treads : undefined}
          refusal={judged.error && <Refused error={judged.error} named />}
          keeping={
            changed && (
              <div className="mt-3 flex flex-wrap items-center gap-2 border-t border-hair pt-3">
                <Button kind="main" disabled={keep.isPending} onClick={() => keep.mutate(draft)}>
                  Keep
                </Button>
                <Button
                  disabled={keepAnew.isPending}
                  onClick={() => keepAnew.mutate({ ...draft, name: `${kept.name}, changed`.slice(0, 80) })}
                >
                  Keep as another plan
                </Button>
                <Button kind="quiet" onClick={() => setDraft(body)}>
                  Put back
                </Button>
                <Refused error={keep.error ?? keepAnew.error} />
              </div>
            )
          }
        />
      ) : judged.error ? (
        <div className="p-5">
          <Trouble page error={judged.error} retry={() => void judged.refetch()} />
        </div>
      ) : (
        <p role="status" className="p-6 text-soft">
          Reckoning …
        </p>
      )}
    </>
  );
}

const nameOf = (other: PaperView, kept: PaperView) => (other.id === kept.id ? 'as kept' : other.name);

interface JudgedProps {
  name: string;
  view: PlanView;
  draft: Body;
  onDraft: (draft: Body) => void;
  beside: React.ReactNode;
  besideStair: NonNullable<PlanView['stair']>['treads'] | undefined;
  refusal: React.ReactNode;
  keeping: React.ReactNode;
}

function Judged({ name, view, draft, onDraft, beside, besideStair, refusal, keeping }: JudgedProps) {
  const good =
    view.verdict.code === 'CARRIES' || view.verdict.code === 'CARRIES_BY_SOME' || view.verdict.code === 'EMPTY';
  return (
    <div data-part="plan">
      <h1 className="sr-only print:not-sr-only print:px-5 print:text-27">{name}</h1>
      <SignalLine nodes={view.line} />
      <div className="mx-5 mb-5 grid items-start gap-[14px] roomy:grid-cols-[minmax(0,1fr)_minmax(0,426px)]">
        <div className="grid grid-cols-[minmax(0,1fr)] gap-[14px]">
          <Strip view={view} draft={draft} onDraft={onDraft} name={name} />
          {view.stair && <Stair stair={view.stair} beside={besideStair} name={name} />}
          <Modes view={view} />
          {view.battery && <RunDown battery={view.battery} />}
          <Kinds view={view} />
        </div>
        <div className="grid grid-cols-[minmax(0,1fr)] gap-[14px] max-roomy:order-first">
          <section
            aria-label="Verdict"
            className={`sheet border-l-4 px-4 py-[14px] ${good ? 'border-l-act' : 'border-l-limit'}`}
          >
            <h2 className="text-14 text-soft">Verdict</h2>
            <p className={`head text-27 leading-tight ${good ? '' : 'text-limit'}`}>{view.verdict.title}</p>
            <p className="mt-1 text-soft">{view.verdict.reason}</p>
            <Findings findings={view.findings.slice(1)} />
          </section>
          {beside}
          <WhatIf draft={draft} onDraft={onDraft} refusal={refusal} keeping={keeping} />
          <Schools view={view} />
          <Sheet title="Lead and voltage">
            <Facts facts={view.lead} />
          </Sheet>
          <Sheet title="At the mains">
            <Facts facts={view.mains} />
            {view.amplifiers.length > 0 && (
              <>
                <h3 className="mt-3 mb-1 text-13 text-soft">Large amplifiers: licensed work, under permit</h3>
                <Facts facts={view.amplifiers} />
              </>
            )}
          </Sheet>
          <ul className="grid gap-1 px-1 text-13 text-soft" aria-label="Cautions">
            {view.cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </div>
      </div>
    </div>
  );
}

interface StripProps {
  view: PlanView;
  draft: Body;
  onDraft: (draft: Body) => void;
  name: string;
}

function Strip({ view, draft, onDraft, name }: StripProps) {
  const strip = view.strip;
  const drawing = useDrawing();
  const both = draft.supply.intermittentShare === 1;
  // A line that is dragged moves at once; its words follow with the answer.
  const { continuousA, intermittentA } = draft.supply as { continuousA: number; intermittentA: number };
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
          from {strip.supply}
          {steady.length > 0 && `; grey: ${steady.map((one) => one.box).join(', ')}`}
        </p>
        <span className="ml-auto flex items-baseline gap-4 text-13 text-soft">
          A
          <Saves drawing={drawing} name={`${name} ten minutes`} rows={secondBySecond(strip)} />
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

function Stair({ stair, beside, name }: StairProps) {
  const drawing = useDrawing();
  return (
    <Sheet>
      <header className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-22">From terminals to {stair.title}</h2>
        <p className="text-soft">{stair.subtitle}</p>
        <span className="ml-auto flex items-baseline gap-4 text-13 text-soft">
          V
          <Saves
            drawing={drawing}
            name={`${name} stair`}
            rows={[['behind', 'V', 'falls by'], ...stair.treads.map((one) => [one.cause, one.shown, one.fall])]}
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
      <p className="figure mt-1 grid grid-cols-6 pl-[6%] text-center text-13 text-soft" data-part="falls">
        {stair.treads.map((one, index) => (
          <span key={one.cause}>{index === 0 ? 'falls by' : one.fall}</span>
        ))}
      </p>
    </Sheet>
  );
}

function Schools({ view }: { view: PlanView }) {
  const most = Math.max(view.strip.intermittentA, ...view.schools.map((one) => one.toA)) * 1.06;
  const at = (ampere: number) => `${(ampere / most) * 100}%`;
  return (
    <Sheet title="How big, by each school">
      {view.schools.length === 0 && <p className="text-soft">Nothing is measured or fused yet.</p>}
      <ul className="grid gap-3">
        {view.schools.map((school) => (
          <li key={school.code} data-part="school">
            <p className="flex flex-wrap justify-between gap-x-3">
              <span>
                {school.name}
                {school.governs && <b className="head"> governs</b>}
              </span>
              <span className="figure">
                {school.asks}
                <span className={school.met ? 'text-soft' : 'text-limit'}> {school.met ? 'met' : 'not met'}</span>
              </span>
            </p>
            <div aria-hidden="true" className="relative mt-1 h-[14px]">
              <div className="absolute top-[6px] h-px w-full bg-rule" />
              <div className="absolute top-[4px] h-[4px] bg-ink" style={{ width: at(school.fromA) }} />
              <div
                className="absolute top-[4px] h-[4px] border-t-4 border-dotted border-soft"
                style={{ left: at(school.fromA), width: at(school.toA - school.fromA) }}
              />
              <div
                className="absolute top-0 h-[13px] w-[3px] bg-limit"
                style={{ left: at(view.strip.intermittentA) }}
              />
            </div>
          </li>
        ))}
      </ul>
      {view.standard && (
        <p className="mt-2">
          Next standard size <b className="figure">{view.standard}</b>
        </p>
      )}
      {view.supplies.length > 0 && (
        <table className="table mt-3 w-full">
          <caption className="mb-1 text-left text-13 text-soft">Own supplies</caption>
          <tbody>
            {view.supplies.map((one) => (
              <tr key={one.name}>
                <th scope="row" className={one.chosen ? 'head !text-ink' : ''}>
                  {one.name}
                </th>
                <td className="!pr-0 text-right text-13">
                  <span className={one.serves ? '' : 'text-soft'}>{one.says}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Sheet>
  );
}

function Modes({ view }: { view: PlanView }) {
  if (view.modes.length === 0) return null;
  return (
    <Sheet title={`What ${view.stair?.title ?? 'the set'} draws by mode, ${view.modes[0]?.peak} at its peak`}>
      <div className="overflow-x-auto">
        <table className="table w-full">
          <thead>
            <tr>
              <th scope="col">Mode</th>
              <th scope="col">Average</th>
              <th scope="col">Mean output</th>
              <th scope="col">From the wall</th>
              <th scope="col">Heat into the room</th>
            </tr>
          </thead>
          <tbody>
            {view.modes.map((one) => (
              <tr key={one.mode}>
                <th scope="row" className="!text-ink">
                  {one.mode}
                  <span className="block text-13 text-soft">{one.source}</span>
                </th>
                <td className="figure whitespace-nowrap">{one.average}</td>
                <td className="figure whitespace-nowrap">{one.output}</td>
                <td className="figure whitespace-nowrap">{one.wall}</td>
                <td className="figure whitespace-nowrap">{one.heat}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Sheet>
  );
}

function RunDown({ battery }: { battery: NonNullable<PlanView['battery']> }) {
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
              label={`Voltage at the set over ${battery.course.at(-1)?.hours.toFixed(1)} hours, on average and at the peak. ${battery.endLabel}`}
              xUnit="hours from full"
              yUnit="V at the set"
              height={210}
              limit={{ y: battery.endV, label: battery.endLabel }}
              lines={[
                { key: 'resting', points: resting, look: 'thin', label: 'at the average' },
                { key: 'peak', points: peak, look: 'main', label: 'at the peak' },
              ]}
            />
          )}
        </Sized>
      )}
      <Facts facts={battery.facts} />
    </Sheet>
  );
}

function Kinds({ view }: { view: PlanView }) {
  return (
    <Sheet title="Kinds of supply, by your wishes">
      <table className="table w-full">
        <tbody>
          {view.kinds.map((kind) => (
            <tr key={kind.code}>
              <th scope="row" className={kind.chosen ? 'head !text-ink' : ''}>
                {kind.name}
              </th>
              <td className="!pr-0 text-13">
                {kind.caution} <span className="text-soft">It {kind.givesUp}.</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Sheet>
  );
}
