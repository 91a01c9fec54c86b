import { useRef } from 'react';
import type { PlanFact, PlanFinding } from '../../api';
import { Diamond } from '../../parts';
import { Cell, RowHead, Table } from '../../parts/ui';
import { say } from '../../words';

/** Figures in lines: what, how much, a note. */
export function Facts({ facts }: { facts: PlanFact[] }) {
  return (
    <Table part="facts">
      <tbody>
        {facts.map((one) => (
          <tr key={one.what} className="max-phone:grid max-phone:grid-cols-fact">
            <RowHead>{one.what}</RowHead>
            <Cell figure>{one.figure || '–'}</Cell>
            <Cell
              end
              className="text-13 text-soft max-phone:col-span-2 max-phone:border-t-0 max-phone:pt-0 max-phone:text-left"
            >
              {one.note}
            </Cell>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** What else is wrong, beside the gravest. */
export function Findings({ findings }: { findings: PlanFinding[] }) {
  if (findings.length === 0) return null;
  return (
    <ul className="mt-3 grid gap-2 border-t border-hair pt-2" aria-label={say('supply.also')}>
      {findings.map((one) => (
        <li key={one.code} className="flex items-baseline gap-2">
          <span className="text-watch">
            <Diamond />
          </span>
          <span>
            <b className="head">{one.title}.</b> <span className="text-soft">{one.meaning}</span> {one.act}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Returns the place of a drawing to be saved. */
export const useDrawing = () => useRef<SVGSVGElement>(null);
