import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, type Choices, client, type DialsView } from '../../api';
import { isRefused, Refused, Sheet } from '../../parts';
import { Button, Pick, TextField } from '../../parts/ui';
import { say } from '../../words';

/** Where the dials will go at a place that was not tuned for, and how far one may move in frequency from there. */
export function DialsAhead() {
  const choices = useQuery({ queryKey: ['choices'], queryFn: () => ask(client.GET('/api/choices')) });
  if (!choices.data) return null;
  return <Asking choices={choices.data} />;
}

function Asking({ choices }: { choices: Choices }) {
  const amplifiers = choices.amplifiers.filter((one) => one.tuned);
  const [amplifierId, setAmplifierId] = useState(
    (amplifiers.find((one) => one.name === choices.lastAmplifier) ?? amplifiers[0])?.id ?? '',
  );
  const amplifier = amplifiers.find((one) => one.id === amplifierId);
  const [band, setBand] = useState<Choices['bands'][number]['band']>('MHZ_7');
  const bands = choices.bands.filter((one) => amplifier?.bands.includes(one.band));
  const limits = bands.find((one) => one.band === band) ?? bands[0];
  const fitting = choices.terminations.filter((one) => one.bands.length === 0 || one.bands.includes(band));
  const [terminationId, setTerminationId] = useState('');
  const termination = fitting.find((one) => one.id === terminationId) ?? fitting[0];
  const [frequency, setFrequency] = useState('');
  const [position, setPosition] = useState('');
  const find = useMutation({
    mutationFn: () =>
      ask(
        client.POST('/api/cards/dials', {
          body: {
            amplifierId,
            terminationId: termination?.id ?? '',
            band: limits?.band ?? band,
            frequency,
            switchPosition: amplifier?.switchPositions.length ? position || amplifier.switchPositions[0] : undefined,
          },
        }),
      ),
  });
  if (!amplifier || !termination || !limits) return null;
  return (
    <Sheet title={say('cards.dialsForAnotherFrequencyOr')} part="dials-ahead" className="noprint">
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          find.mutate();
        }}
      >
        <Pick label={say('shared.amplifier')} value={amplifierId} onPick={setAmplifierId} options={named(amplifiers)} />
        {amplifier.switchPositions.length > 0 && (
          <Pick
            label={say('shared.itsSwitch')}
            value={position || (amplifier.switchPositions[0] ?? '')}
            onPick={setPosition}
            options={amplifier.switchPositions.map((one) => [one, one] as const)}
          />
        )}
        <Pick
          label={say('shared.band')}
          value={limits.band}
          onPick={(one) => setBand(one as typeof band)}
          options={bands.map((one) => [one.band, one.name] as const)}
        />
        <TextField
          label={say('cards.mhzTo', { lowest: limits.lowestHz / 1e6, highest: limits.highestHz / 1e6 })}
          number
          className="w-27.5"
          maxLength={12}
          invalid={isRefused(find.error, 'frequency')}
          value={frequency}
          onChange={setFrequency}
        />
        <Pick label={say('shared.into')} value={termination.id} onPick={setTerminationId} options={named(fitting)} />
        <Button kind="main" type="submit" disabled={frequency.trim() === '' || find.isPending}>
          {say('cards.findTheDials')}
        </Button>
      </form>
      <Refused error={find.error} />
      {find.data && <Found dials={find.data} />}
    </Sheet>
  );
}

const named = (boxes: { id: string; name: string }[]) => boxes.map((one) => [one.id, one.name] as const);

function Found({ dials }: { dials: DialsView }) {
  return (
    <div role="status" className="mt-3">
      {dials.plate && dials.load && (
        <p className="flex flex-wrap items-baseline gap-x-6">
          {[
            ['PLATE', dials.plate],
            ['LOAD', dials.load],
          ].map(([name, value]) => (
            <span key={name}>
              <span className="text-soft">{name}</span>{' '}
              <span className="figure text-27 font-semibold text-twin italic">{value}</span>
            </span>
          ))}
        </p>
      )}
      <p className="text-soft">{dials.basis}</p>
      {dials.reach && <p className="mt-1">{dials.reach}</p>}
    </div>
  );
}
