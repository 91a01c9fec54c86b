import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { type AmplifierTypeView, ask, client, type Equipment, type EquipmentView, Refusal } from '../../api';
import { Trouble, useOpening } from '../../parts';
import { Fields, RecordFoot, RecordSheet, schemaOf, toForm, useRecordForm } from '../../parts/form';
import { tell, warn } from '../../parts/ui';
import { say, within } from '../../words';
import { AntennaFile } from './AntennaFile';
import { KINDS } from './spec';
import { TryInstrument } from './TryInstrument';

const DERIVED = [['equipment'], ['gaps'], ['choices']];

/** One record of equipment, new or known. */
export function EquipmentEditor({ equipment }: { equipment: EquipmentView[] }) {
  const { id, kind } = useParams();
  const [search] = useSearchParams();
  const known = equipment.find((one) => one.id === id);
  const types = useQuery({
    queryKey: ['amplifierTypes'],
    queryFn: () => ask(client.GET('/api/first-station/amplifier-types')),
    enabled: kind === 'amplifier',
    staleTime: Number.POSITIVE_INFINITY,
  });
  const type = search.get('type');
  const like =
    likeRecord(equipment.find((one) => one.id === search.get('like') && one.kind === kind)) ??
    likeType(types.data?.find((one) => one.code === type));
  const what = KINDS[known?.kind ?? kind ?? ''];
  if (!what) {
    return <Trouble page error={new Refusal(404, say('shared.notThere'), say('station.thisRecordIsGoneChoose'), [])} />;
  }
  // What a form begins with is taken once.
  if (type && types.isPending) return null;
  if (type && types.error) return <Trouble page error={types.error} />;
  const offered = kind === 'amplifier' ? (types.data ?? []) : [];
  return <Editor key={id ?? `${kind} ${like?.id}`} known={known} like={like} what={what} types={offered} />;
}

/** Where to go from a known record: a new one like it, and the twin of an amplifier with tubes. */
function Ways({ known }: { known: EquipmentView }) {
  const hasTwin = known.body.kind === 'amplifier' && known.body.stage.kind === 'tubes';
  return (
    <span className="ml-auto flex gap-4">
      <Link className="text-act underline" to={`/station/new/${known.kind}?like=${known.id}`}>
        {say('station.copy')}
      </Link>
      {hasTwin && (
        <Link className="text-act underline" to={`/station/${known.id}/twin`}>
          {known.body.kind === 'amplifier' && known.body.twin
            ? say('station.itsTwin')
            : say('station.makeATwinFromIts')}
        </Link>
      )}
    </span>
  );
}

/** A record, known or of a type, that a new one begins like. */
interface Like {
  id: string;
  body: Equipment;
  /** What is to be done with it. */
  says: string;
}

function likeRecord(one: EquipmentView | undefined): Like | undefined {
  return one && { id: one.id, body: one.body, says: say('station.allAsNameItAnd', { name: one.name }) };
}

function likeType(one: AmplifierTypeView | undefined): Like | undefined {
  return one && { id: one.code, body: one.body, says: say('station.whatIsUsualOfA', { name: one.name }) };
}

/** What a copy begins with: all of the record but its name, and of an amplifier not its twin, which is of that one alone. */
function copied(like: Like): Record<string, unknown> {
  const { twin: _, ...body } = like.body as Record<string, unknown>;
  return { ...body, name: '' };
}

interface Props {
  known: EquipmentView | undefined;
  like: Like | undefined;
  what: (typeof KINDS)[string];
  types: AmplifierTypeView[];
}

/** Types that a new amplifier can start from. */
function Types({ types, at }: { types: AmplifierTypeView[]; at: string | undefined }) {
  return (
    <p className="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <span className="text-soft">{say('station.startFromAType')}</span>
      {types.map((type) => (
        <Link
          key={type.code}
          className="text-act underline"
          aria-current={type.code === at ? 'true' : undefined}
          to={`/station/new/amplifier?type=${type.code}`}
        >
          {type.name}
        </Link>
      ))}
    </p>
  );
}

function Editor({ known, like, what, types }: Props) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const refresh = () => Promise.all(DERIVED.map((queryKey) => queries.invalidateQueries({ queryKey })));
  const record = useRecordForm({
    draft: `equipment.${known?.id ?? what.name}${like ? `.${like.id}` : ''}`,
    revision: known?.revision ?? 0,
    fresh: () => toForm(what.fields, known?.body ?? (like ? copied(like) : what.fresh)),
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
      tell(say('station.isSaved', { name: view.name }), say('station.runsMadeBeforeHoldThe'));
      await refresh();
      if (!known) navigate(`/station/${view.id}`, { replace: true });
    },
  });
  const remove = useMutation({
    mutationFn: (id: string) => ask(client.DELETE('/api/equipment/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      navigate('/station');
      tell(say('station.wasDeleted', { record: known?.name ?? say('station.theRecord') }));
      await refresh();
    },
    onError: (error) => warn(say('shared.notDeleted'), error instanceof Refusal ? error.detail : String(error)),
  });
  const kind = known?.kind ?? (what.fresh.kind as string);
  const head = useOpening<HTMLHeadingElement>(known ? undefined : 'name');
  return (
    <RecordSheet label={known?.name ?? say('station.new', { what: what.name })} record={record}>
      <header className="mb-3 flex items-baseline gap-3">
        <h1 ref={head} tabIndex={-1} className="text-22">
          {known?.name ?? say('station.newOf', { what: within(what.name) })}
        </h1>
        <p className="text-soft">{known ? within(what.name) : like ? like.says : say('station.byItsSheetAndYour')}</p>
        {known && <Ways known={known} />}
      </header>
      {types.length > 0 && <Types types={types} at={like?.id} />}
      <Fields fields={what.fields} />
      {kind === 'antenna' && <Antenna known={known} />}
      <RecordFoot
        record={record}
        {...(known
          ? {
              known: {
                name: known.name,
                says: say('station.runsKeepTheirCopyOf'),
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
