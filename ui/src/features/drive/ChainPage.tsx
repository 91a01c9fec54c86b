import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { ask, type ChainRequest, client } from '../../api';
import { Diamond, isRefused, LimitBar, Refused, Sheet } from '../../parts';
import {
  Button,
  Cell,
  Heads,
  Input,
  Pick,
  RowHead,
  ScrollArea,
  Select,
  Skeleton,
  Table,
  TextField,
} from '../../parts/ui';
import { ChainStair, SaveDrawing, Sized } from '../../plot';
import { ChainStart } from './ChainStart';
import { DriveTabs } from './DriveTabs';
import { Pads } from './Pads';
import { useLast } from './useLast';
import { useTyped } from './useStart';

const LEAST_PLACE_PX = 104;
const MOST_PARTS = 12;

type Part = ChainRequest['parts'][number];

const GIVEN: readonly (readonly [ChainRequest['given'], string, string])[] = [
  ['PEAK_TO_PEAK_OPEN', 'volts peak to peak, open', 'V'],
  ['PEAK_TO_PEAK_INTO_LOAD', 'volts peak to peak into 50 Ω', 'V'],
  ['RMS_OPEN', 'volts RMS, open', 'V'],
  ['RMS_INTO_LOAD', 'volts RMS into 50 Ω', 'V'],
  ['DBM', 'dBm', 'dBm'],
  ['WATT', 'watts', 'W'],
];

const KINDS: readonly (readonly [Part['kind'], string])[] = [
  ['PAD', 'pad'],
  ['LINE', 'line or filter'],
  ['STAGE', 'stage'],
];

const USUAL: ChainRequest = {
  given: 'PEAK_TO_PEAK_INTO_LOAD',
  value: '5',
  open: '0.4',
  parts: [
    { name: 'Driver', kind: 'STAGE', decibels: '20', open: '0.5', compression: '5', most: '0.1' },
    { name: 'Pad', kind: 'PAD', decibels: '3', open: '0.2', compression: '', most: '5' },
    { name: 'Final', kind: 'STAGE', decibels: '14', open: '0.5', compression: '80', most: '5' },
    { name: 'Filter', kind: 'LINE', decibels: '0.3', open: '0.1', compression: '', most: '' },
  ],
  wanted: '20',
};

const NEXT: Part = { name: 'Pad', kind: 'PAD', decibels: '3', open: '0.3', compression: '', most: '' };

/** What the fields are called on the form. */
const NAMES: Record<string, string> = { value: 'Its output', open: '±', wanted: 'Wanted' };

const OF_PART = {
  name: 'name',
  decibels: 'takes or gives',
  open: '±',
  compression: '1 dB compressed at',
  most: 'may be fed with',
};

const namesOf = (parts: Part[]): Record<string, string> =>
  Object.assign(
    {},
    NAMES,
    ...parts.flatMap((part, place) =>
      Object.entries(OF_PART).map(([key, name]) => ({ [`parts.${place}.${key}`]: `${part.name}, ${name}` })),
    ),
  );

const HEADS = ['attenuator, dB', 'into the first stage', 'peak to peak', 'output', 'of it, peak to peak'];
const BY_HAND = ['gate RF, V', 'gate DC, V', 'supply, A'];

