import { useQueries } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ask, client } from '../api';
import { glossary } from '../parts';
import { cn, Dialog, fieldLook } from '../parts/ui';
import { utc } from '../quantity';
import { say } from '../words';
import { actsOfView } from './acts';
import { PLACES } from './places';
import { toggleTheme } from './theme';

interface Props {
  open: boolean;
  onClose: () => void;
  onHelp: () => void;
}

const ITEM = 'flex cursor-pointer gap-3 rounded-3 px-3 py-1.5 data-[selected=true]:bg-wash';
const GROUP = '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-12 text-ink';
const RECORDS = { PLAN: 'plans', PROFILE: 'profiles', HIGH_VOLTAGE: 'high-voltage' } as const;
const SOON_MS = 30_000;

/** Something that the list finds: what it is called, what stands beside it, and where it leads. */
interface Found {
  id: string;
  name: string;
  beside?: string;
  path: string;
}

/** The list of commands: type a part of a word, Enter does it. It knows what the view in hand can do, and finds all that is kept. */
export default function Commands({ open, onClose, onHelp }: Props) {
  const navigate = useNavigate();
  // What was there before the list lay over it.
  const [acts] = useState(actsOfView);
  const kept = useKept();
  const run = (act: () => void) => () => {
    onClose();
    act();
  };
  return (
    <Dialog open={open} onClose={onClose} title={say('app.commands')} quiet className="w-150 p-3">
      <Command label={say('app.commands')}>
        <Command.Input placeholder={say('app.whatToDo')} className={cn(fieldLook(), 'mb-2 w-full')} />
        <Command.List className="max-h-100 overflow-y-auto">
          <Command.Empty className="px-3 py-1.5 text-soft">{say('app.noSuchCommand')}</Command.Empty>
          <Command.Group heading={say('app.here')} className={GROUP}>
            {acts.map((act) => (
              // What lay over the view is gone by the next turn.
              <Command.Item key={act.name} className={ITEM} onSelect={run(() => setTimeout(act.press))}>
                {act.name}
              </Command.Item>
            ))}
          </Command.Group>
          <Command.Group heading={say('app.places')} className={GROUP}>
            {PLACES.map((place) => (
              <Command.Item key={place.path} className={ITEM} onSelect={run(() => navigate(place.path))}>
                {say('app.goTo', { place: place.name })}
              </Command.Item>
            ))}
            <Command.Item className={ITEM} onSelect={run(toggleTheme)}>
              {say('app.dayOrLamp')}
            </Command.Item>
            <Command.Item className={ITEM} onSelect={run(onHelp)}>
              {say('app.showTheKeys')}
            </Command.Item>
          </Command.Group>
          {kept.map(([heading, found]) => (
            <Command.Group key={heading} heading={heading} className={GROUP}>
              {found.map((one) => (
                <Command.Item
                  key={one.id}
                  value={`${one.id} ${one.name} ${one.beside ?? ''}`}
                  className={ITEM}
                  onSelect={run(() => navigate(one.path))}
                >
                  {one.name}
                  {one.beside && <span className="text-soft">{one.beside}</span>}
                </Command.Item>
              ))}
            </Command.Group>
          ))}
          <Command.Group heading={say('app.words')} className={GROUP}>
            {Object.values(glossary()).map(([term, means]) => (
              <Command.Item key={term} className={ITEM}>
                <span className="w-32 shrink-0">{term}</span>
                <span className="text-soft">{means}</span>
              </Command.Item>
            ))}
          </Command.Group>
        </Command.List>
      </Command>
    </Dialog>
  );
}

/** Returns all that is kept, by kind; what cannot be read now is left out. */
function useKept(): (readonly [string, Found[]])[] {
  const [equipment, records, cards, runs, faults, practices, trends] = useQueries({
    queries: [
      { queryKey: ['equipment'], queryFn: () => ask(client.GET('/api/equipment')), staleTime: SOON_MS },
      { queryKey: ['records'], queryFn: () => ask(client.GET('/api/supply-records')), staleTime: SOON_MS },
      { queryKey: ['cards'], queryFn: () => ask(client.GET('/api/cards')), staleTime: SOON_MS },
      { queryKey: ['found', 'runs'], queryFn: () => ask(client.GET('/api/runs')), staleTime: SOON_MS },
      { queryKey: ['faults'], queryFn: () => ask(client.GET('/api/faults')), staleTime: SOON_MS },
      { queryKey: ['practices'], queryFn: () => ask(client.GET('/api/practices')), staleTime: SOON_MS },
      { queryKey: ['found', 'trends'], queryFn: () => ask(client.GET('/api/trends/places')), staleTime: SOON_MS },
    ],
  });
  return [
    [
      say('shared.equipment'),
      (equipment.data ?? []).map((one) => ({ id: one.id, name: one.name, path: `/station/${one.id}` })),
    ],
    [
      say('shared.supply'),
      (records.data ?? []).map((one) => ({
        id: one.id,
        name: one.name,
        path: `/supply/${RECORDS[one.kind]}/${one.id}`,
      })),
    ],
    [
      say('app.cards'),
      (cards.data ?? []).map((one) => ({
        id: `card ${one.amplifier} ${one.frequencyHz} ${one.termination} ${one.switchPosition ?? ''}`,
        name: `${one.amplifier}, ${one.bandName}`,
        beside: `PLATE ${one.plate}, LOAD ${one.load}, ${one.termination}`,
        path: '/cards',
      })),
    ],
    [
      say('shared.runs'),
      (runs.data?.runs ?? []).map((one) => ({
        id: one.id,
        name: `${one.bandName}, ${one.amplifier}`,
        beside: `${one.schoolName}, ${utc(one.startedAt)}`,
        path: `/${one.ending ? 'log' : 'tune'}/${one.id}`,
      })),
    ],
    [
      say('app.faults'),
      (faults.data?.cases ?? []).map((one) => ({
        id: one.id,
        name: one.symptoms,
        beside: one.amplifier,
        path: `/faults/${one.id}`,
      })),
    ],
    [
      say('app.practice'),
      (practices.data?.plays ?? []).map((one) => ({
        id: one.id,
        name: one.lesson,
        beside: `${one.code}, ${one.startedOn}`,
        path: `/practice/${one.id}${one.ended ? '/debrief' : ''}`,
      })),
    ],
    [
      say('shared.trends'),
      (trends.data ?? []).map((one) => ({
        id: `trend ${one.amplifier} ${one.band} ${one.termination}`,
        name: `${one.amplifier}, ${one.bandName}`,
        beside: one.termination,
        path: `/log/trends?${new URLSearchParams({ of: `${one.amplifier}, ${one.bandName}, ${one.termination}` })}`,
      })),
    ],
  ];
}
