import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { type AlterationsView, ask, client } from '../../api';
import { Answer, Trouble } from '../../parts';
import { Button, Pick, TextField } from '../../parts/ui';
import { say } from '../../words';
import { LogTabs } from './LogPage';

/** What was changed of the station: each change closes what was found before it. */
export function ChangesPage() {
  const changes = useQuery({ queryKey: ['alterations'], queryFn: () => ask(client.GET('/api/alterations')) });
  useEffect(() => {
    document.title = say('log.changesTubrin');
  }, []);
  return (
    <div className="m-5 grid grid-cols-one gap-3.5">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <h1 className="text-22">{say('log.changes')}</h1>
        <LogTabs />
      </div>
      <p className="max-w-prose text-soft">{say('log.newTubesAnotherResistorA')}</p>
      <Answer query={changes} what={say('log.theChanges')}>
        {(known) => <ChangesOf known={known} />}
      </Answer>
    </div>
  );
}

const today = () => new Date().toISOString().slice(0, 10);

function ChangesOf({ known }: { known: AlterationsView }) {
  const queries = useQueryClient();
  const [equipment, setEquipment] = useState(known.equipment[0] ?? '');
  const [part, setPart] = useState(known.parts[0]?.code ?? 'OTHER');
  const [on, setOn] = useState(today());
  const [note, setNote] = useState('');
  const renew = async () => {
    // Cards, levels and trends rest on it.
    await queries.invalidateQueries();
  };
  const add = useMutation({
    mutationFn: () => ask(client.POST('/api/alterations', { body: { equipment, part, on, note } })),
    onSuccess: () => {
      setNote('');
      return renew();
    },
  });
  const remove = useMutation({
    mutationFn: (id: string) => ask(client.DELETE('/api/alterations/{id}', { params: { path: { id } } })),
    onSuccess: renew,
  });
  if (known.equipment.length === 0) return <p>{say('log.thereIsNoEquipmentYet')}</p>;
  return (
    <>
      <form
        className="sheet flex flex-wrap items-end gap-3 px-5 py-4"
        aria-label={say('log.aChange')}
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate();
        }}
      >
        <Pick
          label={say('log.changedAt')}
          value={equipment}
          onPick={setEquipment}
          options={known.equipment.map((one) => [one, one] as const)}
        />
        <Pick
          label={say('log.what')}
          value={part}
          onPick={(code) => setPart(code as typeof part)}
          options={known.parts.map((one) => [one.code, one.name] as const)}
        />
        <TextField label={say('log.onUTC')} value={on} onChange={setOn} className="w-32" />
        <TextField label={say('log.whichAndWhy')} value={note} onChange={setNote} className="w-80" />
        <Button kind="main" type="submit" disabled={add.isPending}>
          {say('log.saveTheChange')}
        </Button>
        {add.error && <Trouble error={add.error} />}
      </form>
      {known.entries.length === 0 ? (
        <p className="text-soft">{say('log.nothingWasChangedYet')}</p>
      ) : (
        <ul className="sheet divide-y divide-hair px-5 py-2" aria-label={say('log.changes')} data-part="changes">
          {known.entries.map((one) => (
            <li key={one.id} className="flex items-baseline gap-3 py-1.5">
              <span>{one.says}</span>
              <Button
                kind="bare"
                className="ml-auto text-13 text-soft"
                disabled={remove.isPending}
                aria-label={say('log.delete', { says: one.says })}
                onClick={() => remove.mutate(one.id)}
              >
                {say('shared.delete')}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {remove.error && <Trouble error={remove.error} />}
    </>
  );
}
