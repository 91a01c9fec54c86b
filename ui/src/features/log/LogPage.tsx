import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { ask, client, type LogPage as LogPageView, type LogQuery, type RunSummary } from '../../api';
import { Answer, FirstThing } from '../../parts';
import { Button, Cell, Checkbox, Head, Nav, NavItem, Pick, Table, TextField } from '../../parts/ui';
import { MiniStair } from '../../plot';
import { utc } from '../../quantity';
import { say } from '../../words';

/** Where what a run told is saved. */
const WHERE: Partial<Record<RunSummary['school'], string>> = {
  DRIVE_TABLE: say('log.inTheTable'),
  ALC: say('log.inTheLevels'),
  BIAS: say('log.withTheCurrents'),
  MATCHER: say('log.withTheMatchers'),
  CHAIN: say('log.inTheLog'),
  WAVEFORM: say('log.withTheWaveforms'),
  SUPPLY_TABLE: say('log.withTheSupplyVolts'),
  RESONANCE: say('log.withTheAntennas'),
};

const ended = (run: RunSummary) =>
  run.ending === 'ABANDONED' ? say('log.left') : (WHERE[run.school] ?? say('log.onTheCard'));

type Asked = Partial<Record<'amplifier' | 'band' | 'termination' | 'school' | 'from' | 'to' | 'page', string>>;

/** All runs, newest first and page by page; what is asked for stands in the address. */
export function LogPage() {
  const [params, setParams] = useSearchParams();
  const asked: Asked = Object.fromEntries(params);
  const runs = useQuery({
    queryKey: ['runs', asked],
    queryFn: () => ask(client.GET('/api/runs', { params: { query: asked as LogQuery } })),
    placeholderData: keepPreviousData,
  });
  useEffect(() => {
    document.title = say('log.logTubrin');
  }, []);
  const onAsk = (more: Asked) => {
    const next = Object.entries({ ...asked, page: '', ...more }).filter(([, value]) => value);
    setParams(Object.fromEntries(next), { replace: true });
  };
  return (
    <Answer query={runs} what={say('log.theLog')}>
      {(page) =>
        page.all === 0 ? (
          <FirstThing title={say('log.noRunYet')} to={['/tune', say('shared.startAClimb')]}>
            {say('log.everyClimbIsSavedHere')}
          </FirstThing>
        ) : (
          <LogOf page={page} asked={asked} onAsk={onAsk} />
        )
      }
    </Answer>
  );
}

/** The ways through the log. */
export function LogTabs() {
  return (
    <Nav label={say('shared.log')} kind="tabs">
      <NavItem kind="tabs" end to="/log">
        {say('shared.runs')}
      </NavItem>
      <NavItem kind="tabs" to="/log/trends">
        {say('shared.trends')}
      </NavItem>
      <NavItem kind="tabs" to="/log/changes">
        {say('log.changes')}
      </NavItem>
    </Nav>
  );
}

const HEADS = [
  say('log.begunUTC'),
  say('shared.band'),
  say('shared.amplifier'),
  say('shared.into'),
  say('shared.school'),
  say('shared.steps'),
  say('log.lastOutputW'),
  say('log.lineV'),
  say('log.roomC'),
  say('shared.seen'),
  say('log.ended'),
];

const counted = (count: number) => count.toLocaleString('en-GB').replaceAll(',', '\u2009');

