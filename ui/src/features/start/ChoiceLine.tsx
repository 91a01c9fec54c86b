import type { Choices } from '../../api';
import { SignalLine } from '../../parts';
import { type Box, OneOf, SomeOf } from '../../parts/ui';
import { say } from '../../words';
import { box } from './boxes';
import { chosenReaders, readerBoxes, toggledReader } from './positions';
import { type Choice, climbing, isOfAnother, suits } from './useChoice';

interface Props {
  choices: Choices;
  choice: Choice;
  change: (change: Partial<Choice>) => void;
}

/** The signal path of the run to come: each node opens to what can stand there. */
export function ChoiceLine({ choices, choice, change }: Props) {
  const exciter = choices.exciters.find((one) => one.id === choice.exciterId);
  const pad = choices.pads.find((one) => one.id === choice.padId);
  const amplifier = choices.amplifiers.find((one) => one.id === choice.amplifierId);
  const load = choices.terminations.find((one) => one.id === choice.terminationId);
  const meters = choices.meters.filter((one) => choice.meterIds.includes(one.id));
  const readers = choices.meters.filter(
    (one) =>
      choice.meterIds.includes(one.id) ||
      (suits(one, amplifier?.tuned ?? true) && !isOfAnother(choices, amplifier?.name ?? '', one.name)),
  );
  const fitting = choices.terminations.filter((one) => one.bands.length === 0 || one.bands.includes(choice.band));
  const nodes = [
    {
      title: exciter?.name ?? say('start.noExciter'),
      detail: exciter?.detail ?? say('start.chooseOne'),
      choice: say('shared.exciter'),
      opens: one(say('shared.exciter'), choices.exciters.map(box), choice.exciterId, (exciterId) =>
        change({ exciterId }),
      ),
    },
    ...(choices.pads.length > 0
      ? [
          {
            title: pad?.name ?? say('start.noPad'),
            detail: pad?.detail ?? say('start.exciterStraightIn'),
            away: !pad,
            choice: say('shared.pad'),
            opens: one(
              say('shared.pad'),
              [{ code: '', name: say('start.noPad') }, ...choices.pads.map(box)],
              choice.padId ?? '',
              (padId) => change({ padId: padId || undefined }),
            ),
          },
        ]
      : []),
    {
      title: amplifier?.name ?? say('start.noAmplifier'),
      detail: amplifier?.detail ?? say('start.chooseOne'),
      choice: say('shared.amplifier'),
      opens: one(say('shared.amplifier'), climbing(choices).map(box), choice.amplifierId, (amplifierId) =>
        change({ amplifierId }),
      ),
    },
    {
      title:
        meters.length > 0
          ? meters.map((meter) => meter.name.replace(`${amplifier?.name} `, '')).join(', ')
          : say('start.noMeters'),
      detail: say('start.ofThatFit', { meters: meters.length, readers: readers.length }),
      choice: say('shared.meters'),
      opens: (
        <SomeOf
          label={say('shared.meters')}
          options={readerBoxes(readers)}
          chosen={chosenReaders(choices, choice)}
          onPick={(code) => change(toggledReader(choices, choice, code))}
        />
      ),
    },
    {
      title: load?.name ?? say('start.noLoad'),
      detail: load?.detail ?? say('start.chooseOne'),
      choice: say('start.loadOrAntenna'),
      opens: one(say('shared.into'), fitting.map(box), choice.terminationId, (terminationId) =>
        change({ terminationId }),
      ),
    },
  ];
  return <SignalLine nodes={nodes} />;
}

const one = (label: string, options: Box[], chosen: string, onPick: (code: string) => void) => (
  <OneOf label={label} options={options} chosen={[chosen]} onPick={onPick} />
);
