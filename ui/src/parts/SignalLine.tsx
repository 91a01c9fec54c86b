import { Fragment, type ReactNode } from 'react';
import type { LineNode } from '../api';
import { say } from '../words';
import { Chevron, Popover } from './ui';

/** With more boxes than these the figures between them would run into each other on a phone. */
const MOST_ON_A_PHONE = 4;

interface Node extends Partial<LineNode> {
  title: string;
  detail: string;
  /** What it is chosen as, where it can be chosen. */
  choice?: string;
  /** What the node opens to then. */
  opens?: ReactNode;
  /** Nothing stands there. */
  away?: boolean;
}

/** The signal path as one line with a node per box; in a diamond what needs attention. */
export function SignalLine({ nodes }: { nodes: Node[] }) {
  const gaps = nodes.length;
  const at = (index: number) => `${((index + 0.5) / gaps) * 100}%`;
  return (
    <div className="relative mx-5 h-18.5 text-center" data-part="signal-line">
      <div className="absolute top-6.25 h-0.5 w-full bg-ink" />
      <ul aria-label={say('parts.signalPath')}>
        {nodes.map((node, index) => (
          <Fragment key={node.choice ?? node.title}>
            <li
              className="absolute top-4.25 -translate-x-1/2 whitespace-nowrap"
              style={{ left: at(index), maxWidth: `${100 / gaps}%` }}
            >
              {node.opens ? (
                <Popover
                  label={say('parts.change', { choice: node.choice, title: node.title })}
                  className="-mt-2 max-w-full cursor-pointer max-phone:px-0.5 rounded-3 border border-transparent px-2 pt-2 pb-0.5 hover:border-rule data-[state=open]:border-act data-[state=open]:bg-wash"
                  shown={<NodeShown node={node} />}
                >
                  {node.opens}
                </Popover>
              ) : (
                <NodeShown node={node} />
              )}
            </li>
            {node.toNext && index < nodes.length - 1 && (
              <li
                className={`figure absolute top-1 -translate-x-1/2 text-13 text-soft ${gaps > MOST_ON_A_PHONE ? 'max-phone:hidden' : ''}`}
                style={{ left: `${((index + 1) / gaps) * 100}%` }}
              >
                {node.toNext}
              </li>
            )}
          </Fragment>
        ))}
      </ul>
    </div>
  );
}

function NodeShown({ node }: { node: Node }) {
  return (
    <>
      <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true" className="mx-auto block">
        {node.watch ? (
          <path d="M9 1.5 16.5 9 9 16.5 1.5 9Z" className="fill-sheet stroke-watch" strokeWidth="2.5" />
        ) : (
          <circle
            cx="9"
            cy="9"
            r="6.5"
            className={`fill-sheet ${node.away ? 'stroke-rule' : 'stroke-ink'}`}
            strokeWidth="2.8"
          />
        )}
      </svg>
      <span
        className={`head flex min-w-0 items-center justify-center gap-1 text-14 leading-4.5 ${node.away ? 'text-soft' : ''}`}
      >
        <span className="truncate">{node.title}</span>
        {node.opens && <Chevron />}
      </span>
      <span className={`block truncate text-13 leading-4.25 max-phone:hidden ${node.watch ? 'text-ink' : 'text-soft'}`}>
        {node.detail}
        {node.watch && <span className="sr-only">{say('parts.needsAttention')}</span>}
      </span>
    </>
  );
}
