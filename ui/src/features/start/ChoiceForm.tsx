import type { ReactNode } from 'react';
import type { Choices } from '../../api';
import type { Choice } from './useChoice';

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
  return (
    <section aria-label="What to tune" className="sheet px-5 py-4">
      <h1 className="mb-2 text-22">What to tune</h1>
      <Line label="Amplifier">
        {choices.amplifiers.map((one) => (
          <Pick
            key={one.id}
            group="amplifier"
            name={one.name}
            detail={one.detail}
            disabled={!one.usable}
            chosen={one.id === choice.amplifierId}
            onPick={() => change({ amplifierId: one.id })}
          />
        ))}
      </Line>
      <Line label="Band">
        {bands.map((one) => (
          <Pick
            key={one.band}
            group="band"
            name={one.name}
            chosen={one.band === choice.band}
            onPick={() => change({ band: one.band })}
          />
        ))}
        <span className="flex items-center gap-2">
          <label htmlFor="frequency" className="text-soft">
            at
          </label>
          <input
            id="frequency"
            className="field figure w-[96px]"
            inputMode="decimal"
            maxLength={12}
            value={choice.frequency}
            onChange={(event) => change({ frequency: event.target.value })}
          />
          <span className="text-soft">MHz{limits && `, ${limits.lowestHz / 1e6} to ${limits.highestHz / 1e6}`}</span>
        </span>
      </Line>
      <Line label="Into">
        {terminations.map((one) => (
          <Pick
            key={one.id}
            group="termination"
            name={one.name}
            detail={one.detail}
            chosen={one.id === choice.terminationId}
            onPick={() => change({ terminationId: one.id })}
          />
        ))}
      </Line>
      <Line label="Exciter">
        {choices.exciters.map((one) => (
          <Pick
            key={one.id}
            group="exciter"
            name={one.name}
            detail={one.detail}
            chosen={one.id === choice.exciterId}
            onPick={() => change({ exciterId: one.id })}
          />
        ))}
      </Line>
      <Line label="Carrier">
        {choices.carriers.map((one) => (
          <Pick
            key={one.code}
            group="carrier"
            name={one.name}
            chosen={one.code === choice.carrier}
            onPick={() => change({ carrier: one.code as Choice['carrier'] })}
          />
        ))}
      </Line>
      <Line label="Meters">
        {choices.meters.map((one) => (
          <Pick
            key={one.id}
            group="meters"
            many
            name={one.name}
            detail={one.detail}
            chosen={choice.meterIds.includes(one.id)}
            onPick={() =>
              change({
                meterIds: choice.meterIds.includes(one.id)
                  ? choice.meterIds.filter((id) => id !== one.id)
                  : [...choice.meterIds, one.id],
              })
            }
          />
        ))}
      </Line>
      <Line label="School">
        {choices.schools.map((one) => (
          <Pick
            key={one.code}
            group="school"
            name={one.name}
            detail={one.detail}
            chosen={one.code === choice.school}
            onPick={() => change({ school: one.code as Choice['school'] })}
          />
        ))}
      </Line>
    </section>
  );
}

function Line({ label, children }: { label: string; children: ReactNode }) {
  return (
    <fieldset className="grid grid-cols-[96px_1fr] border-t border-hair py-2.5">
      <legend className="sr-only">{label}</legend>
      <span aria-hidden="true" className="head pt-1.5 text-soft">
        {label}
      </span>
      <div className="flex flex-wrap gap-x-2.5 gap-y-2">{children}</div>
    </fieldset>
  );
}

interface PickProps {
  group: string;
  name: string;
  detail?: string;
  chosen: boolean;
  disabled?: boolean;
  many?: boolean;
  onPick: () => void;
}

function Pick({ group, name, detail, chosen, disabled, many, onPick }: PickProps) {
  return (
    <label
      className={`flex min-h-[34px] cursor-pointer items-center gap-2 rounded-3 border px-3 py-1 has-disabled:cursor-not-allowed has-focus-visible:outline-2 has-focus-visible:outline-act ${
        chosen ? 'border-act bg-wash' : 'border-rule'
      }`}
    >
      <input
        type={many ? 'checkbox' : 'radio'}
        name={group}
        checked={chosen}
        disabled={disabled}
        onChange={onPick}
        className="accent-act"
      />
      <span className={disabled ? 'text-soft' : ''}>
        <span className="head">{name}</span>
        {detail && <span className="ml-2 text-13 text-soft">{detail}</span>}
      </span>
    </label>
  );
}
