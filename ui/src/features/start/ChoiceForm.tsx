import type { ReactNode } from 'react';
import type { Choices } from '../../api';
import { type Box, Check, Input, Label, OneOf, SomeOf } from '../../parts/ui';
import { type Choice, climbing, isOfOtherRuns, suggestion, suits } from './useChoice';

interface Props {
  choices: Choices;
  choice: Choice;
  change: (change: Partial<Choice>) => void;
}

/** What the climb is about, in the order of the signal path. */
export function ChoiceForm({ choices, choice, change }: Props) {
  const amplifier = choices.amplifiers.find((one) => one.id === choice.amplifierId);
  const bands = choices.bands.filter((one) => amplifier?.bands.includes(one.band));
  const terminations = choices.terminations.filter((one) => one.bands.length === 0 || one.bands.includes(choice.band));
  const limits = choices.bands.find((one) => one.band === choice.band);
  const tuned = amplifier?.tuned ?? true;
  return (
    <section aria-label="What to tune" className="sheet px-5 py-4">
      <h1 className="mb-2 text-22">What to tune</h1>
      <Line
        label="Amplifier"
        options={climbing(choices).map(box)}
        chosen={[choice.amplifierId]}
        onPick={(amplifierId) => change({ amplifierId })}
      />
      {amplifier && amplifier.switchPositions.length > 0 && (
        <Line
          label="Its switch"
          options={amplifier.switchPositions.map((one) => ({ code: one, name: one }))}
          chosen={[choice.switchPosition ?? '']}
          onPick={(switchPosition) => change({ switchPosition })}
        />
      )}
      <Line
        label="Band"
        options={bands.map((one) => ({ code: one.band, name: one.name }))}
        chosen={[choice.band]}
        onPick={(band) => change({ band: band as Choice['band'] })}
      >
        <span className="flex items-center gap-2">
          <Label htmlFor="frequency">at</Label>
          <Input
            id="frequency"
            number
            className="w-24"
            maxLength={12}
            value={choice.frequency}
            onChange={(event) => change({ frequency: event.target.value })}
          />
          <span className="text-soft">MHz{limits && `, ${limits.lowestHz / 1e6} to ${limits.highestHz / 1e6}`}</span>
        </span>
      </Line>
      <Line
        label="Into"
        options={terminations.map(box)}
        chosen={[choice.terminationId]}
        onPick={(terminationId) => change({ terminationId })}
      />
      <Line
        label="Exciter"
        options={choices.exciters.map(box)}
        chosen={[choice.exciterId]}
        onPick={(exciterId) => change({ exciterId })}
      />
      {choices.pads.length > 0 && (
        <Line
          label="Pad"
          options={[{ code: '', name: 'none' }, ...choices.pads.map(box)]}
          chosen={[choice.padId ?? '']}
          onPick={(padId) => change({ padId: padId || undefined })}
        />
      )}
      <Line
        label="Carrier"
        options={choices.carriers}
        chosen={[choice.carrier]}
        onPick={(carrier) => change({ carrier: carrier as Choice['carrier'] })}
      />
      <Line
        label="Meters"
        many
        options={choices.meters.filter((one) => suits(one, tuned)).map(box)}
        chosen={choice.meterIds}
        onPick={(id) => change({ meterIds: toggled(choice.meterIds, id) })}
      />
      {tuned ? (
        <Climb choices={choices} choice={choice} change={change} />
      ) : (
        <Table choices={choices} choice={choice} change={change} />
      )}
      <Line
        label="Readings"
        options={choices.sources}
        chosen={[choice.source]}
        onPick={(source) => change({ source: source as Choice['source'] })}
      />
    </section>
  );
}

