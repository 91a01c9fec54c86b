import { useRef } from 'react';
import { type AlcView, ask, client } from '../../api';
import { Answer, Diamond, Sheet } from '../../parts';
import { Cell, Heads, RowHead, ScrollArea, Table } from '../../parts/ui';
import { LevelStair, Sized } from '../../plot';
import { showNumber } from '../../quantity';
import { say } from '../../words';
import { AlcStart } from './AlcStart';
import { KeptPage, Shown } from './KeptPage';
import { KeptRun } from './KeptRun';
import { useKept } from './useKept';

/** How far the level into each exciter may go, what its gauge is, and a new run to find out. */
export function AlcPage() {
  const { view, pick } = useKept('alc', 'ALC', (query) => ask(client.GET('/api/drive/alc', { params: { query } })));
  return (
    <Answer query={view} what={say('drive.theLevels')}>
      {(data) => (
        <KeptPage
          shown={
            <div className="grid grid-cols-one gap-3.5">
              <Picture view={data} />
              {data.shown && <AsRead view={data} />}
            </div>
          }
        >
          <AlcStart suggested={outOfDate(data)} outputMeters={data.outputMeters} />
          {data.rows.length > 0 && <Profiles view={data} onPick={pick} />}
        </KeptPage>
      )}
    </Answer>
  );
}

/** Returns an exciter of which every level is shut. */
function outOfDate(view: AlcView): string | undefined {
  return view.rows.find((row) => view.rows.every((one) => one.exciter !== row.exciter || one.shut))?.exciter;
}

function Picture({ view }: { view: AlcView }) {
  const drawing = useRef<SVGSVGElement>(null);
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const levels = view.shown;
  return (
    <Shown
      title={say('drive.howFarTheLevelMay')}
      run={
        row &&
        `${row.exciter}, ${row.mode}, ${row.band}${row.firmware && say('drive.firmware', { firmware: row.firmware })}`
      }
      fileName={`alc-${row?.exciter ?? ''}`}
      drawing={drawing}
    >
      {row?.shutWords && (
        <p role="status" className="flex items-baseline gap-2 border-l-4 border-l-watch py-0.5 pl-3">
          <Diamond />
          <span>{row.shutWords}</span>
        </p>
      )}
      {levels ? (
        <>
          <Sized>
            {(width) => (
              <LevelStair
                drawing={drawing}
                points={levels.series[0]?.points ?? []}
                setPowerW={levels.setPowerW}
                gaugeEnd={levels.gaugeEnd}
                knee={levels.knee}
                window={levels.window}
                gauge={levels.gauge}
                wideFrom={levels.widening?.from}
                width={width}
              />
            )}
          </Sized>
          <ul className="grid gap-1">
            {levels.says.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </>
      ) : (
        <p className="text-soft">{say('drive.noLevelWasTriedYet')}</p>
      )}
    </Shown>
  );
}

/** Every level as it was read, one table a set power and tone. */
function AsRead({ view }: { view: AlcView }) {
  return (
    <Sheet title={say('drive.whatWasReadIntoThe')}>
      {view.shown?.series.map((series) => (
        <ScrollArea key={series.label} label={series.label} className="mb-2">
          <Table caption={series.label} tight className="text-13">
            <tbody>
              <tr>
                <RowHead>{say('drive.level')}</RowHead>
                {series.points.map((point, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a level may stand there twice
                  <Cell key={index} figure>
                    {showNumber(Math.round(point.level * 1000) / 10)}
                    {point.down && ' ↓'}
                  </Cell>
                ))}
              </tr>
              <tr>
                <RowHead>{say('shared.outputW')}</RowHead>
                {series.points.map((point, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a level may stand there twice
                  <Cell key={index} figure>
                    {showNumber(point.outputW)}
                  </Cell>
                ))}
              </tr>
              {series.points.some((point) => point.gauge !== undefined) && (
                <tr>
                  <RowHead>{say('drive.gauge')}</RowHead>
                  {series.points.map((point, index) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: a level may stand there twice
                    <Cell key={index} figure>
                      {point.gauge ?? '–'}
                    </Cell>
                  ))}
                </tr>
              )}
              {series.points.some((point) => point.widthHz !== undefined) && (
                <tr>
                  <RowHead>{say('drive.widthHz')}</RowHead>
                  {series.points.map((point, index) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: a level may stand there twice
                    <Cell key={index} figure>
                      {point.widthHz ?? '–'}
                    </Cell>
                  ))}
                </tr>
              )}
            </tbody>
          </Table>
        </ScrollArea>
      ))}
    </Sheet>
  );
}

function Profiles({ view, onPick }: { view: AlcView; onPick: (run: string) => void }) {
  const gauge = view.shown?.gauge;
  return (
    <Sheet title={gauge?.title ?? say('drive.levelsThatWereTried')}>
      {gauge && <p className="mb-2 text-soft">{gauge.says}</p>}
      <Table caption={say('drive.levelsThatWereTried')} quiet tight className="text-13">
        <Heads
          of={[say('drive.exciter'), say('drive.firmwareWithin'), say('drive.levelWithin'), say('drive.gaugeRight')]}
        />
        <tbody>
          {view.rows.map((row) => (
            <KeptRun
              key={row.runId}
              row={row}
              shownRunId={view.shownRunId}
              label={row.exciter}
              detail={`${row.mode}, ${row.band}`}
              onPick={onPick}
            >
              <Cell figure>{row.firmware || '–'}</Cell>
              {row.shut ? (
                <Cell>
                  <span className="inline-flex items-baseline gap-1 text-watch">
                    <Diamond /> {say('drive.shut')}
                  </span>
                </Cell>
              ) : (
                <Cell figure>{row.window ?? say('drive.noKnee')}</Cell>
              )}
              <Cell>{row.right ?? '–'}</Cell>
            </KeptRun>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
