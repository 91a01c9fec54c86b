import type { DialView, RunView } from '../../api';
import { DialButton } from '../../parts';
import { DialRuler } from '../../plot';
import { fixed } from '../../quantity';
import { say } from '../../words';
import { type DialKeys, isTuned } from './useDials';

const KEYS = { PLATE: ['←', '→'], LOAD: ['↓', '↑'] } as const;

export function Dials({ view, dials }: { view: RunView; dials: DialKeys }) {
  if (!isTuned(view)) return null;
  return (
    <section
      aria-label={say('shared.dials')}
      className="sheet grid grid-cols-2 gap-x-9 gap-y-3 max-phone:grid-cols-1 px-4 py-2.5"
    >
      {view.dials.map((dial) => (
        <Dial key={dial.control} dial={dial} dials={dials} />
      ))}
    </section>
  );
}

function Dial({ dial, dials }: { dial: DialView; dials: DialKeys }) {
  const name = dial.control as 'PLATE' | 'LOAD';
  const position = dials.at[name];
  const [down, up] = KEYS[name];
  return (
    <div data-part={`dial-${name}`}>
      <div className="mb-1 flex items-baseline gap-2">
        <h2 className="head text-18">{name}</h2>
        <output className="figure text-22">{position === undefined ? '–' : shown(position)}</output>
        <span className="text-13 text-soft">{dial.hint}</span>
        {dial.twinAt !== undefined && (
          <span className="figure text-13 whitespace-nowrap text-twin italic">
            {say('run.twin', { twinAt: shown(dial.twinAt) })}
          </span>
        )}
        <span className="ml-auto flex gap-1">
          <DialButton label={say('run.down', { name })} sign={down} onClick={() => dials.turn(name, -1, false)} />
          <DialButton label={say('run.up', { name })} sign={up} onClick={() => dials.turn(name, 1, false)} />
        </span>
      </div>
      <DialRuler {...dial} position={position} />
    </div>
  );
}

function shown(position: number): string {
  const two = fixed(position, 2);
  return two.endsWith('0') ? two.slice(0, -1) : two;
}
