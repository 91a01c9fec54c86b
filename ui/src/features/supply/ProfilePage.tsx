import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask, client, type LiveSupply, type PaperView, type ProfileView } from '../../api';
import { Button, FileButton, LimitBar, Refused, Sheet, useKeys, useNow } from '../../parts';
import type { Body } from '../../parts/form';
import { Course, Ring, Sized } from '../../plot';
import { benchMeters } from './benchMeters';
import { Facts, Saves, useDrawing } from './Parts';
import { Shelf } from './SupplyPage';
import { put, useKeep, useProfile } from './usePapers';

const LIVE_MS = 300;
const FIELDS = [
  ['output', 'OUTPUT', 'Output, W'],
  ['current', 'SUPPLY_CURRENT', 'Current, A'],
  ['voltage', 'SUPPLY_VOLTAGE', 'Voltage, V'],
] as const;
type Entry = Record<(typeof FIELDS)[number][0], string>;
const NOTHING: Entry = { output: '', current: '', voltage: '' };

/** The measuring of a set: the next reading, what is live, what was read and the profile that comes of it. */
export function ProfilePage({ papers, kept }: { papers: PaperView[]; kept: PaperView }) {
  const run = kept.body as Body;
  const profile = useProfile(run);
  const live = useQuery({
    queryKey: ['supply', 'live'],
    queryFn: () => ask(client.GET('/api/supply/live')),
    refetchInterval: LIVE_MS,
  });
  const view = profile.data;
  return (
    <>
      <Shelf
        papers={papers}
        tools={
          <>
            <Bring kept={kept} />
            <a className="text-act underline" href={`/api/papers/${kept.id}/readings.csv`} download>
              CSV
            </a>
          </>
        }
      />
      <div className="mx-5 mt-3 mb-5 grid items-start gap-[14px] wide:grid-cols-[minmax(0,1fr)_minmax(0,426px)]">
        <div className="grid grid-cols-[minmax(0,1fr)] gap-[14px]">
          <Curve kept={kept} view={view} />
          <Readings kept={kept} view={view} />
        </div>
        {view && <Measure key={kept.id} kept={kept} view={view} live={live.data} />}
      </div>
    </>
  );
}

interface MeasureProps {
  kept: PaperView;
  view: ProfileView;
  live: LiveSupply | undefined;
}

