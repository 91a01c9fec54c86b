import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, client, type ProfileRecord, type ProfileView, type SupplyRecordView } from '../../api';
import { FileButton, Refused, Sheet } from '../../parts';
import { Button, Cell, Heads, Input, Label, RowHead, Table } from '../../parts/ui';
import { Course, SaveDrawing, Sized } from '../../plot';
import { parseNumber } from '../../quantity';
import { say } from '../../words';
import { Measure } from './Measure';
import { Facts, useDrawing } from './Parts';
import { Shelf } from './SupplyPage';
import { U95 } from './spec';
import { useProfile, useSaveProfile } from './useSupplyRecords';

const LIVE_MS = 300;

/** The measuring of a set: the next reading, what is live, what was read and the profile that comes of it. */
export function ProfilePage({ records, kept }: { records: SupplyRecordView[]; kept: ProfileRecord }) {
  const run = kept.body;
  const [at, setAt] = useState('');
  const profile = useProfile(run, parseNumber(at));
  const live = useQuery({
    queryKey: ['supply', 'live'],
    queryFn: () => ask(client.GET('/api/supply/live')),
    refetchInterval: LIVE_MS,
  });
  const view = profile.data;
  return (
    <>
      <Shelf
        records={records}
        tools={
          <>
            <Bring kept={kept} />
            <a className="text-act underline" href={`/api/supply-records/${kept.id}/readings.csv`} download>
              CSV
            </a>
          </>
        }
      />
      <div className="mx-5 mt-3 mb-5 grid items-start gap-3.5 wide:grid-cols-main-broad">
        <div className="grid grid-cols-one gap-3.5">
          <Curve kept={kept} view={view} />
          <Readings kept={kept} view={view} />
          {view?.box !== undefined && <AtOutput text={at} onText={setAt} view={view} error={profile.error} />}
        </div>
        {view && <Measure key={kept.id} kept={kept} view={view} live={live.data} />}
      </div>
    </>
  );
}

interface AtOutputProps {
  text: string;
  onText: (text: string) => void;
  view: ProfileView;
  error: unknown;
}

/** What the set draws at any output. */
function AtOutput({ text, onText, view, error }: AtOutputProps) {
  return (
    <Sheet title={say('supply.atAnyOutput')}>
      <span className="flex items-center gap-2">
        <Label htmlFor="at-output">{say('supply.atW')}</Label>
        <Input
          id="at-output"
          number
          className="w-27.5"
          maxLength={20}
          aria-invalid={text !== '' && (parseNumber(text) === undefined || Boolean(error))}
          value={text}
          onChange={(event) => onText(event.target.value)}
        />
      </span>
      <Refused error={error} named />
      {text !== '' && view.at.length > 0 && (
        <div className="mt-2">
          <Facts facts={view.at} />
        </div>
      )}
    </Sheet>
  );
}

function Curve({ kept, view }: { kept: ProfileRecord; view: ProfileView | undefined }) {
  const drawing = useDrawing();
  const run = kept.body;
  const dots = run.keyed.map((one) => ({
    x: one.outputW,
    y: one.currentA,
    plusMinus: one.currentUncertaintyA / U95,
  }));
  const curve = view?.curve ?? [];
  const points = (predicted: boolean) =>
    curve.filter((one) => one.predicted === predicted).map((one) => ({ x: one.outputW, y: one.currentA }));
  return (
    <Sheet>
      <header className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-22">{kept.name}</h1>
        <p className="text-soft">
          {say('supply.onUpToW', { set: run.set, supply: run.supply, greatestW: run.greatestW })}
        </p>
        {curve.length > 0 && (
          <span className="ml-auto text-13">
            <SaveDrawing
              name={say('supply.profile', { kept: kept.name })}
              csv={() => [
                ['outputW', 'currentA', 'lowA', 'highA'],
                ...curve.map((one) => [one.outputW, one.currentA, one.lowA, one.highA].map(String)),
              ]}
              drawing={() => drawing.current}
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
                label={say('supply.currentOfOverItsOutput', { set: run.set })}
                xUnit={say('shared.outputWWithin')}
                yUnit={say('supply.currentAWithin')}
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
                          label: say('supply.beyondWhatWasRead'),
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
        <p className="py-8 text-soft">{say('supply.theCurveAppearsWithThe')}</p>
      )}
    </Sheet>
  );
}

function Readings({ kept, view }: { kept: ProfileRecord; view: ProfileView | undefined }) {
  const keep = useSaveProfile(kept);
  const run = kept.body;
  if (!view || view.rows.length === 0) return null;
  return (
    <Sheet title={say('supply.readSoFar')}>
      <Table caption={say('shared.readings')} quiet wide={say('shared.readings')}>
        <Heads
          of={[
            say('supply.when'),
            say('supply.current'),
            say('shared.voltage'),
            say('shared.efficiencyHead'),
            say('shared.heatWithin'),
            '',
          ]}
        />
        <tbody>
          {view.rows.map((row) => (
            <tr key={row.when}>
              <RowHead className="text-ink">{row.when}</RowHead>
              <Cell figure>{row.current}</Cell>
              <Cell figure>{row.voltage}</Cell>
              <Cell figure>{row.efficiency ?? '–'}</Cell>
              <Cell figure>{row.heat ?? '–'}</Cell>
              <Cell end className="noprint">
                {row.outputW !== undefined && (
                  <Button
                    kind="link"
                    className="text-13"
                    aria-label={say('supply.deleteWhen', { when: row.when })}
                    onClick={() =>
                      keep.mutate({
                        ...run,
                        keyed: run.keyed.filter((one) => one.outputW !== row.outputW),
                      })
                    }
                  >
                    {say('supply.deleteAlone')}
                  </Button>
                )}
              </Cell>
            </tr>
          ))}
        </tbody>
      </Table>
      <Refused error={keep.error} />
    </Sheet>
  );
}

/** Readings from a file, in place of those there are. */
function Bring({ kept }: { kept: ProfileRecord }) {
  const keep = useSaveProfile(kept);
  const bring = useMutation({
    mutationFn: async (file: File) =>
      ask(client.POST('/api/supply-records/readings', { body: { text: await file.text() } })),
    onSuccess: (read) => keep.mutate({ ...kept.body, listening: read.listening[0], keyed: read.keyed }),
  });
  return (
    <span className="flex flex-wrap items-center gap-2">
      <FileButton label={say('supply.bringReadingsInCSV')} accept=".csv,text/csv" onFile={bring.mutate} />
      <Refused error={bring.error ?? keep.error} named />
    </span>
  );
}
