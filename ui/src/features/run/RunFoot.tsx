import { useState } from 'react';
import type { Act, RunView } from '../../api';
import { Button, Confirm, Input, Label, Select } from '../../parts/ui';
import { say } from '../../words';
import { isTuned } from './useDials';

/** Goes on by another school; what was read stays. */
function SchoolSwitch({ view, act }: { view: RunView; act: (act: Act) => void }) {
  return (
    <p className="mb-2 flex flex-wrap items-center gap-2">
      <Label htmlFor="school">{say('shared.school')}</Label>
      <Select
        id="school"
        letsKeysGo
        value={view.school}
        onPick={(school) => act({ act: 'SCHOOL', school: school as RunView['school'] })}
        options={view.maySwitchTo.map(({ code, name }) => [code, name] as const)}
      />
      <span className="text-13 text-soft">{say('run.whatWasReadStaysWhen')}</span>
    </p>
  );
}

/** What the run is made under, for trends. */
function Conditions({ view, act }: { view: RunView; act: (act: Act) => void }) {
  const [entry, setEntry] = useState({ lineVoltage: '', ambient: '', resting: '' });
  const unit = view.rows.find((row) => row.role === 'PLATE_CURRENT')?.unit ?? 'A';
  const fields = [
    ['lineVoltage', say('run.lineV')],
    ['ambient', say('run.roomC')],
    ...(isTuned(view) ? [['resting', say('run.restingPlateCurrent', { unit })] as const] : []),
  ] as const;
  return (
    <form
      className="mb-2 flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        act({ act: 'CONDITIONS', conditions: entry });
      }}
    >
      <span className="text-soft">{say('run.conditions')}</span>
      {fields.map(([name, label]) => (
        <span key={name} className="flex items-center gap-1.5">
          <Label htmlFor={`conditions-${name}`} className="text-13">
            {label}
          </Label>
          <Input
            id={`conditions-${name}`}
            number
            className="w-17"
            maxLength={10}
            value={entry[name]}
            onChange={(event) => setEntry({ ...entry, [name]: event.target.value })}
          />
        </span>
      ))}
      <Button type="submit" disabled={Object.values(entry).every((text) => text.trim() === '')}>
        {say('shared.save')}
      </Button>
      {view.conditions && <span className="text-13">{view.conditions}</span>}
    </form>
  );
}

/** A note to keep with the run, and the way out of it. */
export function RunFoot({ view, act }: { view: RunView; act: (act: Act) => void }) {
  const [note, setNote] = useState('');
  return (
    <section aria-label={say('run.notes')} className="sheet px-4 py-2.5">
      {view.notes.map((one) => (
        <p key={one} className="mb-1 border-l-2 border-rule pl-3">
          {one}
        </p>
      ))}
      {view.maySwitchTo.length > 1 && <SchoolSwitch view={view} act={act} />}
      <Conditions view={view} act={act} />
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          act({ act: 'NOTE', text: note });
          setNote('');
        }}
      >
        <Label htmlFor="note">{say('shared.note')}</Label>
        <Input
          id="note"
          className="min-w-45 grow"
          maxLength={500}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <Button type="submit" disabled={note.trim() === ''}>
          {say('run.saveNote')}
        </Button>
        {view.kind === 'RESONANCE' && view.steps.length > 0 && (
          <Button onClick={() => act({ act: 'FINISH' })}>{say('run.endTheWatchAndSave')}</Button>
        )}
        <Confirm
          title={isTuned(view) ? say('run.endThisRunWithoutA') : say('run.leaveThisRun')}
          says={say('run.whatWasReadStaysIn', { card: isTuned(view) ? say('run.noDialsAreWrittenTo') : '' })}
          does={say('run.endTheRun')}
          onDo={() => act({ act: 'ABANDON', text: '' })}
        >
          <Button kind="quiet">{say('run.leaveThisRunButton')}</Button>
        </Confirm>
      </form>
    </section>
  );
}