function Measure({ kept, view, live }: MeasureProps) {
  const queries = useQueryClient();
  const [entry, setEntry] = useState(NOTHING);
  const [ownKeyedAt, setOwnKeyedAt] = useState<number>();
  const [last, setLast] = useState<Body>();
  const first = useRef<HTMLInputElement>(null);
  const keep = useKeep('PROFILE', kept);
  const onBench = live?.benchThere ?? false;
  const keyed = onBench ? (live?.keyed ?? false) : ownKeyedAt !== undefined;
  const now = useNow(200, keyed);
  const downS = keyed && ownKeyedAt !== undefined ? Math.max(0, (now - ownKeyedAt) / 1000) : 0;
  const listening = view.code === 'Listen';
  const { aimS, stopS } = live ?? { aimS: Number.POSITIVE_INFINITY, stopS: Number.POSITIVE_INFINITY };

  const bench = useMutation({
    mutationFn: (body: { keyed?: boolean; powerW?: number; supply?: string }) =>
      ask(client.POST('/api/supply/bench', { body })),
    onSettled: () => queries.invalidateQueries({ queryKey: ['supply', 'live'] }),
  });
  const record = useMutation({
    mutationFn: () =>
      ask(
        client.POST('/api/supply/profiles/{id}/readings', {
          params: { path: { id: kept.id }, query: { revision: kept.revision } },
          body: { ...entry, keyed: !listening },
        }),
      ),
    onSuccess: (paper) => {
      setLast(kept.body as Body);
      setEntry(NOTHING);
      put(queries, paper);
    },
  });

  const key = (down: boolean) => {
    setOwnKeyedAt(down ? Date.now() : undefined);
    if (!onBench) return;
    const supply = (kept.body as Body).supply as string;
    bench.mutate(
      down
        ? { keyed: true, supply, powerW: Math.max(0.1, view.nextW ?? (kept.body as Body).greatestW) }
        : { keyed: false },
    );
  };
  const take = () => {
    const shown = (role: string) => live?.figures.find((one) => one.role === role)?.shown;
    setEntry((before) => {
      const next = { ...before };
      for (const [field, role] of FIELDS) {
        const figure = shown(role);
        if (figure && !(field === 'output' && listening)) next[field] = figure;
      }
      return next;
    });
  };
  const undo = () => last && keep.mutate(last, { onSuccess: () => setLast(undefined) });
  const enter = () => !record.isPending && record.mutate();
  const stops = view.code === 'Stop';
  useKeys({
    Space: () => !stops && !listening && key(!keyed),
    r: take,
    e: () => first.current?.focus(),
    Enter: enter,
    z: undo,
  });
  // The key goes up by itself when the time is out.
  useEffect(() => {
    if (downS > stopS) key(false);
  });
  const addMeters = useMutation({
    mutationFn: async (records: Body[]) => {
      for (const body of records) await ask(client.POST('/api/equipment', { body }));
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ['equipment'] }),
  });
  const missing = live && onBench ? benchMeters(live) : [];
  const sources = live?.figures ?? [];
  const rows = FIELDS.filter(([field]) => !(listening && field === 'output'));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-[14px]">
      <section
        aria-label="Next reading"
        className={`sheet border-l-4 px-4 py-[14px] ${stops ? 'border-l-limit' : 'border-l-act'}`}
      >
        <h2 className="text-14 text-soft">Next reading</h2>
        <p className={`head flex items-center gap-2 text-27 leading-tight ${stops ? 'text-limit' : ''}`}>
          {stops && <LimitBar />}
          {view.title}
        </p>
        <p className="mt-1 text-soft">{view.why}</p>
        <form
          className="mt-3 grid gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            enter();
          }}
        >
          {rows.map(([field, role, label], index) => (
            <label key={field} className="grid grid-cols-[110px_120px_1fr] items-center gap-x-3 text-soft">
              {label}
              <input
                ref={index === 0 ? first : undefined}
                className="field figure text-ink"
                inputMode="decimal"
                autoComplete="off"
                maxLength={20}
                aria-invalid={isProblem(record.error, field)}
                value={entry[field]}
                onChange={(event) => setEntry({ ...entry, [field]: event.target.value })}
                onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
              />
              <LiveShown figure={sources.find((one) => one.role === role)} />
            </label>
          ))}
          <Refused error={record.error ?? bench.error ?? keep.error} named />
          <div className="mt-1 flex flex-wrap items-center gap-2">
            {!listening && !stops && (
              <Button kind={keyed ? 'main' : 'plain'} hotkey="Space" onClick={() => key(!keyed)}>
                {keyed ? 'Key up' : onBench ? 'Key down' : 'Start the clock'}
              </Button>
            )}
            {sources.length > 0 && (
              <Button hotkey="R" onClick={take}>
                Take readings
              </Button>
            )}
            <Button kind="main" type="submit" hotkey="Enter" disabled={record.isPending}>
              Record
            </Button>
            {last && (
              <Button kind="quiet" hotkey="Z" onClick={undo}>
                Undo
              </Button>
            )}
          </div>
        </form>
      </section>
      <Sheet part="clock">
        <div className="flex items-center gap-5">
          <Ring share={downS / aimS} label={keyed ? `${Math.floor(downS)}\u2009s` : '–'} beyond={downS > aimS} />
          <div className="text-soft">
            <h2 className={`text-18 ${downS > aimS ? 'text-limit' : 'text-ink'}`}>
              {downS > aimS ? 'Key up' : keyed ? 'Key down' : 'Key up'}
            </h2>
            <p>{live && `${aimS} s aimed for, ${stopS} s at most. `}Rest as long before the next.</p>
            {missing.length > 0 && (
              <p className="mt-1">
                <Button disabled={addMeters.isPending} onClick={() => addMeters.mutate(missing)}>
                  Read the bench's meters
                </Button>
              </p>
            )}
            <Refused error={addMeters.error} />
            {onBench && <p>Simulated bench, {(live?.exciterW ?? 0).toFixed(1)} W set; its amplifier stands by.</p>}
          </div>
        </div>
      </Sheet>
      {view.facts.length > 0 && (
        <Sheet title="What follows">
          <Facts facts={view.facts} />
        </Sheet>
      )}
    </div>
  );
}

const isProblem = (error: unknown, field: string) =>
  typeof error === 'object' && error !== null && 'problems' in error
    ? (error.problems as { field: string }[]).some((one) => one.field === field)
    : false;

