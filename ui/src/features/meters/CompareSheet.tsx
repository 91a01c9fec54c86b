import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { ask, type CompareView, client, type RangeChoice, type RunView } from '../../api';
import { Diamond, isRefused, Refused, Sheet } from '../../parts';
import { Button, Cell, Check, Head, Heads, Input, Pick, Table, TextField } from '../../parts/ui';
import { say } from '../../words';

interface Point {
  reference: string;
  readings: string[];
}

const KINDS = [
  ['heat', say('meters.aLoadThatMeasuresBy')],
  ['volts', say('meters.voltsAcrossAMeasuredLoad')],
  ['meter', say('meters.aMeterITrust')],
] as const;

const FRESH: Point = { reference: '', readings: [] };

/** Returns what two wattmeters in one line were read at in a run; nothing where none was handed over, or the meter is no longer there. */
function begun(ranges: RangeChoice[], read: RunView['wattmeters']) {
  const compared = read?.comparison;
  const index = ranges.findIndex(
    (one) => one.meter === read?.second && one.range === compared?.range && one.indication === compared.indication,
  );
  if (!read || !compared || index < 0) return undefined;
  const points = compared.points.map(({ reference, reading }) => ({ reference, readings: [reading] }));
  return { index, name: read.first, percent: compared.percent, points };
}

