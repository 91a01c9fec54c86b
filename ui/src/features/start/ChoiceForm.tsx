import type { ReactNode } from 'react';
import type { Choices } from '../../api';
import { useKeys } from '../../parts';
import { type Box, Check, Fold, Input, Label, OneOf } from '../../parts/ui';
import { showNumber } from '../../quantity';
import { say, within } from '../../words';
import { type Choice, schoolsFor, suggestion } from './useChoice';

/** So many bands have a digit of their own. */
const MOST_KEYS = 9;

interface Props {
  choices: Choices;
  choice: Choice;
  change: (change: Partial<Choice>) => void;
}

/** Where it is tuned. */
export function BandSheet({ choices, choice, change }: Props) {
  const amplifier = choices.amplifiers.find((one) => one.id === choice.amplifierId);
  const bands = choices.bands.filter((one) => amplifier?.bands.includes(one.band));
  const limits = choices.bands.find((one) => one.band === choice.band);
  const pick = (band: string) => change({ band: band as Choice['band'] });
  useKeys(Object.fromEntries(bands.slice(0, MOST_KEYS).map((one, index) => [String(index + 1), () => pick(one.band)])));
  return (
    <section aria-label={say('shared.band')} className="sheet px-4 py-2.5">
      <Line
        label={say('shared.band')}
        options={bands.map((one, index) => ({
          code: one.band,
          name: one.name,
          ...(index < MOST_KEYS ? { hotkey: String(index + 1) } : {}),
        }))}
        chosen={[choice.band]}
        onPick={pick}
      >
        <span className="flex items-center gap-2">
          <Label htmlFor="frequency">{say('start.at')}</Label>
          <Input
            id="frequency"
            number
            className="w-19"
            maxLength={12}
            value={choice.frequency}
            onChange={(event) => change({ frequency: event.target.value })}
          />
          <span className="text-13 text-soft">
            {say('start.mhz', {
              range: limits && `, ${showNumber(limits.lowestHz / 1e6)}–${showNumber(limits.highestHz / 1e6)}`,
            })}
          </span>
        </span>
      </Line>
      {amplifier && amplifier.switchPositions.length > 0 && (
        <Line
          label={say('shared.itsSwitch')}
          options={amplifier.switchPositions.map((one) => ({ code: one, name: one }))}
          chosen={[choice.switchPosition ?? '']}
          onPick={(switchPosition) => change({ switchPosition })}
        />
      )}
    </section>
  );
}

/** How it is gone about. */
export function WaySheet({ choices, choice, change }: Props) {
  const tuned = choices.amplifiers.find((one) => one.id === choice.amplifierId)?.tuned ?? true;
  const carrier = choices.carriers.find((one) => one.code === choice.carrier)?.name;
  const rungs = choices.rungs.find((one) => one.code === choice.rungs)?.name ?? say('start.byTheSchool');
  return (
    <section aria-label={say('start.how')} className="sheet px-4 py-2.5">
      <Line
        label={say('shared.readings')}
        options={choices.sources}
        chosen={[choice.source]}
        onPick={(source) => change({ source: source as Choice['source'] })}
      />
      {tuned ? (
        <>
          <UseLine choices={choices} choice={choice} change={change} />
          <Schools choices={choices} choice={choice} change={change} />
        </>
      ) : (
        <Table choices={choices} choice={choice} change={change} />
      )}
      <Fold
        className="py-1"
        title={
          <>
            <span className="head text-soft">{say('start.rarelyChanged')}</span>{' '}
            <span className="text-13">
              {say('start.carrierOf', {
                carrier,
                rungs: tuned && say('start.ladder', { rungs: within(rungs) }),
                choice: paceWords(choice),
              })}
            </span>
          </>
        }
      >
        <Line
          label={say('start.carrier')}
          options={choices.carriers}
          chosen={[choice.carrier]}
          onPick={(one) => change({ carrier: one as Choice['carrier'] })}
        />
        {tuned && <LadderLine choices={choices} choice={choice} change={change} />}
        <PaceLine choice={choice} change={change} />
      </Fold>
    </section>
  );
}

const PACE = [
  ['aim', say('start.keyDownAim'), 's'],
  ['stop', say('start.atMost'), 's'],
  ['rest', say('start.restAtLeast'), 's'],
  ['margin', say('start.limitsHeldBelowTheRecord'), '%'],
] as const;

function paceWords({ pace }: Choice): string {
  return PACE.filter(([field]) => pace[field])
    .map(([field, label, unit]) => `, ${label} ${pace[field]} ${unit}`)
    .join('');
}

/** How fast and how near the limits. */
function PaceLine({ choice, change }: Pick<Props, 'choice' | 'change'>) {
  return (
    <div className="grid grid-cols-line-tight py-2.5">
      <span aria-hidden="true" className="head pt-1.5 text-soft">
        {say('start.pace')}
      </span>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2 text-soft">
        {PACE.map(([field, label, unit]) => (
          <span key={field} className="flex items-center gap-2">
            <Label htmlFor={`pace-${field}`}>{label}</Label>
            <Input
              id={`pace-${field}`}
              number
              className="w-14"
              maxLength={6}
              value={choice.pace[field]}
              onChange={(event) => change({ pace: { ...choice.pace, [field]: event.target.value } })}
            />
            {unit}
          </span>
        ))}
        <p className="basis-full text-13">{say('start.leftEmptyWhatIsCustomary')}</p>
      </div>
    </div>
  );
}