function LiveShown({ figure }: { figure: LiveSupply['figures'][number] | undefined }) {
  if (!figure) return <span />;
  const well = figure.health === 'OK' || figure.health === 'SLOW';
  return (
    <span className={well ? 'text-13' : 'text-13 text-watch'}>
      <span className="figure text-ink">{well ? figure.shown : figure.says}</span> {figure.meter}
    </span>
  );
}

function Curve({ kept, view }: { kept: PaperView; view: ProfileView | undefined }) {
  const drawing = useDrawing();
  const run = kept.body as Body;
  const dots = (run.keyed as Body[]).map((one) => ({
    x: one.outputW,
    y: one.currentA,
    plusMinus: one.currentUncertaintyA,
  }));
  const curve = view?.curve ?? [];
  const points = (predicted: boolean) =>
    curve.filter((one) => one.predicted === predicted).map((one) => ({ x: one.outputW, y: one.currentA }));
  return (
    <Sheet>
      <header className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-22">{kept.name}</h1>
        <p className="text-soft">
          {run.set} on {run.supply}, up to {run.greatestW} W
        </p>
        {curve.length > 0 && (
          <span className="ml-auto text-13">
            <Saves
              drawing={drawing}
              name={`${kept.name} profile`}
              rows={[
                ['output, W', 'current, A', 'low', 'high'],
                ...curve.map((one) => [one.outputW, one.currentA, one.lowA, one.highA].map(String)),
              ]}
            />
          </span>
        )}
      </header>
      {curve.length > 0 ? (
        <>
          <Sized>
            {(width) => (
              <Course
                width={width}
                label={`Current of ${run.set} over its output`}
                xUnit="output, W"
                yUnit="current, A"
                drawing={drawing}
                dots={dots}
                band={curve.map((one) => ({ x: one.outputW, low: one.lowA, high: one.highA }))}
                lines={[
                  { key: 'measured', points: points(false), look: 'main' },
                  ...(points(true).length > 0
                    ? [
                        {
                          key: 'beyond',
                          points: points(true),
                          look: 'predicted' as const,
                          label: 'beyond what was read',
                        },
                      ]
                    : []),
                ]}
              />
            )}
          </Sized>
          {view?.law && <p className="figure text-13 text-soft">{view.law}</p>}
        </>
      ) : (
        <p className="py-8 text-soft">The curve appears with the second output that is read.</p>
      )}
    </Sheet>
  );
}

function Readings({ kept, view }: { kept: PaperView; view: ProfileView | undefined }) {
  const keep = useKeep('PROFILE', kept);
  const run = kept.body as Body;
  if (!view || view.rows.length === 0) return null;
  return (
    <Sheet title="Read so far">
      <div className="overflow-x-auto">
        <table className="table w-full">
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">Current</th>
              <th scope="col">Voltage</th>
              <th scope="col">Efficiency</th>
              <th scope="col">Heat</th>
              <td className="noprint" />
            </tr>
          </thead>
          <tbody>
            {view.rows.map((row) => (
              <tr key={row.when}>
                <th scope="row" className="!text-ink">
                  {row.when}
                </th>
                <td className="figure">{row.current}</td>
                <td className="figure">{row.voltage}</td>
                <td className="figure">{row.efficiency ?? '–'}</td>
                <td className="figure">{row.heat ?? '–'}</td>
                <td className="noprint !pr-0 text-right">
                  {row.outputW !== undefined && (
                    <button
                      type="button"
                      className="min-h-[24px] text-13 text-act underline"
                      aria-label={`Take away: ${row.when}`}
                      onClick={() =>
                        keep.mutate({
                          ...run,
                          keyed: (run.keyed as Body[]).filter((one) => one.outputW !== row.outputW),
                        })
                      }
                    >
                      take away
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Refused error={keep.error} />
    </Sheet>
  );
}

/** Readings from a file, in place of those there are. */
function Bring({ kept }: { kept: PaperView }) {
  const keep = useKeep('PROFILE', kept);
  const bring = useMutation({
    mutationFn: async (file: File) => ask(client.POST('/api/papers/readings', { body: { text: await file.text() } })),
    onSuccess: (read) => keep.mutate({ ...(kept.body as Body), listening: read.listening[0], keyed: read.keyed }),
  });
  return (
    <span className="flex flex-wrap items-center gap-2">
      <FileButton label="Bring readings in, CSV" accept=".csv,text/csv" onFile={bring.mutate} />
      <Refused error={bring.error ?? keep.error} named />
    </span>
  );
}
