import { Link } from 'react-router';
import type { RunView } from '../../api';
import { Sheet } from '../../parts';
import { localTime, utc } from '../../quantity';

/** What is left when a run is over: what to mind on the air, and what was written down. */
export function Afterwards({ view }: { view: RunView }) {
  const finished = view.phase === 'FINISHED';
  return (
    <Sheet title={finished ? 'On the air' : 'Ended without a card row'} part="afterwards">
      {finished && (
        <>
          <p className="head mb-2 text-18">
            The row for {view.band} is on the card.{' '}
            <Link className="text-act underline" to="/cards">
              See the card
            </Link>
          </p>
          <ul className="list-disc pl-5">
            {view.onAir.map((point) => (
              <li key={point}>{point}</li>
            ))}
          </ul>
        </>
      )}
      {view.notes.map((note) => (
        <p key={note} className="mt-2 border-l-2 border-rule pl-3">
          {note}
        </p>
      ))}
      <p className="mt-3 text-13 text-soft">
        Begun {utc(view.startedAt)} UTC ({localTime(view.startedAt)} local), at {(view.frequencyHz / 1e6).toFixed(3)}{' '}
        MHz with {view.exciter}, {view.carrier} carrier.{' '}
        <Link className="noprint text-act underline" to="/tune">
          Start another climb
        </Link>
      </p>
    </Sheet>
  );
}
