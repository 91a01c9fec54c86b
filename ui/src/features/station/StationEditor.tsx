import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, client, type Station, type StationView } from '../../api';
import { Answer } from '../../parts';
import { Fields, type Form, RecordFoot, RecordSheet, schemaOf, toForm, useRecordForm } from '../../parts/form';
import { tell } from '../../parts/ui';
import { say } from '../../words';
import { STATION_FIELDS } from './spec';

const FRESH: Form = { name: '', callSign: '', ambientC: 20 };
const SCHEMA = schemaOf(STATION_FIELDS);

/** The station as a whole: its name and its licence. */
export function StationEditor() {
  const station = useQuery({ queryKey: ['station'], queryFn: () => ask(client.GET('/api/station')) });
  return (
    <Answer query={station} what={say('shared.theStation')}>
      {(view) => <Editor view={view} />}
    </Answer>
  );
}

function Editor({ view }: { view: StationView }) {
  const queries = useQueryClient();
  const record = useRecordForm({
    draft: 'station',
    revision: view.revision,
    fresh: () => toForm(STATION_FIELDS, view.station ?? FRESH),
    schema: SCHEMA,
    under: 'station.',
    save: (form, revision) => ask(client.PUT('/api/station', { body: { revision, station: form as Station } })),
    onSaved: (saved) => {
      tell(say('station.theStationIsSaved'));
      queries.setQueryData(['station'], saved);
      void queries.invalidateQueries({ queryKey: ['choices'] });
    },
  });
  return (
    <RecordSheet label={say('station.theStation')} record={record}>
      <h1 className="mb-3 text-22">{view.station?.name ?? say('station.describeYourStation')}</h1>
      <Fields fields={STATION_FIELDS} />
      <RecordFoot record={record} />
    </RecordSheet>
  );
}
