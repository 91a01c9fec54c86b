import type { ReactNode } from 'react';
import type { Choices } from '../../api';
import { Trouble, useChoices } from '../../parts';
import { Skeleton } from '../../parts/ui';
import { say } from '../../words';

/** What a form that begins a run chooses from, once it is there. */
export function WithChoices({ children }: { children: (choices: Choices) => ReactNode }) {
  const choices = useChoices();
  if (choices.data) return children(choices.data);
  if (choices.error) return <Trouble error={choices.error} retry={() => void choices.refetch()} />;
  return <Skeleton what={say('shared.theStation')} />;
}
