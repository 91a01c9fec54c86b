import type { MatchView } from '../api';
import { say } from '../words';
import { Diamond } from './marks';

type Node = MatchView['order'][number];

const LOOK: Record<Node['stands'], string> = {
  DONE: 'border-rule',
  NOW: 'border-act bg-wash',
  REFUSED: 'border-watch',
  AHEAD: 'border-rule border-dashed text-soft',
};

function Shown({ at, figure, unit }: { at: string; figure: string | undefined; unit?: string }) {
  return (
    <>
      <dt className="text-13 text-soft">{at}</dt>
      <dd className="figure text-18 whitespace-nowrap">
        {figure ?? <span className="text-soft">–</span>}
        {figure !== undefined && unit && <span className="text-13 text-soft">{`\u2009${unit}`}</span>}
      </dd>
    </>
  );
}

/** The order in which a matcher is tuned, as one line with both powers at each node. */
export function MatchOrder({ match }: { match: MatchView }) {
  return (
    <ol
      aria-label={say('parts.theOrder')}
      className="grid gap-3 phone:auto-cols-fr phone:grid-flow-col"
      data-part="match-order"
    >
      {match.order.map((node, index) => (
        <li
          key={node.node}
          aria-current={node.stands === 'NOW' || node.stands === 'REFUSED' ? 'step' : undefined}
          className={`grid content-start gap-1 rounded-3 border px-3 py-2 ${LOOK[node.stands]}`}
          data-part={`match-${node.node}`}
        >
          <p className="head flex items-center gap-1.5 text-18">
            <span className="figure text-14 text-soft">{index + 1}</span> {node.title}
            {node.stands === 'REFUSED' && <Diamond />}
          </p>
          <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-2" data-part="powers">
            <Shown at={say('parts.set')} figure={node.set} unit="W" />
            <Shown at={say('parts.in')} figure={node.input} unit="W" />
            <Shown at={say('parts.out')} figure={node.output} unit="W" />
            <Shown at="SWR" figure={node.swr} />
          </dl>
          <p className={`text-13 ${node.stands === 'REFUSED' ? 'text-watch' : 'text-soft'}`}>{node.says}</p>
        </li>
      ))}
    </ol>
  );
}
