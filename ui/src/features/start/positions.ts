import type { Choices } from '../../api';
import type { Box } from '../../parts/ui';
import { box, toggled } from './boxes';
import type { Choice } from './useChoice';

type Meter = Choices['meters'][number];
type Position = Meter['usualPositions'][number];
type InUse = Choice['positions'][number];

const isSame = (one: Position, other: Position) => one.role === other.role && one.indication === other.indication;
const codeOf = (meter: Meter, position: Position) => `${meter.id} ${position.role} ${position.indication}`;

/** Returns the positions of a meter that a run is to use: those chosen of it that it has, else what is customary. */
export function positionsOf(meter: Meter, chosen: readonly InUse[], school: Choice['school']): InUse[] {
  const own = chosen.filter(
    (one) => one.meterId === meter.id && meter.positions.some((has) => isSame(has.position, one.position)),
  );
  const usual = school === 'PULSED' ? meter.pulsedPositions : meter.usualPositions;
  return own.length > 0 ? own : usual.map((position) => ({ meterId: meter.id, position }));
}

/** Returns what a meter reads when nobody says how its switches stand. */
export function readsUsually(meter: Meter): string[] {
  const left = new Set<string>(meter.positions.map((one) => one.position.role));
  for (const one of meter.usualPositions) left.delete(one.role);
  return meter.reads.filter((role) => !left.has(role));
}

/** Returns meters as they are chosen: one that can show power in several ways stands there once for each. */
export function readerBoxes(readers: Meter[]): Box[] {
  return readers.flatMap((meter) =>
    meter.positions.length === 0
      ? [box(meter)]
      : meter.positions.map((one) => ({ code: codeOf(meter, one.position), name: meter.name, detail: one.name })),
  );
}

/** Returns the codes of those in use. */
export function chosenReaders(choices: Choices, choice: Choice): string[] {
  return choices.meters
    .filter((meter) => choice.meterIds.includes(meter.id))
    .flatMap((meter) =>
      meter.positions.length === 0
        ? [meter.id]
        : choice.positions.filter((one) => one.meterId === meter.id).map((one) => codeOf(meter, one.position)),
    );
}

/** Takes a meter or one of its positions into use, in place of another that reads the same, or out of it. */
export function toggledReader(choices: Choices, choice: Choice, code: string): Partial<Choice> {
  for (const meter of choices.meters) {
    const picked = meter.positions.find((one) => codeOf(meter, one.position) === code)?.position;
    if (!picked) continue;
    const others = choice.positions.filter((one) => one.meterId !== meter.id);
    const own = choice.positions.filter((one) => one.meterId === meter.id);
    const kept = own.some((one) => isSame(one.position, picked))
      ? own.filter((one) => !isSame(one.position, picked))
      : [...own.filter((one) => one.position.role !== picked.role), { meterId: meter.id, position: picked }];
    const isIn = choice.meterIds.includes(meter.id);
    return {
      positions: [...others, ...kept],
      meterIds: isIn === kept.length > 0 ? choice.meterIds : toggled(choice.meterIds, meter.id),
    };
  }
  return { meterIds: toggled(choice.meterIds, code) };
}
