import type { Equipment, LiveSupply } from '../../api';
import { say } from '../../words';

type Meter = Extract<Equipment, { kind: 'meter' }>;
type Channel = Meter['channels'][number];
type Role = Channel['role'];

const channel = (
  role: Role,
  scaleUnit: Channel['scaleUnit'],
  ranges: [string, number][],
  accuracy: Channel['accuracy'],
): Channel => ({
  role,
  scaleUnit,
  ranges: ranges.map(([name, fullScale]) => ({ name, fullScale })),
  accuracy,
  indication: 'AVERAGE',
  correctionFactor: 1,
});
const digital = (fraction: number): Channel['accuracy'] => ({ kind: 'ofReading', fraction, digit: 0.01 });
const WATTMETER = say('supply.benchWattmeter');
const SUPPLY_METER = say('supply.benchSupplyMeter');

const instrument = (meter: string, port: number, queries: [Role, string][]): Equipment => ({
  kind: 'instrument',
  name: say('supply.liveReader', { meter }),
  host: 'bench',
  port,
  queries: queries.map(([role, query]) => ({ query, factor: 1, meter, role })),
  pollS: 0.1,
  timeoutS: 0.5,
});

/** Returns the records of the simulated bench's meters that nothing reads yet, as they are kept in the station. */
export function benchMeters(live: LiveSupply): Equipment[] {
  const unread = (role: string) => !live.figures.some((one) => one.role === role);
  const records: Equipment[] = [];
  if (unread('OUTPUT')) {
    const ranges: [string, number][] = [
      ['150 W', 150],
      ['1.5 kW', 1500],
    ];
    records.push(
      {
        kind: 'meter',
        name: WATTMETER,
        channels: [channel('OUTPUT', 'W', ranges, { kind: 'ofFullScale', fraction: 0.05 })],
      },
      instrument(WATTMETER, 3, [['OUTPUT', 'MEASure:POWer?']]),
    );
  }
  if (unread('SUPPLY_CURRENT') && unread('SUPPLY_VOLTAGE')) {
    records.push(
      {
        kind: 'meter',
        name: SUPPLY_METER,
        channels: [
          channel('SUPPLY_CURRENT', 'A', [['30 A', 30]], digital(0.01)),
          channel('SUPPLY_VOLTAGE', 'V', [['60 V', 60]], digital(0.005)),
        ],
      },
      instrument(SUPPLY_METER, 6, [
        ['SUPPLY_CURRENT', 'MEASure:CURRent?'],
        ['SUPPLY_VOLTAGE', 'MEASure:VOLTage?'],
      ]),
    );
  }
  return records;
}
