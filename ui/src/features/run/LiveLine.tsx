import type { LineNode, RunView } from '../../api';
import { SignalLine } from '../../parts';
import { say, within } from '../../words';
import { type Trouble, useBench, useTroubles } from './useLive';

/** The signal path with what is live of it: a bench that is away, a trip, sources that are not well. */
export function LiveLine({ view }: { view: RunView }) {
  const away = useBench((bench) => !bench.present) === true;
  const tripped = useBench((bench) => bench.tripped) === true;
  const troubles = useTroubles();
  return <SignalLine nodes={view.line.map((node) => withTrouble(node, view, { away, tripped }, troubles))} />;
}

function withTrouble(
  node: LineNode,
  view: RunView,
  bench: { away: boolean; tripped: boolean },
  troubles: Trouble[],
): LineNode {
  if (bench.away) {
    return node.title === view.exciter ? { ...node, watch: true, detail: say('run.simulatedBenchAway') } : node;
  }
  if (bench.tripped && node.title === view.amplifier) {
    return { ...node, watch: true, detail: say('run.tripped') };
  }
  const bad = troubles.find(({ role }) => instrumentOf(view, role) === node.title || isOfAmplifier(view, role, node));
  if (!bad) return node;
  const row = view.rows.find((one) => one.role === bad.role);
  return { ...node, watch: true, detail: `${within(row?.label ?? '')} ${bad.says}` };
}

function instrumentOf(view: RunView, role: string): string | undefined {
  return view.rows.find((one) => one.role === role)?.instrument;
}

/** Meters without a node of their own show on the amplifier. */
function isOfAmplifier(view: RunView, role: string, node: LineNode): boolean {
  const instrument = instrumentOf(view, role);
  return node.title === view.amplifier && !view.line.some((one) => one.title === instrument);
}
