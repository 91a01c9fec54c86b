import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask, client, type ProgressView, type Report } from '../../api';
import { FileButton, Sheet, Trouble } from '../../parts';
import { Button, Confirm, Progress, tell } from '../../parts/ui';
import { fixed, utc } from '../../quantity';
import { say } from '../../words';

interface Props {
  /** Where nothing is here yet: there is only a file to bring in, and what is done then. */
  onBroughtIn?: () => void;
}

/** Everything out as one file, and back: a restore is checked and shown before it replaces anything. */
export function BackupSheet({ onBroughtIn }: Props) {
  const queries = useQueryClient();
  const [file, setFile] = useState<File>();
  const restore = useMutation({
    mutationFn: ({ file, apply }: { file: File; apply: boolean }) =>
      ask(
        client.POST('/api/backup/restore', {
          params: { query: { apply } },
          // The browser sends the file as it reads it: years of runs need not fit into the page.
          body: file as unknown as string,
          bodySerializer: (body) => body,
          headers: { 'Content-Type': 'application/json' },
        }),
      ),
    onSuccess: async (report) => {
      if (report.restored) {
        setFile(undefined);
        tell(say('station.restored', { report: content(report) }));
        await queries.invalidateQueries();
        onBroughtIn?.();
      }
    },
  });
  const [saving, setSaving] = useState(false);
  const progress = useProgress(restore.isPending || saving, () => setSaving(false));
  const choose = (chosen: File) => {
    setFile(chosen);
    restore.mutate({ file: chosen, apply: false });
  };
  return (
    <Sheet title={onBroughtIn ? say('station.fromAFile') : say('station.backup')}>
      <p className="mb-2 text-soft">
        {onBroughtIn ? say('station.fromAFileHow') : say('station.stationEquipmentPlansAndEvery')}{' '}
        <a className="text-act underline" href="/api/backup/schema">
          {say('station.publishedForm')}
        </a>
        .
      </p>
      <div className="flex flex-wrap items-center gap-3">
        {!onBroughtIn && (
          <Button asChild>
            <a href="/api/backup" download onClick={() => setSaving(true)}>
              {say('station.saveABackup')}
            </a>
          </Button>
        )}
        <FileButton label={say('station.restoreFromAFile')} accept=".json,application/json" onFile={choose} />
      </div>
      {restore.isPending && (
        <HowFar
          what={say('station.mb', {
            checking: restore.variables.apply ? say('station.restoring') : say('station.checking'),
            file: restore.variables.file.name,
            megabytes: fixed(restore.variables.file.size / 1e6, 1),
          })}
          progress={progress}
        />
      )}
      {saving && <HowFar what={say('station.saving')} progress={progress} />}
      {restore.error && (
        <div className="mt-3">
          <Trouble error={restore.error} />
        </div>
      )}
      {restore.data && !restore.error && (
        <Found report={restore.data} onApply={() => file && restore.mutate({ file, apply: true })} />
      )}
    </Sheet>
  );
}

const ASKED_EVERY_MS = 400;
/** A small station is saved before the first question comes. */
const BEGINS_WITHIN_MS = 3000;

/** How far a backup or a restore is, asked again and again while one is on; tells when a save is over. */
function useProgress(on: boolean, onOver: () => void): ProgressView | undefined {
  const [begun, setBegun] = useState(0);
  const seen = useRef(false);
  const query = useQuery({
    queryKey: [say('station.backupProgress')],
    queryFn: async () => (await ask(client.GET('/api/backup/progress'))) ?? null,
    enabled: on,
    refetchInterval: ASKED_EVERY_MS,
    gcTime: 0,
  });
  useEffect(() => {
    seen.current = false;
    setBegun(on ? Date.now() : 0);
  }, [on]);
  useEffect(() => {
    if (!on || query.dataUpdatedAt < begun) return;
    if (query.data) seen.current = true;
    else if (seen.current || Date.now() - begun > BEGINS_WITHIN_MS) onOver();
  }, [on, begun, query.data, query.dataUpdatedAt, onOver]);
  return on ? (query.data ?? undefined) : undefined;
}

function HowFar({ what, progress }: { what: string; progress: ProgressView | undefined }) {
  const share = progress?.share;
  return (
    <div role="status" className="mt-3 flex flex-wrap items-center gap-3 text-soft">
      <span>
        {what}
        {progress ? say('station.runs', { runs: progress.runs }) : ' …'}
      </span>
      {share !== undefined && (
        <>
          <Progress className="w-40" share={share} label={what} />
          <span className="figure">{Math.floor(100 * share)} %</span>
        </>
      )}
    </div>
  );
}

const content = (report: Report) =>
  say('station.recordsRunsWithEventsMade', {
    station: report.station ?? say('station.noStation'),
    equipment: report.equipment,
    runs: report.runs,
    events: report.events,
    madeAt: utc(report.madeAt),
  });

function Found({ report, onApply }: { report: Report; onApply: () => void }) {
  if (report.restored) return null;
  return (
    <div role="status" className="mt-3 flex flex-wrap items-center gap-3">
      <span>
        {say('station.theFileHoldsIt', { report: content(report) })}{' '}
        <b className="font-semibold">{say('station.replacesEverything')}</b> {say('station.thatIsHereNow')}
      </span>
      <Confirm
        title={say('station.replaceEverything')}
        says={say('station.stationEquipmentPlansAndRuns')}
        does={say('station.replaceEverythingButton')}
        onDo={onApply}
      >
        <Button>{say('station.replaceEverythingAsk')}</Button>
      </Confirm>
    </div>
  );
}
