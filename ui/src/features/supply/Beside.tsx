import type { PlanView } from '../../api';
import { Sheet } from '../../parts';
import { Cell, Head, RowHead, Table } from '../../parts/ui';
import { say } from '../../words';

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
    <Sheet title={say('supply.besideEachOther')} part="beside">
      <Table caption={say('supply.bothPlans')} quiet>
        <thead>
          <tr>
            <td />
            <Head className="whitespace-normal">{name}</Head>
            <Head className="whitespace-normal">{otherName}</Head>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, one, two]) => (
            <tr key={what}>
              <RowHead>{what}</RowHead>
              <Cell className={one === two ? '' : 'font-semibold'}>{one}</Cell>
              <Cell>{two}</Cell>
            </tr>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}

function figures(view: PlanView): [string, string][] {
  return [
    [say('supply.verdict'), view.verdict.title],
    [say('supply.peak'), view.strip.peak],
    [say('supply.average'), view.strip.average],
    [say('supply.atTheSetV'), view.stair?.treads.at(-1)?.shown ?? '–'],
    ...view.mains.map((one): [string, string] => [one.what, one.figure || '–']),
    [say('shared.battery'), view.battery?.title ?? '–'],
  ];
}