function LogOf({ page, asked, onAsk }: { page: LogPageView; asked: Asked; onAsk: (more: Asked) => void }) {
  const [chosen, setChosen] = useState<string[]>([]);
  const { choices } = page;
  const names = (values: string[]) => values.map((value) => [value, value] as const);
  const coded = (values: { code: string; name: string }[]) => values.map((one) => [one.code, one.name] as const);
  const filters: [keyof Asked, string, (readonly [string, string])[]][] = [
    ['amplifier', say('shared.amplifier'), names(choices.amplifiers)],
    ['band', say('shared.band'), coded(choices.bands)],
    ['termination', say('shared.into'), names(choices.terminations)],
    ['school', say('shared.school'), coded(choices.schools)],
  ];
  return (
    <section aria-label={say('shared.log')} className="sheet m-5 px-5 py-4">
      <header className="mb-3 flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <h1 className="text-22">{say('shared.log')}</h1>
        <LogTabs />
        <span role="status" className="text-soft">
          {page.asked === page.all
            ? say('log.runsInAll', { all: counted(page.all) })
            : say('log.ofRuns', { asked: counted(page.asked), all: counted(page.all) })}
        </span>
        {chosen.length === 2 ? (
          <Button kind="main" asChild className="ml-auto">
            <Link to={`/log/compare/${chosen[0]}/${chosen[1]}`}>{say('log.compareTheTwo')}</Link>
          </Button>
        ) : (
          <span className="ml-auto text-13 text-soft">{say('log.tickTwoRunsToSee')}</span>
        )}
      </header>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        {filters.map(([key, label, options]) => (
          <Pick
            key={key}
            label={label}
            value={asked[key] ?? ''}
            onPick={(value) => onAsk({ [key]: value })}
            options={[['', say('log.all')], ...options]}
          />
        ))}
        <Day label={say('shared.from')} value={asked.from ?? ''} onDay={(from) => onAsk({ from })} />
        <Day label={say('log.to')} value={asked.to ?? ''} onDay={(to) => onAsk({ to })} />
      </div>
      {page.asked === 0 ? (
        <p className="text-soft">{say('log.noRunIsLikeThat')}</p>
      ) : (
        <Table caption={say('log.runsNewestFirst')} quiet wide={say('shared.runs')}>
          <thead>
            <tr>
              <Head>
                <span className="sr-only">{say('shared.compare')}</span>
              </Head>
              {HEADS.map((head) => (
                <Head key={head}>{head}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {page.runs.map((run) => (
              <LogRow
                key={run.id}
                run={run}
                chosen={chosen.includes(run.id)}
                onChoose={(on) =>
                  setChosen(on ? [...chosen.slice(-1), run.id] : chosen.filter((one) => one !== run.id))
                }
              />
            ))}
          </tbody>
        </Table>
      )}
      {page.pages > 1 && <Pages page={page} onPage={(number) => onAsk({ page: String(number) })} />}
    </section>
  );
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const FIRST_YEAR = 1900;
const LAST_YEAR = 2200;

/** Whether it is a day of the calendar, as 2026-01-31. */
function isDay(text: string): boolean {
  const year = Number(text.slice(0, 4));
  const read = new Date(`${text}T00:00:00Z`);
  return (
    DAY.test(text) &&
    year >= FIRST_YEAR &&
    year <= LAST_YEAR &&
    !Number.isNaN(read.getTime()) &&
    read.toISOString().startsWith(text)
  );
}

/** A day that is typed as 2026-01-31; it is asked for when it is whole. */
function Day({ label, value, onDay }: { label: string; value: string; onDay: (day: string) => void }) {
  const [text, setText] = useState(value);
  return (
    <TextField
      label={label}
      number
      className="w-30"
      maxLength={10}
      placeholder="2026-01-31"
      invalid={text.length === 10 && !isDay(text)}
      value={text}
      onChange={(typed) => {
        setText(typed);
        if (typed === '' || isDay(typed)) onDay(typed);
      }}
    />
  );
}

/** From the newest to the oldest. */
function Pages({ page, onPage }: { page: LogPageView; onPage: (number: number) => void }) {
  const first = (page.page - 1) * page.perPage + 1;
  const ways: [string, number][] = [
    [say('log.newest'), 1],
    [say('log.newer'), page.page - 1],
    [say('log.older'), page.page + 1],
    [say('log.oldest'), page.pages],
  ];
  return (
    <nav aria-label={say('log.pagesOfTheLog')} className="mt-3 flex flex-wrap items-center gap-3">
      {ways.map(([label, number]) => (
        <Button
          key={label}
          disabled={number < 1 || number > page.pages || number === page.page}
          onClick={() => onPage(number)}
        >
          {label}
        </Button>
      ))}
      <span className="figure text-soft">
        {say('log.toOf', {
          first: counted(first),
          last: counted(first + page.runs.length - 1),
          asked: counted(page.asked),
        })}
      </span>
    </nav>
  );
}

function LogRow({ run, chosen, onChoose }: { run: RunSummary; chosen: boolean; onChoose: (on: boolean) => void }) {
  const to = run.ending ? `/log/${run.id}` : `/tune/${run.id}`;
  const seen = [
    run.arcs > 0 && say('log.arcs', { count: run.arcs }),
    run.trips > 0 && say('log.trips', { count: run.trips }),
  ].filter(Boolean);
  return (
    <tr>
      <Cell>
        <Checkbox
          aria-label={say('log.compareTheRunOf', { startedAt: utc(run.startedAt) })}
          checked={chosen}
          onCheck={onChoose}
        />
      </Cell>
      <Cell figure>
        <Link className="text-act underline" to={to}>
          {utc(run.startedAt)}
        </Link>
      </Cell>
      <Cell className="head whitespace-nowrap">{run.bandName}</Cell>
      <Cell>{run.amplifier}</Cell>
      <Cell>{run.termination}</Cell>
      <Cell>
        {run.schoolName}
        {run.longCarrierW !== undefined && (
          <span className="block text-13 text-soft">
            {say('log.longCarrier', { wantedW: Math.round(run.longCarrierW) })}
          </span>
        )}
      </Cell>
      <Cell figure>{run.steps}</Cell>
      <Cell figure>
        <span className="flex items-center justify-between gap-3">
          <MiniStair outputs={run.stair} />
          <span className="ml-auto">{run.outputW === undefined ? '–' : Math.round(run.outputW)}</span>
        </span>
      </Cell>
      <Cell figure>{run.lineVoltageV ?? '–'}</Cell>
      <Cell figure>{run.ambientC ?? '–'}</Cell>
      <Cell className={seen.length > 0 ? 'text-watch' : ''}>{seen.join(', ')}</Cell>
      <Cell className={run.ending ? 'whitespace-nowrap' : 'font-semibold whitespace-nowrap text-act'}>
        {run.ending ? ended(run) : say('log.inProgress')}
      </Cell>
    </tr>
  );
}
