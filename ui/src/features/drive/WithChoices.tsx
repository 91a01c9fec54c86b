import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { ask, type Choices, client } from '../../api';
import { Trouble } from '../../parts';
import { Skeleton } from '../../parts/ui';
import { say } from '../../words';

/** What a form that begins a run chooses from, once it is there. */
export function WithChoices({ children }: { children: (choices: Choices) => ReactNode }) {
  const choices = useQuery({ queryKey: ['choices'], queryFn: () => ask(client.GET('/api/choices')) });
  if (choices.error) return <Trouble error={choices.error} retry={() => void choices.refetch()} />;
  return choices.data ? children(choices.data) : <Skeleton what={say('shared.theStation')} />;
}
