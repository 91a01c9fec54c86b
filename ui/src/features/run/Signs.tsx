import type { RunView, SignView } from '../../api';
import { Diamond, LimitBar, Sheet } from '../../parts';

/** What the readings say. */
export function Signs({ view }: { view: RunView }) {
  if (view.signs.length === 0) return null;
  return (
    <Sheet title="Signs" part="signs">
      <ul className="grid gap-1.5">
        {view.signs.map((sign) => (
          <SignItem key={sign.code} sign={sign} />
        ))}
      </ul>
    </Sheet>
  );
}

function SignItem({ sign }: { sign: SignView }) {
  const color = sign.severity === 'LIMIT' ? 'text-limit' : sign.severity === 'WATCH' ? 'text-watch' : 'text-ink';
  return (
    <li>
      <p className={`head flex items-center gap-2 ${color}`}>
        {sign.severity === 'LIMIT' ? <LimitBar /> : sign.severity === 'WATCH' ? <Diamond /> : null}
        {sign.title}
      </p>
      <p className="text-13 text-soft">{sign.meaning}</p>
    </li>
  );
}
