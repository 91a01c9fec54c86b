import type { BiasView } from '../api';
import { say } from '../words';
import { Diamond } from './marks';
import { Cell, Heads, RowHead, Table } from './ui';

/** Where each device came to: its current with its 95 % interval, and its gate voltage. */
export function BiasDevices({ devices }: { devices: BiasView['devices'] }) {
  if (devices.length === 0) return null;
  return (
    <Table caption={say('parts.whereEachDeviceCameTo')} quiet tight className="text-13">
      <Heads of={['', 'mA', say('parts.gateV'), '']} end />
      <tbody>
        {devices.map((one) => (
          <tr key={one.device}>
            <RowHead>{say('shared.device', { device: one.device })}</RowHead>
            <Cell figure end>
              {one.current}
            </Cell>
            <Cell figure end>
              {one.gate ?? '–'}
            </Cell>
            <Cell className="pl-2 text-right">
              {one.within ? (
                <span className="text-soft">{one.verdict}</span>
              ) : (
                <span className="inline-flex items-baseline gap-1 text-watch">
                  <Diamond /> {one.verdict}
                </span>
              )}
            </Cell>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
