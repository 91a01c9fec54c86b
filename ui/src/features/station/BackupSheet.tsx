import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { ask, client, type Report } from '../../api';
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
        <p role="status" className="mt-3 text-soft">
          {restore.variables.apply ? 'Restoring' : 'Checking'} {restore.variables.file.name},{' '}
          {(restore.variables.file.size / 1e6).toFixed(1)} MB …
        </p>
      )}
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
