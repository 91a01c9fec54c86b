import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { ask, client, type EquipmentView, type FieldProblem, Refusal } from '../../api';
import { LeftAsItWas, Trouble, useDraft } from '../../parts';
import { type Body, FormFields, fromForm, toForm } from '../../parts/form';
import { Button, Confirm, say, warn } from '../../parts/ui';
import { AntennaFile } from './AntennaFile';
import { KINDS } from './spec';
import { TryInstrument } from './TryInstrument';

const DERIVED = [['equipment'], ['gaps'], ['choices']];

/** One record of equipment, new or known. */
export function EquipmentEditor({ equipment }: { equipment: EquipmentView[] }) {
  const { id, kind } = useParams();
  const known = equipment.find((one) => one.id === id);
  const what = KINDS[known?.kind ?? kind ?? ''];
  if (!what) {
    return (
      <Trouble page error={new Refusal(404, 'Not there', 'This record is gone. Choose another on the left.', [])} />
    );
  }
  return <Editor key={id ?? kind} known={known} what={what} />;
}

/** The way to the twin of an amplifier with tubes. */
function TwinLink({ known }: { known: EquipmentView }) {
  const body = known.body as Body;
  if (body.stage?.kind !== 'tubes') return null;
  return (
    <Link className="ml-auto text-act underline" to={`/station/${known.id}/twin`}>
      {body.twin ? 'Its twin' : 'Make a twin from its sheet'}
    </Link>
  );
}

function Editor({ known, what }: { known: EquipmentView | undefined; what: (typeof KINDS)[string] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const draft = useDraft<Body>(`equipment.${known?.id ?? what.name}`, known?.revision ?? 0, () =>
    toForm(what.fields, (known?.body as Body | undefined) ?? what.fresh),
  );
  const { value: form, change: setForm } = draft;
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const [revision, setRevision] = useState(known?.revision ?? 0);
  const formRef = useRef<HTMLFormElement>(null);
  // A long form is scrolled to what was refused.
  useEffect(() => {
    if (problems.length > 0) formRef.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [problems]);
  const refresh = () => Promise.all(DERIVED.map((queryKey) => queries.invalidateQueries({ queryKey })));

  const save = useMutation({
    mutationFn: (body: Body) =>
      known
        ? ask(client.PUT('/api/equipment/{id}', { params: { path: { id: known.id }, query: { revision } }, body }))
        : ask(client.POST('/api/equipment', { body })),
    onSuccess: async (view) => {
      draft.forget();
      say(`${view.name} is kept.`, 'Runs made before hold the record as it was.');
      setRevision(view.revision);
      await refresh();
      if (!known) navigate(`/station/${view.id}`, { replace: true });
    },
    onError: (error) => setProblems(error instanceof Refusal ? error.problems : []),
  });
  const remove = useMutation({
    mutationFn: (id: string) => ask(client.DELETE('/api/equipment/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      navigate('/station');
      say(`${known?.name ?? 'The record'} was taken away.`);
      await refresh();
    },
    onError: (error) => warn('Not taken away.', error instanceof Refusal ? error.detail : String(error)),
  });

  const submit = () => {
    const read = fromForm(what.fields, form);
    setProblems(read.problems);
    if (read.problems.length === 0) save.mutate(read.body);
  };
  return (
    <form
      ref={formRef}
      aria-label={known?.name ?? `New: ${what.name}`}
      className="sheet px-5 py-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <header className="mb-3 flex items-baseline gap-3">
        <h1 className="text-22">{known?.name ?? `New ${what.name.toLowerCase()}`}</h1>
        <p className="text-soft">{known ? what.name.toLowerCase() : 'by its sheet and your own measuring'}</p>
        {known?.kind === 'amplifier' && <TwinLink known={known} />}
      </header>
      <FormFields fields={what.fields} form={form} problems={problems} onChange={setForm} />
      {form.kind === 'antenna' && (
        <AntennaFile
          known={known}
          impedance={form.impedance}
          onChange={(impedance) => setForm({ ...form, impedance })}
        />
      )}
      <div className="mt-4 flex flex-wrap items-center gap-3 border-t border-hair pt-3">
        <Button kind="main" type="submit" disabled={save.isPending}>
          Keep
        </Button>
        <LeftAsItWas draft={draft} />
        {problems.length > 0 && (
          <span role="alert" className="text-limit">
            {problems.length === 1 ? 'One field needs mending.' : `${problems.length} fields need mending.`}
          </span>
        )}
        {form.kind === 'instrument' && <TryInstrument body={() => fromForm(what.fields, form)} />}
        {known && (
          <Confirm
            title={`Take ${known.name} away?`}
            says="Runs keep their copy of the record."
            does="Take away"
            onDo={() => remove.mutate(known.id)}
          >
            <Button kind="quiet" className="ml-auto">
              Take away
            </Button>
          </Confirm>
        )}
      </div>
      {save.error && (problems.length === 0 || problems.some((one) => one.field === '')) && (
        <div className="mt-3">
          <Trouble error={save.error} />
        </div>
      )}
    </form>
  );
}
