import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask, client, type ProgressView, type Report } from '../../api';
import { FileButton, Sheet, Trouble } from '../../parts';
import { Button, Confirm, Progress, say } from '../../parts/ui';
import { utc } from '../../quantity';

/** Everything out as one file, and back: a restore is checked and shown before it replaces anything. */
export function BackupSheet() {
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
        say(`Restored: ${content(report)}.`);
        await queries.invalidateQueries();
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
    <Sheet title="Backup">
      <p className="mb-2 text-soft">
        Station, equipment, plans and every run with each reading as typed, in one JSON file of{' '}
        <a className="text-act underline" href="/api/backup/schema">
          published form
        </a>
        .
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <Button asChild>
          <a href="/api/backup" download onClick={() => setSaving(true)}>
            Save a backup
          </a>
        </Button>
        <FileButton label="Restore from a file" accept=".json,application/json" onFile={choose} />
      </div>
      {restore.isPending && (
        <HowFar
          what={`${restore.variables.apply ? 'Restoring' : 'Checking'} ${restore.variables.file.name}, ${(restore.variables.file.size / 1e6).toFixed(1)} MB`}
          progress={progress}
        />
      )}
      {saving && <HowFar what="Saving" progress={progress} />}
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
    queryKey: ['backup progress'],
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
        {progress ? `: ${progress.runs} runs` : ' …'}
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
  `${report.station ?? 'no station'}, ${report.equipment} records, ${report.runs} runs with ${report.events} events, made ${utc(report.madeAt)} UTC`;

function Found({ report, onApply }: { report: Report; onApply: () => void }) {
  if (report.restored) return null;
  return (
    <div role="status" className="mt-3 flex flex-wrap items-center gap-3">
      <span>
        The file holds {content(report)}. It <b className="font-semibold">replaces everything</b> that is here now.
      </span>
      <Confirm
        title="Replace everything?"
        says="Station, equipment, plans and runs that are here now are deleted. Save a backup of them first if in doubt."
        does="Replace everything"
        onDo={onApply}
      >
        <Button>Replace everything …</Button>
      </Confirm>
    </div>
  );
}
