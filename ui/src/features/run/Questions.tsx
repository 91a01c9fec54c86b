import type { RunView } from '../../api';
import { Diamond, LimitBar } from '../../parts';
import { Button } from '../../parts/ui';
import { say } from '../../words';
import type { Run } from './useRun';

/** What is asked or told about the entries of the step in hand. */
export function Questions({ view, run }: { view: RunView; run: Run }) {
  const labels: Record<string, string> = { DRIVE: say('shared.drive'), PLATE: 'PLATE', LOAD: 'LOAD' };
  for (const row of view.rows) labels[row.role] = row.label;
  const problems = Object.entries(run.fieldProblems);
  const doubts = view.draft.cells.filter((cell) => cell.question && !run.fieldProblems[cell.role]);
  if (problems.length === 0 && doubts.length === 0) return null;
  return (
    <div className="grid gap-1.5 px-4 py-2">
      {problems.map(([field, problem]) => (
        <p key={field} id={`about-${field}`} role="alert" className="flex items-baseline gap-2">
          <LimitBar />
          <span>
            <b className="font-semibold">{labels[field]}:</b> {problem.message}{' '}
            <span className="text-soft">
              {problem.remedy} {problem.allowed && !problem.remedy.includes(problem.allowed) && `(${problem.allowed})`}
            </span>
          </span>
        </p>
      ))}
      {doubts.map((cell) => (
        <p key={cell.role} id={`about-${cell.role}`} role="status" className="flex flex-wrap items-center gap-2">
          <Diamond />
          <span>
            <b className="font-semibold">{labels[cell.role]}:</b> {cell.question}
          </span>
          <Button
            onClick={() => run.act({ act: 'READ', role: cell.role, text: cell.shown, confirmed: true })}
            size="small"
          >
            {say('run.yesKeepIt')}
          </Button>
          <span className="text-soft">{say('run.orTypeItAgainIt')}</span>
        </p>
      ))}
    </div>
  );
}
