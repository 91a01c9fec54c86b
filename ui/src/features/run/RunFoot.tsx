import { useState } from 'react';
import type { Act, RunView } from '../../api';
import { Button } from '../../parts';

/** Goes on by another school; what was read stays. */
function SchoolSwitch({ view, act }: { view: RunView; act: (act: Act) => void }) {
  return (
    <p className="mb-2 flex flex-wrap items-center gap-2">
      <label htmlFor="school" className="text-soft">
        School
      </label>
      <select
        id="school"
        className="field"
        value={view.school}
        onChange={(event) => act({ act: 'SCHOOL', school: event.target.value as RunView['school'] })}
      >
        {view.maySwitchTo.map(({ code, name }) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
      <span className="text-13 text-soft">What was read stays when you go on by another.</span>
    </p>
  );
}

/** What the run is made under, for trends. */
function Conditions({ view, act }: { view: RunView; act: (act: Act) => void }) {
  const [entry, setEntry] = useState({ lineVoltage: '', ambient: '', resting: '' });
  const unit = view.rows.find((row) => row.role === 'PLATE_CURRENT')?.unit ?? 'A';
  const fields = [
    ['lineVoltage', 'line, V'],
    ['ambient', 'room, °C'],
    ['resting', `resting plate current, ${unit}`],
  ] as const;
  return (
    <form
      className="mb-2 flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        act({ act: 'CONDITIONS', conditions: entry });
      }}
    >
      <span className="text-soft">Conditions</span>
      {fields.map(([name, label]) => (
        <label key={name} className="flex items-center gap-1.5 text-13 text-soft">
          {label}
          <input
            className="field figure w-[68px] text-ink"
            inputMode="decimal"
            maxLength={10}
            value={entry[name]}
            onChange={(event) => setEntry({ ...entry, [name]: event.target.value })}
          />
        </label>
      ))}
      <Button type="submit" disabled={Object.values(entry).every((text) => text.trim() === '')}>
        Keep
      </Button>
      {view.conditions && <span className="text-13">{view.conditions}</span>}
    </form>
  );
}

/** A note to keep with the run, and the way out of it. */
export function RunFoot({ view, act }: { view: RunView; act: (act: Act) => void }) {
  const [note, setNote] = useState('');
  const [leaving, setLeaving] = useState(false);
  return (
    <section aria-label="Notes" className="sheet px-4 py-2.5">
      {view.notes.map((one) => (
        <p key={one} className="mb-1 border-l-2 border-rule pl-3">
          {one}
        </p>
      ))}
      <SchoolSwitch view={view} act={act} />
      <Conditions view={view} act={act} />
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          act({ act: 'NOTE', text: note });
          setNote('');
        }}
      >
        <label htmlFor="note" className="text-soft">
          Note
        </label>
        <input
          id="note"
          className="field min-w-[180px] grow"
          maxLength={500}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <Button type="submit" disabled={note.trim() === ''}>
          Keep note
        </Button>
        {leaving ? (
          <span className="flex items-center gap-2">
            End it without a card row?
            <Button onClick={() => act({ act: 'ABANDON', text: '' })}>End the run</Button>
            <Button kind="quiet" onClick={() => setLeaving(false)}>
              Go on
            </Button>
          </span>
        ) : (
          <Button kind="quiet" onClick={() => setLeaving(true)}>
            Leave this run
          </Button>
        )}
      </form>
    </section>
  );
}
