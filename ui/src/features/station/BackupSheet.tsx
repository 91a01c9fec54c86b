import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask, client, type ProgressView, type Report } from '../../api';
import { Button, Sheet, Trouble } from '../../parts';
import { utc } from '../../quantity';

/** Everything out as one file, and back: a restore is checked and shown before it replaces anything. */
export function BackupSheet() {
  const queries = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
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
        await queries.invalidateQueries();
      }
    },
  });
  const [saving, setSaving] = useState(false);
  const progress = useProgress(restore.isPending || saving, () => setSaving(false));
  const choose = (chosen: File | undefined) => {
    if (!chosen) return;
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
        <a
          className="inline-flex min-h-[32px] items-center rounded-3 border border-soft px-3 hover:bg-wash"
          href="/api/backup"
          download
          onClick={() => setSaving(true)}
        >
          Save a backup
        </a>
        <Button onClick={() => input.current?.click()}>Restore from a file</Button>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          aria-label="Backup file"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            choose(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
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
    <p role="status" className="mt-3 flex flex-wrap items-center gap-3 text-soft">
      <span>
        {what}
        {progress ? `: ${progress.runs} runs` : ' …'}
      </span>
      {share !== undefined && (
        <>
          <progress className="h-2 w-40 accent-act" value={share} aria-label={what} />
          <span className="figure">{Math.floor(100 * share)} %</span>
        </>
      )}
    </p>
  );
}

function Found({ report, onApply }: { report: Report; onApply: () => void }) {
  const content = `${report.station ?? 'no station'}, ${report.equipment} records, ${report.runs} runs with ${report.events} events, made ${utc(report.madeAt)} UTC`;
  return report.restored ? (
    <p role="status" className="mt-3">
      Restored: {content}.
    </p>
  ) : (
    <div role="status" className="mt-3 flex flex-wrap items-center gap-3">
      <span>
        The file holds {content}. It <b className="font-semibold">replaces everything</b> that is here now.
      </span>
      <Button onClick={onApply}>Replace everything</Button>
    </div>
  );
}
