import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { ask, client, type PaperView } from '../../api';
import type { Body } from '../../parts/form';

const PAPERS = ['papers'];

/** Returns all plans, profiles and high-voltage supplies. */
export function usePapers() {
  return useQuery({ queryKey: PAPERS, queryFn: () => ask(client.GET('/api/papers')) });
}

/** Keeps a paper, new or in place of the revision that was read. */
export function useKeep(kind: PaperView['kind'], kept?: Pick<PaperView, 'id' | 'revision'>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Body) =>
      kept
        ? ask(
            client.PUT('/api/papers/{id}', {
              params: { path: { id: kept.id }, query: { revision: kept.revision } },
              body,
            }),
          )
        : ask(client.POST('/api/papers', { params: { query: { kind } }, body })),
    onSuccess: (paper) => put(queries, paper),
  });
}

/** Takes a paper away. */
export function useRemove() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask(client.DELETE('/api/papers/{id}', { params: { path: { id } } })),
    onSuccess: (_, id) =>
      queries.setQueryData<PaperView[]>(PAPERS, (list) => (list ?? []).filter((one) => one.id !== id)),
  });
}

/** Puts a paper that the server replied with at the head of the list. */
export function put(queries: ReturnType<typeof useQueryClient>, paper: PaperView): void {
  queries.setQueryData<PaperView[]>(PAPERS, (list) => [paper, ...(list ?? []).filter((one) => one.id !== paper.id)]);
  // A rise that was measured stops plans that were judged before.
  void queries.invalidateQueries({ queryKey: ['judged'] });
}

/** Returns what a plan comes to, kept or not; meanwhile what the one before came to. */
export function useJudged(plan: Body | undefined) {
  const query = useQuery({
    queryKey: ['judged', plan],
    queryFn: () => ask(client.POST('/api/supply/plan', { body: plan ?? {} })),
    enabled: plan !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
  return { ...query, data: useLast(query.data) };
}

/** Returns a value, or while there is none the last that there was: what is refused takes nothing from the page. */
function useLast<T>(value: T | undefined): T | undefined {
  const last = useRef(value);
  if (value !== undefined) last.current = value;
  return last.current;
}

/** Returns what the measuring of a profile has come to, with what it says of an output in watts. */
export function useProfile(run: Body, atW?: number) {
  const query = useQuery({
    queryKey: ['profile', run, atW],
    queryFn: () =>
      ask(
        client.POST('/api/supply/profile', {
          params: { query: atW === undefined ? {} : { atW } },
          body: run,
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  return { ...query, data: useLast(query.data) };
}

/** Returns what a high-voltage supply comes to, kept or not. */
export function useHighVoltage(supply: Body | undefined) {
  const query = useQuery({
    queryKey: ['highVoltage', supply],
    queryFn: () => ask(client.POST('/api/supply/high-voltage', { body: supply ?? {} })),
    enabled: supply !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
  return { ...query, data: useLast(query.data) };
}

/** Returns the station's records of a kind. */
export function useEquipment(kind: string) {
  const equipment = useQuery({ queryKey: ['equipment'], queryFn: () => ask(client.GET('/api/equipment')) });
  return (equipment.data ?? []).filter((one) => one.kind === kind);
}
