import type { PlanView } from '../../api';
import { Sheet } from '../../parts';

/** Two plans, figure by figure. */
export function Beside({
  name,
  view,
  otherName,
  other,
}: {
  name: string;
  view: PlanView;
  otherName: string;
  other: PlanView;
}) {
  const rows = figures(view).map(([what, figure], index) => [what, figure, figures(other)[index]?.[1] ?? '–'] as const);
  return (
    <Sheet title="Beside each other" part="beside">
      <table className="table w-full">
        <thead>
          <tr>
            <td />
            <th scope="col" className="!whitespace-normal">
              {name}
            </th>
            <th scope="col" className="!whitespace-normal">
              {otherName}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, one, two]) => (
            <tr key={what}>
              <th scope="row">{what}</th>
              <td className={one === two ? '' : 'font-semibold'}>{one}</td>
              <td>{two}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Sheet>
  );
}

function figures(view: PlanView): [string, string][] {
  return [
    ['Verdict', view.verdict.title],
    ['Peak', view.strip.peak],
    ['Average', view.strip.average],
    ['At the set, V', view.stair?.treads.at(-1)?.shown ?? '–'],
    ...view.mains.map((one): [string, string] => [one.what, one.figure || '–']),
    ['Battery', view.battery?.title ?? '–'],
  ];
}
