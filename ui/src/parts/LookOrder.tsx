import type { ScopeView } from '../api';
import { say } from '../words';
import { Diamond } from './marks';

type Look = ScopeView['looks'][number];

function stands(look: Look): string {
  if (look.apart || look.clean === false) return 'border-watch';
  if (look.next) return 'border-act bg-wash';
  return look.read ? 'border-rule' : 'border-rule border-dashed text-soft';
}

/** The looks in their order: the volts to expect before each, the volts that were read, and what was seen. */
export function LookOrder({ scope }: { scope: ScopeView }) {
  return (
    <ol
      aria-label={say('parts.theLooks')}
      className="grid gap-2 phone:auto-cols-fr phone:grid-flow-col"
      data-part="looks"
    >
      {scope.looks.map((look) => (
        <li
          key={look.look}
          aria-current={look.next ? 'step' : undefined}
          className={`grid content-start gap-1 rounded-3 border px-2.5 py-2 ${stands(look)}`}
          data-part={`look-${look.look}`}
        >
          <p className="head flex items-baseline gap-1.5 text-15">
            {look.name}
            {(look.apart || look.clean === false) && <Diamond />}
          </p>
          <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-2 text-13">
            <Row term={say('parts.expect')} figure={look.expected} />
            <Row term={say('parts.read')} figure={look.read} />
            {!look.tones && look.byMeter && <Row term={say('parts.thatIs')} figure={look.byVolts} />}
            {look.byMeter && (
              <Row term={look.tones ? say('shared.average') : say('parts.meter')} figure={look.byMeter} />
            )}
          </dl>
          {look.found.map((sentence) => (
            <p key={sentence} className={`text-13 ${look.clean === false ? 'text-watch' : 'text-soft'}`}>
              {sentence}
            </p>
          ))}
        </li>
      ))}
    </ol>
  );
}

function Row({ term, figure }: { term: string; figure: string | undefined }) {
  return (
    <>
      <dt className="text-soft">{term}</dt>
      <dd className="figure whitespace-nowrap">{figure ?? <span className="text-soft">–</span>}</dd>
    </>
  );
}
