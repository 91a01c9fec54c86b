import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import {
  ask,
  client,
  type Equipment,
  type LiveSupply,
  type ProfileRecord,
  type ProfileRun,
  type ProfileView,
} from '../../api';
import { isRefused, LimitBar, Refused, Sheet, useKeys, useKeyUp, useNow } from '../../parts';
import { Button, Input, Label } from '../../parts/ui';
import { Ring } from '../../plot';
import { fixed } from '../../quantity';
import { say } from '../../words';
import { benchMeters } from './benchMeters';
import { Facts } from './Parts';
import { put, useSaveProfile } from './useSupplyRecords';

const FIELDS = [
  ['output', 'OUTPUT', say('shared.outputW')],
  ['current', 'SUPPLY_CURRENT', say('supply.currentA')],
  ['voltage', 'SUPPLY_VOLTAGE', say('supply.voltageV')],
] as const;
type Entry = Record<(typeof FIELDS)[number][0], string>;
const NOTHING: Entry = { output: '', current: '', voltage: '' };

interface MeasureProps {
  kept: ProfileRecord;
  view: ProfileView;
  live: LiveSupply | undefined;
}

/** The next reading: what to do, what is typed or live, and the pace of the key. */
export function Measure({ kept, view, live }: MeasureProps) {
  const queries = useQueryClient();
  const [entry, setEntry] = useState(NOTHING);
  const [ownKeyedAt, setOwnKeyedAt] = useState<number>();
  const [last, setLast] = useState<ProfileRun>();
  const first = useRef<HTMLInputElement>(null);
  const keep = useSaveProfile(kept);
  const onBench = live?.benchThere ?? false;
  const keyed = onBench ? (live?.keyed ?? false) : ownKeyedAt !== undefined;
  const now = useNow(200, keyed);
  const downS = keyed && ownKeyedAt !== undefined ? Math.max(0, (now - ownKeyedAt) / 1000) : 0;
  const listening = view.code === 'LISTEN';
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
    onSuccess: (record) => {
      setLast(kept.body);
      setEntry(NOTHING);
      put(queries, record);
    },
  });

  const key = (down: boolean) => {
    setOwnKeyedAt(down ? Date.now() : undefined);
    if (!onBench) return;
    const { supply, greatestW } = kept.body;
    bench.mutate(down ? { keyed: true, supply, powerW: Math.max(0.1, view.nextW ?? greatestW) } : { keyed: false });
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
  const stops = view.code === 'STOP';
  useKeyUp(keyed, onBench, () => key(false));
  useKeys({
    Space: () => !stops && !listening && key(true),
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
    mutationFn: async (records: Equipment[]) => {
      for (const body of records) await ask(client.POST('/api/equipment', { body }));
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ['equipment'] }),
  });
  const missing = live && onBench ? benchMeters(live) : [];
  const sources = live?.figures ?? [];
  const rows = FIELDS.filter(([field]) => !(listening && field === 'output'));
  return (
    <div className="grid grid-cols-one gap-3.5">
      <section
        aria-label={say('supply.nextReading')}
        className={`sheet border-l-4 px-4 py-3.5 ${stops ? 'border-l-limit' : 'border-l-act'}`}
      >
        <h2 className="text-14 text-soft">{say('supply.nextReading')}</h2>
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
            <span key={field} className="grid grid-cols-entry items-center gap-x-3">
              <Label htmlFor={`measured-${field}`}>{label}</Label>
              <Input
                id={`measured-${field}`}
                ref={index === 0 ? first : undefined}
                number
                maxLength={20}
                aria-invalid={isRefused(record.error, field)}
                value={entry[field]}
                onChange={(event) => setEntry({ ...entry, [field]: event.target.value })}
                onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
              />
              <LiveShown figure={sources.find((one) => one.role === role)} />
            </span>
          ))}
          <Refused error={record.error ?? bench.error ?? keep.error} named />
          <div className="mt-1 flex flex-wrap items-center gap-2">
            {!listening && !stops && (
              <Button kind={keyed ? 'main' : 'plain'} hotkey="Space" onClick={() => key(!keyed)}>
                {keyed ? say('shared.keyUp') : onBench ? say('shared.keyDown') : say('supply.startTheClock')}
              </Button>
            )}
            {sources.length > 0 && (
              <Button hotkey="R" onClick={take}>
                {say('shared.takeReadings')}
              </Button>
            )}
            <Button kind="main" type="submit" hotkey="Enter" disabled={record.isPending}>
              {say('supply.record')}
            </Button>
            {last && (
              <Button kind="quiet" hotkey="Z" onClick={undo}>
                {say('supply.undo')}
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
              {downS > aimS ? say('shared.keyUp') : keyed ? say('shared.keyDown') : say('shared.keyUp')}
            </h2>
            <p>{say('supply.restAsLongBeforeThe', { most: live && say('supply.sAimedForSAt', { aimS, stopS }) })}</p>
            {missing.length > 0 && (
              <p className="mt-1">
                <Button disabled={addMeters.isPending} onClick={() => addMeters.mutate(missing)}>
                  {say('supply.readTheBenchsMeters')}
                </Button>
              </p>
            )}
            <Refused error={addMeters.error} />
            {onBench && <p>{say('supply.simulatedBenchWSetIts', { exciterW: fixed(live?.exciterW ?? 0, 1) })}</p>}
          </div>
        </div>
      </Sheet>
      {view.facts.length > 0 && (
        <Sheet title={say('shared.whatFollows')}>
          <Facts facts={view.facts} />
        </Sheet>
      )}
    </div>
  );
}

function LiveShown({ figure }: { figure: LiveSupply['figures'][number] | undefined }) {
  if (!figure) return <span />;
  const well = figure.health === 'OK' || figure.health === 'SLOW';
  return (
    <span data-part="bench-reading" className={well ? 'text-13' : 'text-13 text-watch'}>
      <span className="figure text-ink">{well ? figure.shown : figure.says}</span> {figure.meter}
    </span>
  );
}
