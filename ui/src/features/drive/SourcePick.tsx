import type { Choices, StartRequest } from '../../api';
import { Pick } from '../../parts/ui';
import { say } from '../../words';

interface Props {
  choices: Choices;
  value: StartRequest['source'];
  onPick: (source: StartRequest['source']) => void;
}

/** Where the readings of a run come from. */
export function SourcePick({ choices, value, onPick }: Props) {
  return (
    <Pick
      label={say('shared.readings')}
      value={value}
      options={choices.sources.map((one) => [one.code, one.name] as const)}
      onPick={(source) => onPick(source as StartRequest['source'])}
    />
  );
}
