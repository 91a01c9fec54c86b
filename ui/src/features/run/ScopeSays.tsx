import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ask, client, type RunView, type ScopeView } from '../../api';
import { FileButton, Refused, Sheet } from '../../parts';
import { ToggleGroup } from '../../parts/ui';
import { say } from '../../words';
import type { Run } from './useRun';

type Envelope = ScopeView['envelopes'][number]['code'];
type OverDrive = ScopeView['trapezoids'][number]['code'];

/** What is seen by eye or brought as a file where a look asks for it, and what follows from all looks. */
export function ScopeSays({ view, run }: { view: RunView; run: Run }) {
  const scope = view.scope;
  if (!scope) return null;
  const look = scope.looks.find((one) => one.next);
  // Until it is recorded, what was said may be said otherwise; a trace says it by itself.
  const isTold = scope.envelope !== undefined || scope.trapezoid !== undefined;
  const asked = view.advice.move === 'TELL_SHAPE' || isTold ? look : undefined;
  return (
    <>
      {asked && <Tell scope={scope} look={asked} view={view} run={run} />}
      {scope.says.length > 0 && (
        <Sheet title={say('shared.whatFollows')} part="scope-says">
          {scope.says.map((sentence) => (
            <p key={sentence} className="mb-1.5">
              {sentence}
            </p>
          ))}
        </Sheet>
      )}
    </>
  );
}

interface Told {
  scope: ScopeView;
  look: ScopeView['looks'][number];
  view: RunView;
  run: Run;
}

function Tell({ scope, look, view, run }: Told) {
  const isCarrier = !look.tones;
  return (
    <Sheet title={isCarrier ? say('run.theCarrierByEye') : say('run.theEnvelopeByEye')} part="scope-tell">
      <ToggleGroup
        label={isCarrier ? say('run.theCarrier') : say('run.theEnvelope')}
        options={scope.envelopes.map(({ code, name }) => [code, name] as const)}
        value={scope.envelope}
        onPick={(code) => run.act({ act: 'WAVEFORM', waveform: code as Envelope })}
      />
      {scope.trapezoids.length > 0 && (
        <>
          <p className="mt-3 mb-1 text-13 text-soft">{say('run.outputOverDriveWhereBoth')}</p>
          <ToggleGroup
            label={say('run.outputOverDrive')}
            options={scope.trapezoids.map(({ code, name }) => [code, name] as const)}
            value={scope.trapezoid}
            onPick={(code) => run.act({ act: 'TRAPEZOID', trapezoid: code as OverDrive })}
          />
        </>
      )}
      <FromFile view={view} />
    </Sheet>
  );
}

/** A trace as a scope saves it. */
function FromFile({ view }: { view: RunView }) {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async (file: File) =>
      ask(
        client.POST('/api/runs/{id}/trace', {
          params: { path: { id: view.id } },
          body: { clientId: crypto.randomUUID(), expectedSequence: view.sequence, text: await file.text() },
        }),
      ),
    onSuccess: (taken) => queries.setQueryData(['run', view.id], taken),
  });
  return (
    <div className="mt-3 border-t border-hair pt-2">
      <p className="mb-1.5 text-13 text-soft">{say('run.orTheScopeSOwn')}</p>
      <FileButton label={say('run.bringATraceInCSV')} accept=".csv,.txt,text/csv,text/plain" onFile={take.mutate} />
      {take.error && <Refused error={take.error} />}
    </div>
  );
}
