import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask, client, type RunPreview } from '../../api';
import { Trouble } from '../../parts';
// Of the drawings the start page needs these alone: they are fetched without the others.
import { Sized } from '../../plot/Sized';
import { StairAhead } from '../../plot/StairAhead';
import { showNumber } from '../../quantity';
import { say } from '../../words';
import type { Choice } from './useChoice';

const NO_RUN = '00000000-0000-0000-0000-000000000000';
const STAIR_PX = 208;

/** What the choice leads to, before anything is begun. */
export function Ahead({ choice, tuned }: { choice: Choice; tuned: boolean }) {
  const preview = useQuery({
    queryKey: ['preview', choice],
    queryFn: () => ask(client.POST('/api/runs/preview', { body: { ...choice, runId: NO_RUN } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  return (
    <section aria-label={say('start.whatLiesAhead')} className="sheet px-4 py-2.5" data-part="ahead">
      <h1 className="text-22">{say('start.whatLiesAhead')}</h1>
      {preview.error ? (
        <div className="my-2">
          <Trouble error={preview.error} />
        </div>
      ) : preview.data ? (
        <Shown of={preview.data} tuned={tuned} />
      ) : (
        <div className="h-58 bg-hair" role="status" aria-label={say('start.readingWhatLiesAhead')} />
      )}
    </section>
  );
}

function Shown({ of, tuned }: { of: RunPreview; tuned: boolean }) {
  const told = of.rungs.every((rung) => rung.outputW !== undefined && rung.outputW !== null);
  const count = of.rungs.length;
  return (
    <div className="grid grid-cols-one items-start gap-x-5 overflow-hidden wide:grid-cols-main-aside">
      <Sized usual={600}>
        {(width) => (
          <StairAhead
            rungs={of.rungs.map(({ driveW, outputW }) => ({ driveW, ...(outputW ? { outputW } : {}) }))}
            width={width}
            height={STAIR_PX}
            limit={of.wantedW ?? of.licenceW}
            wanted={of.wantedW !== undefined}
            limitLabel={
              of.wantedW
                ? say('start.wantedW', { wanted: of.wantedW })
                : say('shared.licenceW', { licence: of.licenceW })
            }
          />
        )}
      </Sized>
      <div>
        <dl className="text-13">
          {of.dials && (
            <Line what={say('shared.dials')} shown={`${of.dials.plate} / ${of.dials.load}`} rest={of.dials.from} />
          )}
          <Line what={say('shared.steps')} shown={String(count)} rest={tuned ? say('start.orMore') : ''} />
          <Line
            what={say('start.keyDown')}
            shown={`${showNumber(of.aimS)} s`}
            rest={
              of.ownRuns > 0
                ? say('start.asYourLastRunsTook', { ownRuns: of.ownRuns })
                : say('start.atMostS', { stopS: of.stopS })
            }
          />
          <Line what={say('start.carrier')} shown={`${showNumber(of.carrierS)} s`} rest={say('start.atLeast')} />
          {of.twinSays.map((line) => (
            <Line
              key={line.what}
              what={line.what}
              shown={line.shown}
              rest={say('shared.ofLimit', { limit: line.limit })}
              foretold
            />
          ))}
        </dl>
        <p className="mt-2 text-13 text-soft">
          {told ? say('start.dottedIsForetoldByThe') : say('start.noTwinOfThisBand')}
        </p>
      </div>
    </div>
  );
}

function Line({ what, shown, rest, foretold }: { what: string; shown: string; rest: string; foretold?: boolean }) {
  return (
    <div className="flex items-baseline justify-between gap-2 border-t border-hair py-1">
      <dt className="text-soft">{what}</dt>
      <dd className="text-right">
        <span className={`figure ${foretold ? 'text-twin italic' : ''}`}>{shown}</span>
        <span className="text-soft"> {rest}</span>
      </dd>
    </div>
  );
}