/** The comparison run: one carrier at several powers, read by a reference and by any number of meters. */
export function CompareSheet({ ranges }: { ranges: RangeChoice[] }) {
  const queries = useQueryClient();
  const read = useLocation().state as RunView['wattmeters'];
  const known = begun(ranges, read ?? undefined);
  const [kind, setKind] = useState<(typeof KINDS)[number][0]>(known ? 'meter' : 'heat');
  const [name, setName] = useState(known?.name ?? '');
  const [percent, setPercent] = useState(known?.percent ?? '2');
  const [ohm, setOhm] = useState('');
  const [chosen, setChosen] = useState<number[]>([known?.index ?? 0]);
  const [points, setPoints] = useState<Point[]>(known?.points ?? [FRESH, FRESH, FRESH, FRESH]);
  const compare = useMutation({
    mutationFn: (keep: boolean) =>
      ask(
        client.POST('/api/meters/compare', {
          body: {
            reference: name,
            referencePercent: kind === 'volts' ? undefined : percent,
            ohm: kind === 'volts' ? ohm : undefined,
            meters: chosen.flatMap((index) => {
              const range = ranges[index];
              return range ? [{ meterId: range.meterId, range: range.range, indication: range.indication }] : [];
            }),
            points: points
              .filter((point) => point.reference.trim() !== '')
              .map((point) => ({
                reference: point.reference,
                readings: chosen.map((_, column) => point.readings[column] ?? ''),
              })),
            keep,
          },
        }),
      ),
    onSuccess: (view) => {
      if (!view.kept) return;
      for (const queryKey of [['meters'], ['equipment'], ['choices']]) void queries.invalidateQueries({ queryKey });
    },
  });
  const set = (row: number, change: (point: Point) => Point) => {
    compare.reset();
    setPoints(points.map((point, index) => (index === row ? change(point) : point)));
  };
  const cell = (label: string, field: string, value: string, onChange: (text: string) => void) => (
    <Input
      number
      aria-label={label}
      aria-invalid={isRefused(compare.error, field)}
      className="w-full"
      maxLength={24}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  );
  return (
    <Sheet title={say('meters.compareMetersWithAReference')} accent part="compare">
      <p className="text-18">
        <span className="head">{say('meters.theSameCarrierAtFour')}</span>{' '}
        <span className="text-14 text-soft">{say('meters.fromLowToFullA')}</span>
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <Pick
          label={say('meters.theReferenceIs')}
          value={kind}
          onPick={(code) => setKind(code as typeof kind)}
          options={KINDS}
        />
        <TextField
          label={say('meters.called')}
          value={name}
          onChange={setName}
          className="w-42.5"
          invalid={isRefused(compare.error, 'reference')}
        />
        {kind === 'volts' ? (
          <TextField
            label={say('meters.loadAsMeasured')}
            value={ohm}
            onChange={setOhm}
            className="w-22.5"
            invalid={isRefused(compare.error, 'ohm')}
          />
        ) : (
          <TextField
            label={say('meters.rightWithin')}
            value={percent}
            onChange={setPercent}
            className="w-22.5"
            invalid={isRefused(compare.error, 'referencePercent')}
          />
        )}
      </div>
      <fieldset className="mt-3 flex flex-wrap gap-x-4 gap-y-1">
        <legend className="mb-1 text-13 text-soft">{say('meters.metersEachOnTheRange')}</legend>
        {ranges.map((range, index) => (
          <Check
            key={range.meter + range.name}
            checked={chosen.includes(index)}
            onCheck={(on) => {
              compare.reset();
              setChosen(on ? [...chosen, index].sort((a, b) => a - b) : chosen.filter((one) => one !== index));
            }}
          >
            {range.meter}, {range.name}
            {range.compared && (
              <span className="text-13 text-soft"> {say('meters.compared', { compared: range.compared })}</span>
            )}
          </Check>
        ))}
      </fieldset>
      <Table caption={say('meters.powersAndWhatWasRead')} quiet tight className="mt-3 max-w-180">
        <thead>
          <tr>
            <Head className="pr-2">
              {say('meters.reference', { as: kind === 'volts' ? say('meters.as424VppOr150') : 'W' })}
            </Head>
            {chosen.map((index) => (
              <Head key={index} className="pr-2">
                {ranges[index]?.meter}, W
              </Head>
            ))}
          </tr>
        </thead>
        <tbody>
          {points.map((point, row) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a point is its row
            <tr key={row}>
              <Cell className="pr-2">
                {cell(
                  say('meters.referencePoint', { row: row + 1 }),
                  `points.${row}.reference`,
                  point.reference,
                  (reference) => set(row, (one) => ({ ...one, reference })),
                )}
              </Cell>
              {chosen.map((index, column) => (
                <Cell key={index} className="pr-2">
                  {cell(
                    say('meters.point', { meter: ranges[index]?.meter, row: row + 1 }),
                    `points.${row}.readings.${column}`,
                    point.readings[column] ?? '',
                    (text) =>
                      set(row, (one) => {
                        const readings = chosen.map((_, at) => one.readings[at] ?? '');
                        readings[column] = text;
                        return { ...one, readings };
                      }),
                  )}
                </Cell>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button kind="main" onClick={() => compare.mutate(false)} disabled={compare.isPending || chosen.length === 0}>
          {say('shared.compare')}
        </Button>
        <Button onClick={() => setPoints([...points, FRESH])}>{say('meters.oneMorePower')}</Button>
        {compare.data && !compare.data.kept && (
          <Button onClick={() => compare.mutate(true)} disabled={compare.isPending}>
            {say('meters.applyFromNowOn')}
          </Button>
        )}
        {compare.data?.kept && <span role="status">{say('meters.appliedFromNowOnReadings')}</span>}
      </div>
      <Refused error={compare.error} named />
      {compare.data?.found.map((found) => (
        <Found key={found.meter + found.range} found={found} />
      ))}
    </Sheet>
  );
}

function Found({ found }: { found: CompareView['found'][number] }) {
  return (
    <div className="mt-4 border-t border-rule pt-3" data-part="found">
      <p className="text-18">
        <span className="head">
          {found.meter}, {found.range}:
        </span>{' '}
        {found.says}
      </p>
      {found.lowEnd && <p>{found.lowEnd}</p>}
      <p className={`flex items-center gap-2 ${found.believable ? 'text-soft' : 'text-watch'}`}>
        {!found.believable && <Diamond />}
        {found.fit}
      </p>
      <Table caption={say('meters.whatIsLeftOverOf', { meter: found.meter })} quiet tight className="mt-2 max-w-140">
        <Heads
          of={[say('meters.referenceW'), say('meters.asReadW'), say('meters.correctedW'), say('meters.leftOverW')]}
          end
        />
        <tbody>
          {found.rows.map((row) => (
            <tr key={row.reference + row.raw}>
              {[row.reference, row.raw, row.corrected, row.off].map((shown, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its heading
                <Cell key={index} figure end className="pr-3">
                  {shown}
                </Cell>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}
