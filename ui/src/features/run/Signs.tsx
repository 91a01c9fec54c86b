import type { RunView, SignView } from '../../api';
import { Diamond, LimitBar, Sheet } from '../../parts';
import { Fold } from '../../parts/ui';
import { say } from '../../words';

/** What the readings say: the gravest large with what it rests on, the others as a list. */
export function Signs({ view }: { view: RunView }) {
  const [first, ...others] = view.signs;
  if (!first) return null;
  return (
    <Sheet title={say('run.signs')} term="sign" part="signs">
      <div data-part="top-sign">
        <Title sign={first} size="text-18" />
        <p>{first.meaning}</p>
        <p className="head">{first.act}</p>
        <Evidence sign={first} />
      </div>
      {others.length > 0 && (
        <ul className="mt-2 grid gap-1 border-t border-hair pt-1.5">
          {others.map((sign) => (
            <li key={sign.code}>
              <Fold title={<Title sign={sign} size="text-14" />}>
                <p className="text-13">
                  {sign.meaning} <b className="head">{sign.act}</b>
                </p>
                <Evidence sign={sign} />
              </Fold>
            </li>
          ))}
        </ul>
      )}
    </Sheet>
  );
}

function Title({ sign, size }: { sign: SignView; size: string }) {
  const color = sign.severity === 'LIMIT' ? 'text-limit' : sign.severity === 'WATCH' ? 'text-watch' : 'text-ink';
  return (
    <span className={`head flex items-center gap-2 ${color} ${size}`}>
      {sign.severity === 'LIMIT' ? <LimitBar /> : sign.severity === 'WATCH' ? <Diamond /> : null}
      {sign.title}
      {sign.certainty && <span className="ml-auto text-13 font-normal text-soft">{sign.certainty}</span>}
    </span>
  );
}

function Evidence({ sign }: { sign: SignView }) {
  if (sign.evidence.length === 0) return null;
  return (
    <ul className="text-13 text-soft" aria-label={say('run.whatRestsOn', { title: sign.title })}>
      {sign.evidence.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}
