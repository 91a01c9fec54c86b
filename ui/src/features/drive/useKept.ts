import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { say } from '../../words';

/** What runs of a kind brought: all of them, and one whole, which is the newest until another is picked. */
export function useKept<View>(kind: string, title: string, get: (query: { run?: string }) => Promise<View>) {
  const [run, pick] = useState<string>();
  const view = useQuery({
    queryKey: ['drive', kind, run],
    queryFn: () => get(run ? { run } : {}),
    placeholderData: keepPreviousData,
  });
  useEffect(() => {
    document.title = say('shared.tubrin', { title });
  }, [title]);
  return { view, pick };
}
