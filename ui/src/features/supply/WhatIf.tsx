import { useState } from 'react';
import type { Plan } from '../../api';
import { Sheet } from '../../parts';
import { Button, Pick, TextField } from '../../parts/ui';
import { parseNumber, showNumber } from '../../quantity';
import { say } from '../../words';
import { useEquipment } from './useSupplyRecords';

const SQUARE_MILLIMETRE = 1e-6;

interface Props {
  draft: Plan;
  areasM2: number[];
  onDraft: (draft: Plan) => void;
  refusal: React.ReactNode;
  keeping: React.ReactNode;
}

/** The few things that one turns to see what would be. */
export function WhatIf({ draft, areasM2, onDraft, refusal, keeping }: Props) {
  const supplies = useEquipment('supply');
  const batteries = useEquipment('battery');
  const lead = (change: Partial<Plan['lead']>) => onDraft({ ...draft, lead: { ...draft.lead, ...change } });
  const square = (m2: number) => String(Number((m2 / SQUARE_MILLIMETRE).toPrecision(6)));
  const areas = areasM2.map((one) => [square(one), say('supply.twoOfSquare', { square: square(one) })] as const);
  const area = square(draft.lead.areaM2);
  const known = (list: { name: string }[], name: string) =>
    list.some((one) => one.name === name)
      ? list.map((one) => [one.name, one.name] as const)
      : [[name, name] as const, ...list.map((one) => [one.name, one.name] as const)];
  const recorded = supplies.find((one) => one.name === draft.supply.name);
  const most = Math.max(0, ...draft.pattern.map((one) => one.peakEnvelopeW));
  return (
    <Sheet title={say('supply.whatIf')} part="what-if" className="noprint">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        <Pick
          label={say('shared.supply')}
          value={draft.supply.name}
          options={known(supplies, draft.supply.name)}
          onPick={(name) => {
            const body = supplies.find((one) => one.name === name);
            if (body) onDraft({ ...draft, supply: body });
          }}
        />
        <Amount
          label={say('supply.setToV')}
          value={draft.supply.voltageV}
          onAmount={(voltageV) => onDraft({ ...draft, supply: { ...draft.supply, voltageV } })}
        />
        <Pick
          label={say('supply.lead')}
          value={area}
          options={
            areas.some(([code]) => code === area)
              ? areas
              : [[area, say('supply.twoOfSquare', { square: area })], ...areas]
          }
          onPick={(code) => lead({ areaM2: Number((Number(code) * SQUARE_MILLIMETRE).toPrecision(6)) })}
        />
        <Amount
          label={say('supply.lengthOneWayM')}
          value={draft.lead.lengthM}
          onAmount={(lengthM) => lead({ lengthM })}
        />
        <Amount
          label={say('supply.greatestPowerW')}
          value={most}
          onAmount={(watt) =>
            most > 0 &&
            onDraft({
              ...draft,
              pattern: draft.pattern.map((one) => ({
                ...one,
                peakEnvelopeW: Number(((one.peakEnvelopeW * watt) / most).toPrecision(6)),
              })),
            })
          }
        />
        <Pick
          label={say('shared.battery')}
          value={draft.battery?.battery.name ?? ''}
          options={[
            ['', say('shared.none')],
            ...known(batteries, draft.battery?.battery.name ?? '').filter(([code]) => code),
          ]}
          onPick={(name) => {
            const body = batteries.find((one) => one.name === name);
            const battery = body ? { chargingA: 0, temperatureC: 20, ...draft.battery, battery: body } : undefined;
            onDraft({ ...draft, battery });
          }}
        />
      </div>
      {recorded && JSON.stringify(recorded) !== JSON.stringify(draft.supply) && (
        <p className="mt-2">
          <Button kind="quiet" className="px-0" onClick={() => onDraft({ ...draft, supply: recorded })}>
            {say('supply.asStationHasItNow', { supply: draft.supply.name })}
          </Button>
        </p>
      )}
      <p className="mt-2 text-13 text-soft">{say('supply.ratingLinesInTheStrip')}</p>
      {refusal}
      {keeping}
    </Sheet>
  );
}

/** A number that takes effect as soon as it is one. */
function Amount({ label, value, onAmount }: { label: string; value: number; onAmount: (value: number) => void }) {
  const [text, setText] = useState<string>();
  const wrong = text !== undefined && !(Number(parseNumber(text)) > 0);
  return (
    <TextField
      label={label}
      number
      className="w-27.5"
      maxLength={20}
      invalid={wrong}
      value={text ?? showNumber(value)}
      onChange={(typed) => {
        setText(typed);
        const number = parseNumber(typed);
        if (number !== undefined && number > 0) onAmount(number);
      }}
      onBlur={() => setText(undefined)}
    />
  );
}