/** Levels from a generator to the load, how it is driven up, and pads. */
export function ChainPage() {
  const [typed, keep] = useTyped<ChainRequest>('tubrin.chain');
  const drawing = useRef<SVGSVGElement>(null);
  const entry = { ...USUAL, ...typed };
  const change = (more: Partial<ChainRequest>) => keep({ ...entry, ...more });
  const chain = useQuery({
    queryKey: ['drive', 'chain', entry],
    queryFn: () => ask(client.POST('/api/drive/chain', { body: entry })),
    placeholderData: (before) => before,
    retry: false,
  });
  useEffect(() => {
    document.title = 'Chain · Tubrin';
  }, []);
  const view = useLast(chain.data);
  const unit = GIVEN.find(([code]) => code === entry.given)?.[2] ?? '';
  const refused = (field: string) => isRefused(chain.error, field);
  return (
    <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side">
      <section aria-label="Chain" className="sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
        <header className="flex flex-wrap items-baseline gap-x-3">
          <h1 className="text-22">From generator to load</h1>
          <SaveDrawing name="chain" drawing={() => drawing.current} />
          <DriveTabs />
        </header>
        {view ? (
          <Sized>
            {(room) => {
              const places = [view.generator, ...view.nodes];
              const width = Math.max(room, places.length * LEAST_PLACE_PX + 58);
              return (
                <ScrollArea label="Levels of the chain">
                  <ChainStair drawing={drawing} places={places} width={width} />
                </ScrollArea>
              );
            }}
          </Sized>
        ) : (
          !chain.error && <Skeleton what="the chain" />
        )}
        <p className="text-13 text-soft">
          All in 50 Ω. Levels as the generator stands, without an attenuator; heavy tick: more may not be fed in there.
          ± is half of the 95 % interval.
        </p>
        <Refused error={chain.error} named={namesOf(entry.parts)} />
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2 border-t border-hair pt-2.5">
          <Pick
            label="Generator shows"
            value={entry.given}
            onPick={(given) => change({ given: given as ChainRequest['given'] })}
            options={GIVEN.map(([code, name]) => [code, name] as const)}
          />
          <TextField
            label={`Its output, ${unit}`}
            number
            className="w-24"
            value={entry.value}
            invalid={refused('value')}
            onChange={(value) => change({ value })}
          />
          <TextField
            label="±, dB"
            number
            className="w-16"
            value={entry.open}
            invalid={refused('open')}
            onChange={(open) => change({ open })}
          />
          <TextField
            label="Wanted, W"
            number
            className="w-24"
            value={entry.wanted}
            invalid={refused('wanted')}
            onChange={(wanted) => change({ wanted })}
          />
        </div>
        <Parts parts={entry.parts} refused={refused} onChange={(parts) => change({ parts })} />
      </section>
      <div className="grid grid-cols-one gap-3.5">
        {view && (
          <Sheet title="Next move" accent>
            <p className="head text-27 leading-head">{view.title}</p>
            <p className="mt-2 text-soft">{view.says}</p>
            {view.beyond.map((one) => (
              <p key={one} className="mt-2 flex items-baseline gap-2">
                <LimitBar />
                <span>{one}</span>
              </p>
            ))}
            {entry.given.endsWith('OPEN') ? (
              <p className="mt-2 flex items-baseline gap-2">
                <Diamond />
                <span>Volts shown open: into 50 Ω they are half, the power a quarter.</span>
              </p>
            ) : null}
          </Sheet>
        )}
        {view && <ChainStart chain={entry} named={namesOf(entry.parts)} />}
        <Pads />
      </div>
      {view && (
        <Sheet className="wide:col-span-2" title="The way up, to write down beside it">
          <Table caption="The way up" quiet wide="The way up">
            <Heads of={[...HEADS, ...BY_HAND]} />
            <tbody>
              {view.settings.map((one) => (
                <tr key={one.attenuation}>
                  <RowHead className="figure">{one.attenuation}</RowHead>
                  <Cell figure>{one.input}</Cell>
                  <Cell figure>{one.volts}</Cell>
                  <Cell figure>{one.output}</Cell>
                  <Cell figure>{one.outputVolts}</Cell>
                  {BY_HAND.map((head) => (
                    <Cell key={head} className="min-w-16 border-l border-hair" />
                  ))}
                </tr>
              ))}
            </tbody>
          </Table>
          <p className="mt-2 text-13 text-soft">
            Dummy load on, supply limited, idle current set. The gate's DC volts stay where they are; where they move
            with drive, stop: the bias feed lets RF in. Supply current rises with the root of the output.
          </p>
        </Sheet>
      )}
    </div>
  );
}

interface PartsProps {
  parts: Part[];
  refused: (field: string) => boolean;
  onChange: (parts: Part[]) => void;
}

/** The parts from the generator to the load, one a row. */
function Parts({ parts, refused, onChange }: PartsProps) {
  const set = (place: number, more: Partial<Part>) =>
    onChange(parts.map((one, index) => (index === place ? { ...one, ...more } : one)));
  return (
    <div className="grid grid-cols-one gap-2">
      <Table caption="Parts" quiet tight wide="Parts of the chain">
        <Heads
          of={['name', 'what', 'takes or gives, dB', '±, dB', '1 dB compressed at, W', 'may be fed with, W', '']}
        />
        <tbody>
          {parts.map((part, place) => {
            const field = (
              key: 'name' | 'decibels' | 'open' | 'compression' | 'most',
              label: string,
              width: string,
            ) => (
              <Input
                number={key !== 'name'}
                className={width}
                aria-label={`${label} of part ${place + 1}`}
                value={part[key] ?? ''}
                aria-invalid={refused(`parts.${place}.${key}`)}
                maxLength={key === 'name' ? 40 : 10}
                onChange={(event) => set(place, { [key]: event.target.value })}
              />
            );
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place.
              <tr key={place}>
                <Cell>{field('name', 'Name', 'w-32')}</Cell>
                <Cell>
                  <Select
                    aria-label={`Kind of part ${place + 1}`}
                    value={part.kind}
                    onPick={(kind) => set(place, { kind: kind as Part['kind'] })}
                    options={KINDS}
                  />
                </Cell>
                <Cell>{field('decibels', 'Decibels', 'w-19')}</Cell>
                <Cell>{field('open', 'Plus or minus', 'w-16')}</Cell>
                <Cell>{part.kind === 'STAGE' ? field('compression', 'Compression', 'w-19') : null}</Cell>
                <Cell>{field('most', 'Most input', 'w-19')}</Cell>
                <Cell>
                  {parts.length > 1 && (
                    <Button
                      kind="link"
                      aria-label={`Delete part ${place + 1}, ${part.name}`}
                      onClick={() => onChange(parts.filter((_, index) => index !== place))}
                    >
                      Delete
                    </Button>
                  )}
                </Cell>
              </tr>
            );
          })}
        </tbody>
      </Table>
      {parts.length < MOST_PARTS && (
        <Button className="justify-self-start" onClick={() => onChange([...parts, NEXT])}>
          Add a part
        </Button>
      )}
    </div>
  );
}
