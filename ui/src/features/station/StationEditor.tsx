import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { ask, client, type FieldProblem, Refusal, type Station } from '../../api';
import { Trouble } from '../../parts';
import { type Body, FormFields, fromForm, toForm } from '../../parts/form';
import { Button, Skeleton, say } from '../../parts/ui';
import { STATION_FIELDS } from './spec';

const FRESH: Body = { name: '', callSign: '', ambientC: 20 };

/** The station as a whole: its name and its licence. */
export function StationEditor() {
  const queries = useQueryClient();
  const station = useQuery({ queryKey: ['station'], queryFn: () => ask(client.GET('/api/station')) });
  const [form, setForm] = useState<Body>();
  const [problems, setProblems] = useState<FieldProblem[]>([]);

  const loaded = station.data;
  useEffect(() => {
    if (loaded) setForm((known) => known ?? toForm(STATION_FIELDS, loaded.station ?? FRESH));
  }, [loaded]);

  const save = useMutation({
    mutationFn: (body: Body) =>
      ask(client.PUT('/api/station', { body: { revision: loaded?.revision ?? 0, station: body as Station } })),
    onSuccess: (view) => {
      say('The station is kept.');
      queries.setQueryData(['station'], view);
      void queries.invalidateQueries({ queryKey: ['choices'] });
    },
    onError: (error) =>
      setProblems(
        error instanceof Refusal
          ? error.problems.map((one) => ({ ...one, field: one.field.replace(/^station\./, '') }))
          : [],
      ),
  });
  if (station.error) return <Trouble error={station.error} retry={() => void station.refetch()} />;
  if (!form) return <Skeleton what="the station" />;
  return (
    <form
      aria-label="The station"
      className="sheet px-5 py-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        const read = fromForm(STATION_FIELDS, form);
        setProblems(read.problems);
        if (read.problems.length === 0) save.mutate(read.body);
      }}
    >
      <h1 className="mb-3 text-22">{loaded?.station?.name ?? 'Describe your station'}</h1>
      <FormFields fields={STATION_FIELDS} form={form} problems={problems} onChange={setForm} />
      <div className="mt-4 flex items-center gap-3">
        <Button kind="main" type="submit" disabled={save.isPending}>
          Keep
        </Button>
      </div>
      {save.error && problems.length === 0 && (
        <div className="mt-3">
          <Trouble error={save.error} />
        </div>
      )}
    </form>
  );
}