/** No dials: what output is wanted on this band. */
function Table({ choices, choice, change }: Props) {
  const school = choices.schools.find((one) => one.code === 'DRIVE_TABLE');
  return (
    <div className="grid grid-cols-line border-t border-hair py-2.5">
      <Label htmlFor="wanted-output" className="head pt-1.5">
        Wanted
      </Label>
      <div className="flex flex-wrap items-center gap-2 text-soft">
        <Input
          id="wanted-output"
          number
          className="w-19"
          maxLength={8}
          value={choice.wantedOutput}
          onChange={(event) => change({ wantedOutput: event.target.value })}
        />
        W of output; left empty, as far as the rating goes
        <Check checked={choice.unfiltered} onCheck={(unfiltered) => change({ unfiltered })}>
          no filter between amplifier and wattmeter
        </Check>
        <p className="basis-full text-13">
          <span className="text-ink">{school?.detail}</span> {school?.costs}
        </p>
      </div>
    </div>
  );
}

/** How the dials are found. */
function Climb({ choices, choice, change }: Props) {
  return (
    <>
      <Schools choices={choices} choice={choice} change={change} />
      <Line
        label="Ladder"
        options={[{ code: '', name: 'by the school' }, ...choices.rungs]}
        chosen={[choice.rungs ?? '']}
        onPick={(rungs) => change({ rungs: (rungs || undefined) as Choice['rungs'] })}
      >
        {choice.rungs === 'OWN' && (
          <span className="flex items-center gap-2">
            <Label htmlFor="own-drives">drives, W</Label>
            <Input
              id="own-drives"
              number
              className="w-40"
              placeholder="4 9 20 40"
              value={choice.ownDrives}
              onChange={(event) => change({ ownDrives: event.target.value })}
            />
          </span>
        )}
        <span className="flex items-center gap-2 text-soft">
          <Label htmlFor="first-ceiling">plate current at the first step, at most</Label>
          <Input
            id="first-ceiling"
            number
            className="w-19"
            maxLength={8}
            value={choice.firstCeiling}
            onChange={(event) => change({ firstCeiling: event.target.value })}
          />
          A, where the maker names one
        </span>
      </Line>
    </>
  );
}

/** How to decide: what each school does, when it suits, what it costs in heat. */
function Schools({ choices, choice, change }: Props) {
  const schools = choices.schools.filter((one) => !isOfOtherRuns(one.code));
  const chosen = schools.find((one) => one.code === choice.school);
  const nameOf = (code: string) => choices.schools.find((one) => one.code === code)?.name;
  const suggested = suggestion(choices, choice.amplifierId, choice.band);
  return (
    <Line
      label="School"
      options={schools.map(({ code, name }) => ({
        code,
        name,
        ...(code === suggested?.school ? { detail: 'suggested' } : {}),
      }))}
      chosen={[choice.school]}
      onPick={(school) => change({ school: school as Choice['school'] })}
    >
      {chosen && (
        <p className="basis-full text-13 text-soft" data-part="school">
          <span className="text-ink">{chosen.detail}</span> <b className="font-semibold">Suits:</b> {chosen.suits}{' '}
          <b className="font-semibold">Heat:</b> {chosen.costs}
          {suggested && (
            <>
              {' '}
              <b className="font-semibold">Suggested here:</b> {nameOf(suggested.school)}, since {suggested.why}
            </>
          )}
        </p>
      )}
    </Line>
  );
}

const box = (one: Choices['amplifiers'][number]): Box => ({
  code: one.id,
  name: one.name,
  detail: one.detail,
});

const toggled = (ids: string[], id: string) => (ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id]);

interface LineProps {
  label: string;
  options: Box[];
  chosen: string[];
  many?: boolean;
  onPick: (code: string) => void;
  children?: ReactNode;
}

/** One line of the form: its options side by side, of which one or many are chosen. */
function Line({ label, many, ...boxes }: LineProps) {
  const Choice = many ? SomeOf : OneOf;
  return (
    <div className="grid grid-cols-line border-t border-hair py-2.5">
      <span aria-hidden="true" className="head pt-1.5 text-soft">
        {label}
      </span>
      <Choice label={label} {...boxes} />
    </div>
  );
}
