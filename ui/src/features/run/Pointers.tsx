import type { ExpectedCell, Row, RunView } from '../../api';
import { Sheet } from '../../parts';
import { PointerRuler } from '../../plot';
import { say } from '../../words';

/** A meter with a pointer that has something to show before it moves. */
interface Foreseen {
  row: Row;
  pointer: NonNullable<Row['pointer']>;
  expected?: ExpectedCell;
}

/** Returns the meters with pointers of which is known where they should stand, or where the hand goes back. */
export function foreseen(view: RunView): Foreseen[] {
  return view.rows.flatMap((row) => {
    const pointer = row.pointer;
    if (!pointer || !row.asked) return [];
    // What the twin says is of a carrier; of pulses a pointer shows their mean.
    const expected = view.school === 'PULSED' ? undefined : view.draft.twin.find((one) => one.role === row.role);
    return expected || pointer.stop !== undefined ? [{ row, pointer, ...(expected ? { expected } : {}) }] : [];
  });
}

/** Before the key goes down: where each pointer should come to stand, so that a glance is enough when it does. */
export function Pointers({ view }: { view: RunView }) {
  const meters = foreseen(view);
  if (view.clock.phase === 'KEY_DOWN' || meters.length === 0) return null;
  return (
    <Sheet title={say('run.whereThePointersShouldStand')} part="pointers">
      <PointerList meters={meters} />
    </Sheet>
  );
}

export function PointerList({ meters, large = false }: { meters: Foreseen[]; large?: boolean }) {
  return (
    <ul className="grid grid-cols-2 gap-x-9 gap-y-2 max-phone:grid-cols-1">
      {meters.map(({ row, pointer, expected }) => (
        <li key={row.role} data-part={`pointer-${row.role}`}>
          <p className={`flex flex-wrap items-baseline gap-x-3 ${large ? 'text-22' : ''}`}>
            <span>
              {row.label}, {row.unit}
            </span>
            {expected && <span className="figure text-twin italic">{expected.shown}</span>}
            {pointer.stopShown && (
              <span className="text-soft">
                {say('run.backAt')} <span className="figure text-limit">{pointer.stopShown}</span>
              </span>
            )}
          </p>
          <PointerRuler
            fullScale={pointer.fullScale}
            {...(expected ? { expected } : {})}
            {...(pointer.stop !== undefined ? { stop: pointer.stop } : {})}
          />
        </li>
      ))}
    </ul>
  );
}