/** No dials: what output is wanted on this band. */
function Table({ choices, choice, change }: Props) {
  const school = choices.schools.find((one) => one.code === 'DRIVE_TABLE');
  return (
    <div className="grid grid-cols-line-tight py-1.5">
      <Label htmlFor="wanted-output" className="head pt-1.5">
        {say('shared.wanted')}
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
        {say('start.wOfOutputLeftEmpty')}
        <Check checked={choice.unfiltered} onCheck={(unfiltered) => change({ unfiltered })}>
          {say('start.noFilterBetweenAmplifierAnd')}
        </Check>
        <p className="basis-full text-13">
          <span className="text-ink">{school?.detail}</span> {school?.costs}
        </p>
      </div>
    </div>
  );
}

/** In which steps the drive goes up. */
function LadderLine({ choices, choice, change }: Props) {
  return (
    <Line
      label={say('start.ladderHead')}
      options={[{ code: '', name: say('start.byTheSchool') }, ...choices.rungs]}
      chosen={[choice.rungs ?? '']}
      onPick={(rungs) => change({ rungs: (rungs || undefined) as Choice['rungs'] })}
    >
      {choice.rungs === 'OWN' && (
        <span className="flex items-center gap-2">
          <Label htmlFor="own-drives">{say('start.drivesW')}</Label>
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
        <Label htmlFor="first-ceiling">{say('start.plateCurrentAtTheFirst')}</Label>
        <Input
          id="first-ceiling"
          number
          className="w-19"
          maxLength={8}
          value={choice.firstCeiling}
          onChange={(event) => change({ firstCeiling: event.target.value })}
        />
        {say('start.aWhereTheMakerNames')}
      </span>
    </Line>
  );
}

/** What the dials are for: full drive, or less that stands long. */
function UseLine({ choices, choice, change }: Props) {
  const isLong = choice.use === 'LONG_CARRIER';
  return (
    <Line
      label={say('start.dialsFor')}
      options={choices.uses.map(({ code, name }) => ({ code, name }))}
      chosen={[choice.use]}
      onPick={(use) => change({ use: use as Choice['use'] })}
    >
      {isLong && (
        <>
          <span className="flex items-center gap-2">
            <Label htmlFor="long-output">{say('start.outputOfIt')}</Label>
            <Input
              id="long-output"
              number
              className="w-19"
              maxLength={8}
              value={choice.wantedOutput}
              onChange={(event) => change({ wantedOutput: event.target.value })}
            />
            <span className="text-13 text-soft">{say('start.leftEmptyCustomary')}</span>
          </span>
          <p className="basis-full text-13 text-soft">{choices.uses.find((one) => one.code === choice.use)?.detail}</p>
        </>
      )}
    </Line>
  );
}

/** How to decide: what each school does, when it suits, what it costs in heat. */
function Schools({ choices, choice, change }: Props) {
  const schools = schoolsFor(choices, choice.use);
  const chosen = schools.find((one) => one.code === choice.school);
  const nameOf = (code: string) => choices.schools.find((one) => one.code === code)?.name;
  const suits = suggestion(choices, choice);
  const suggested = schools.some(({ code }) => code === suits?.school) ? suits : undefined;
  return (
    <Line
      label={say('shared.school')}
      options={schools.map(({ code, name }) => ({
        code,
        name,
        ...(code === suggested?.school ? { detail: say('start.suggested') } : {}),
      }))}
      chosen={[choice.school]}
      onPick={(school) => change({ school: school as Choice['school'] })}
    >
      {chosen && (
        <p className="basis-full text-13 text-soft" data-part="school">
          <span className="text-ink">{chosen.detail}</span> <b className="font-semibold">{say('start.suits')}</b>{' '}
          {chosen.suits} <b className="font-semibold">{say('start.heat')}</b> {chosen.costs}
          {suggested && (
            <>
              {' '}
              <b className="font-semibold">{say('start.suggestedHere')}</b>{' '}
              {say('start.since', { school: nameOf(suggested.school), why: suggested.why })}
            </>
          )}
        </p>
      )}
    </Line>
  );
}

interface LineProps {
  label: string;
  options: Box[];
  chosen: string[];
  onPick: (code: string) => void;
  children?: ReactNode;
}

/** One line of the form: its options side by side, of which one is chosen. */
function Line({ label, ...boxes }: LineProps) {
  return (
    <div className="grid grid-cols-line-tight py-1.5">
      <span aria-hidden="true" className="head pt-1.5 text-soft">
        {label}
      </span>
      <OneOf label={label} {...boxes} />
    </div>
  );
}
