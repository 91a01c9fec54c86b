import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import {
  ask,
  client,
  type Equipment,
  type HighVoltage,
  type HighVoltageRecord,
  type Plan,
  type PlanRecord,
  type ProfileRecord,
  type ProfileRun,
  type SupplyRecordView,
} from '../../api';

const PAPERS = ['records'];

/** Returns all plans, profiles and high-voltage supplies. */
export function useSupplyRecords() {
  return useQuery({ queryKey: PAPERS, queryFn: () => ask(client.GET('/api/supply-records')) });
}

type Saved<T extends SupplyRecordView> = { record: Pick<T, 'id'>; revision: number } | undefined;

/** Saves a plan, anew or in place of the revision that was read. */
export async function savePlan(plan: Plan, at?: Saved<PlanRecord>): Promise<PlanRecord> {
  const saved = await (at
    ? ask(client.PUT('/api/supply-records/plans/{id}', { params: paramsOf(at), body: plan }))
    : ask(client.POST('/api/supply-records/plans', { body: plan })));
  return saved as PlanRecord;
}

/** Saves the measuring of a set. */
export async function saveProfile(run: ProfileRun, at?: Saved<ProfileRecord>): Promise<ProfileRecord> {
  const saved = await (at
    ? ask(client.PUT('/api/supply-records/profiles/{id}', { params: paramsOf(at), body: run }))
    : ask(client.POST('/api/supply-records/profiles', { body: run })));
  return saved as ProfileRecord;
}

/** Saves a high-voltage supply. */
export async function saveHighVoltage(supply: HighVoltage, at?: Saved<HighVoltageRecord>): Promise<HighVoltageRecord> {
  const saved = await (at
    ? ask(client.PUT('/api/supply-records/high-voltages/{id}', { params: paramsOf(at), body: supply }))
    : ask(client.POST('/api/supply-records/high-voltages', { body: supply })));
  return saved as HighVoltageRecord;
}

const paramsOf = (at: NonNullable<Saved<SupplyRecordView>>) => ({
  path: { id: at.record.id },
  query: { revision: at.revision },
});

/** Saves a plan, anew or in place of the one that was read. */
export function useSavePlan(at?: PlanRecord) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (plan: Plan) => savePlan(plan, at && { record: at, revision: at.revision }),
    onSuccess: (record) => put(queries, record),
  });
}

/** Saves the measuring of a set in place of what was read. */
export function useSaveProfile(at: ProfileRecord) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (run: ProfileRun) => saveProfile(run, { record: at, revision: at.revision }),
    onSuccess: (record) => put(queries, record),
  });
}

/** Takes a record away. */
export function useRemove() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask(client.DELETE('/api/supply-records/{id}', { params: { path: { id } } })),
    onSuccess: (_, id) =>
      queries.setQueryData<SupplyRecordView[]>(PAPERS, (list) => (list ?? []).filter((one) => one.id !== id)),
  });
}

/** Puts a record that the server replied with at the head of the list. */
export function put(queries: ReturnType<typeof useQueryClient>, record: SupplyRecordView): void {
  queries.setQueryData<SupplyRecordView[]>(PAPERS, (list) => [
    record,
    ...(list ?? []).filter((one) => one.id !== record.id),
  ]);
  // A rise that was measured stops plans that were judged before.
  void queries.invalidateQueries({ queryKey: ['judged'] });
}

/** Returns what a plan comes to, kept or not; meanwhile what the one before came to. */
export function useJudged(plan: Plan | undefined) {
  const query = useQuery({
    queryKey: ['judged', plan],
    queryFn: () => ask(client.POST('/api/supply/plan', { body: plan as Plan })),
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
export function useProfile(run: ProfileRun, atW?: number) {
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
export function useHighVoltage(supply: HighVoltage | undefined) {
  const query = useQuery({
    queryKey: ['highVoltage', supply],
    queryFn: () => ask(client.POST('/api/supply/high-voltage', { body: supply as HighVoltage })),
    enabled: supply !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
  return { ...query, data: useLast(query.data) };
}

/** Returns the station's records of a kind. */
export function useEquipment<K extends Equipment['kind']>(kind: K): Extract<Equipment, { kind: K }>[] {
  const equipment = useQuery({ queryKey: ['equipment'], queryFn: () => ask(client.GET('/api/equipment')) });
  return (equipment.data ?? []).flatMap((one) =>
    one.body.kind === kind ? [one.body as Extract<Equipment, { kind: K }>] : [],
  );
}
