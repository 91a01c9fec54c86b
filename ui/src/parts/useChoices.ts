import { useQuery } from '@tanstack/react-query';
import { ask, client } from '../api';

/** A bench that comes up or goes away is there, or is not, within a few seconds. */
const LOOKED_AT_EVERY_MS = 3000;

/** What a run is begun with; looked at again while a form that begins one is open. */
export function useChoices() {
  return useQuery({
    queryKey: ['choices'],
    queryFn: () => ask(client.GET('/api/choices')),
    refetchInterval: LOOKED_AT_EVERY_MS,
  });
}
