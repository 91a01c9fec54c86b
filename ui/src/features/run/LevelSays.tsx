import type { RunView } from '../../api';
import { Sheet } from '../../parts';
import { say } from '../../words';

/** What the levels say so far: the knee, where to set it, what kind of gauge this is. */
export function LevelSays({ view }: { view: RunView }) {
  const levels = view.levels;
  if (!levels || levels.says.length + (levels.gauge ? 1 : 0) === 0) return null;
  return (
    <Sheet title={levels.gauge?.title ?? say('run.whatTheLevelsSay')} part="level-says">
      {levels.gauge && <p className="text-soft">{levels.gauge.says}</p>}
      {levels.says.map((sentence) => (
        <p key={sentence} className="mt-1.5">
          {sentence}
        </p>
      ))}
    </Sheet>
  );
}
