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
import { say } from '../../words';
import { ChainStart } from './ChainStart';
import { DriveTabs } from './DriveTabs';
import { Pads } from './Pads';
import { useLast } from './useLast';
import { useTyped } from './useStart';

const LEAST_PLACE_PX = 104;
const MOST_PARTS = 12;

type Part = ChainRequest['parts'][number];

const GIVEN: readonly (readonly [ChainRequest['given'], string, string])[] = [
  ['PEAK_TO_PEAK_OPEN', say('drive.voltsPeakToPeakOpen'), 'V'],
  ['PEAK_TO_PEAK_INTO_LOAD', say('drive.voltsPeakToPeakInto'), 'V'],
  ['RMS_OPEN', say('drive.voltsRMSOpen'), 'V'],
  ['RMS_INTO_LOAD', say('drive.voltsRMSInto50'), 'V'],
  ['DBM', 'dBm', 'dBm'],
  ['WATT', say('drive.watts'), 'W'],
];

const KINDS: readonly (readonly [Part['kind'], string])[] = [
  ['PAD', say('drive.pad')],
  ['LINE', say('drive.lineOrFilter')],
  ['STAGE', say('drive.stage')],
];

const USUAL: ChainRequest = {
  given: 'PEAK_TO_PEAK_INTO_LOAD',
  value: '5',
  open: '0.4',
  parts: [
    { name: say('drive.driver'), kind: 'STAGE', decibels: '20', open: '0.5', compression: '5', most: '0.1' },
    { name: say('shared.pad'), kind: 'PAD', decibels: '3', open: '0.2', compression: '', most: '5' },
    { name: say('drive.final'), kind: 'STAGE', decibels: '14', open: '0.5', compression: '80', most: '5' },
    { name: say('drive.filter'), kind: 'LINE', decibels: '0.3', open: '0.1', compression: '', most: '' },
  ],
  wanted: '20',
};

const NEXT: Part = { name: say('shared.pad'), kind: 'PAD', decibels: '3', open: '0.3', compression: '', most: '' };

/** What the fields are called on the form. */
const NAMES: Record<string, string> = { value: say('drive.itsOutput'), open: '±', wanted: say('shared.wanted') };

const OF_PART = {
  name: 'name',
  decibels: say('drive.takesOrGives'),
  open: '±',
  compression: say('drive.1DBCompressedAt'),
  most: say('drive.mayBeFedWith'),
};

const namesOf = (parts: Part[]): Record<string, string> =>
  Object.assign(
    {},
    NAMES,
    ...parts.flatMap((part, place) =>
      Object.entries(OF_PART).map(([key, name]) => ({ [`parts.${place}.${key}`]: `${part.name}, ${name}` })),
    ),
  );

const HEADS = [
  say('shared.attenuatorDB'),
  say('drive.intoTheFirstStage'),
  say('drive.peakToPeak'),
  say('shared.output'),
  say('drive.ofItPeakToPeak'),
];
const BY_HAND = [say('drive.gateRFV'), say('drive.gateDCV'), say('drive.supplyA')];

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
    document.title = say('drive.chainTubrin');
  }, []);
  const view = useLast(chain.data);
  const unit = GIVEN.find(([code]) => code === entry.given)?.[2] ?? '';
  const refused = (field: string) => isRefused(chain.error, field);
  return (
    <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side">
      <section aria-label={say('shared.chain')} className="sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
        <header className="flex flex-wrap items-baseline gap-x-3">
          <h1 className="text-22">{say('drive.fromGeneratorToLoad')}</h1>
          <SaveDrawing name="chain" drawing={() => drawing.current} />
          <DriveTabs />
        </header>
        {view ? (
          <Sized>
            {(room) => {
              const places = [view.generator, ...view.nodes];
              const width = Math.max(room, places.length * LEAST_PLACE_PX + 58);
              return (
                <ScrollArea label={say('drive.levelsOfTheChain')}>
                  <ChainStair drawing={drawing} places={places} width={width} />
                </ScrollArea>
              );
            }}
          </Sized>
        ) : (
          !chain.error && <Skeleton what={say('drive.theChain')} />
        )}
        <p className="text-13 text-soft">{say('drive.allIn50LevelsAs')}</p>
        <Refused error={chain.error} named={namesOf(entry.parts)} />
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2 border-t border-hair pt-2.5">
          <Pick
            label={say('drive.generatorShows')}
            value={entry.given}
            onPick={(given) => change({ given: given as ChainRequest['given'] })}
            options={GIVEN.map(([code, name]) => [code, name] as const)}
          />
          <TextField
            label={say('drive.itsOutputIn', { unit })}
            number
            className="w-24"
            value={entry.value}
            invalid={refused('value')}
            onChange={(value) => change({ value })}
          />
          <TextField
            label={say('drive.dB')}
            number
            className="w-16"
            value={entry.open}
            invalid={refused('open')}
            onChange={(open) => change({ open })}
          />
          <TextField
            label={say('drive.wantedW')}
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
          <Sheet title={say('shared.nextMove')} accent>
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
                <span>{say('drive.voltsShownOpenInto50')}</span>
              </p>
            ) : null}
          </Sheet>
        )}
        {view && <ChainStart chain={entry} named={namesOf(entry.parts)} />}
        <Pads />
      </div>
      {view && (
        <Sheet className="wide:col-span-2" title={say('drive.theWayUpToWrite')}>
          <Table caption={say('drive.theWayUp')} quiet wide={say('drive.theWayUp')}>
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
          <p className="mt-2 text-13 text-soft">{say('drive.dummyLoadOnSupplyLimited')}</p>
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
      <Table caption={say('drive.parts')} quiet tight wide={say('drive.partsOfTheChain')}>
        <Heads
          of={[
            say('drive.name'),
            say('drive.what'),
            say('drive.takesOrGivesDB'),
            say('drive.dB'),
            say('drive.1DBCompressedAtW'),
            say('drive.mayBeFedWithW'),
            '',
          ]}
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
                aria-label={say('drive.ofPart', { label, place: place + 1 })}
                value={part[key] ?? ''}
                aria-invalid={refused(`parts.${place}.${key}`)}
                maxLength={key === 'name' ? 40 : 10}
                onChange={(event) => set(place, { [key]: event.target.value })}
              />
            );
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place.
              <tr key={place}>
                <Cell>{field('name', say('shared.name'), 'w-32')}</Cell>
                <Cell>
                  <Select
                    aria-label={say('drive.kindOfPart', { place: place + 1 })}
                    value={part.kind}
                    onPick={(kind) => set(place, { kind: kind as Part['kind'] })}
                    options={KINDS}
                  />
                </Cell>
                <Cell>{field('decibels', say('drive.decibels'), 'w-19')}</Cell>
                <Cell>{field('open', say('drive.plusOrMinus'), 'w-16')}</Cell>
                <Cell>{part.kind === 'STAGE' ? field('compression', say('drive.compression'), 'w-19') : null}</Cell>
                <Cell>{field('most', say('drive.mostInput'), 'w-19')}</Cell>
                <Cell>
                  {parts.length > 1 && (
                    <Button
                      kind="link"
                      aria-label={say('drive.deletePart', { place: place + 1, part: part.name })}
                      onClick={() => onChange(parts.filter((_, index) => index !== place))}
                    >
                      {say('shared.delete')}
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
          {say('drive.addAPart')}
        </Button>
      )}
    </div>
  );
}
