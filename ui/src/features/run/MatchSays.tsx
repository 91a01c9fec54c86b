import type { RunView } from '../../api';
import { Sheet } from '../../parts';
import { say } from '../../words';

/** What follows from a matcher's readings. */
export function MatchSays({ view }: { view: RunView }) {
  if (!view.match || view.match.says.length === 0) return null;
  return (
    <Sheet title={say('shared.matcher')} part="match-says">
      {view.match.says.map((sentence) => (
        <p key={sentence} className="mt-1.5">
          {sentence}
        </p>
      ))}
    </Sheet>
  );
}
