import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { ask, client, type Equipment, type EquipmentView, Refusal } from '../../api';
import { Trouble } from '../../parts';
import { Fields, RecordFoot, RecordSheet, schemaOf, toForm, useRecordForm } from '../../parts/form';
import { say, warn } from '../../parts/ui';
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
  if (known.body.kind !== 'amplifier' || known.body.stage.kind !== 'tubes') return null;
  return (
    <Link className="ml-auto text-act underline" to={`/station/${known.id}/twin`}>
      {known.body.twin ? 'Its twin' : 'Make a twin from its sheet'}
    </Link>
  );
}

function Editor({ known, what }: { known: EquipmentView | undefined; what: (typeof KINDS)[string] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const refresh = () => Promise.all(DERIVED.map((queryKey) => queries.invalidateQueries({ queryKey })));
  const record = useRecordForm({
    draft: `equipment.${known?.id ?? what.name}`,
    revision: known?.revision ?? 0,
    fresh: () => toForm(what.fields, known?.body ?? what.fresh),
    schema: schemaOf(what.fields),
    save: (form, revision) => {
      const body = form as Equipment;
      return known
        ? ask(
            client.PUT('/api/equipment/{id}', {
              params: { path: { id: known.id }, query: { revision } },
              body,
            }),
          )
        : ask(client.POST('/api/equipment', { body }));
    },
    onSaved: async (view) => {
      say(`${view.name} is kept.`, 'Runs made before hold the record as it was.');
      await refresh();
      if (!known) navigate(`/station/${view.id}`, { replace: true });
    },
  });
  const remove = useMutation({
    mutationFn: (id: string) => ask(client.DELETE('/api/equipment/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      navigate('/station');
      say(`${known?.name ?? 'The record'} was deleted.`);
      await refresh();
    },
    onError: (error) => warn('Not deleted.', error instanceof Refusal ? error.detail : String(error)),
  });
  const kind = known?.kind ?? (what.fresh.kind as string);
  return (
    <RecordSheet label={known?.name ?? `New: ${what.name}`} record={record}>
      <header className="mb-3 flex items-baseline gap-3">
        <h1 className="text-22">{known?.name ?? `New ${what.name.toLowerCase()}`}</h1>
        <p className="text-soft">{known ? what.name.toLowerCase() : 'by its sheet and your own measuring'}</p>
        {known && <TwinLink known={known} />}
      </header>
      <Fields fields={what.fields} />
      {kind === 'antenna' && <Antenna known={known} />}
      <RecordFoot
        record={record}
        {...(known
          ? {
              known: {
                name: known.name,
                says: 'Runs keep their copy of the record.',
                onRemove: () => remove.mutate(known.id),
              },
            }
          : {})}
      >
        {kind === 'instrument' && <TryInstrument fields={what.fields} />}
      </RecordFoot>
    </RecordSheet>
  );
}

/** What an antenna shows over frequency stands beside its fields. */
function Antenna({ known }: { known: EquipmentView | undefined }) {
  const impedance = useWatch({ name: 'impedance' });
  return <AntennaFile known={known} impedance={impedance} />;
}
