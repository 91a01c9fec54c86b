import { scaleLinear, scaleUtc } from 'd3-scale';
import type { Ref } from 'react';
import type { ResonanceView } from '../api';
import { fixed, localTime } from '../quantity';
import { say } from '../words';
import { Grid, signed } from './Grid';

interface Props {
  watch: ResonanceView;
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const LEFT = 46;
const RIGHT = 14;
const TOP = 34;
const PATH_PX = 150;
const GAP = 40;
const OFF_PX = 96;
const FOOT = 24;
const LEAST_SPAN_MS = 60_000;
const WORD_PX = 44;

/** Where resonance was and where the motor stood, over the day with its weather; below, each reading against the alarm. */
export function Wander({ watch, width, drawing }: Props) {
  const moments = watch.readings.map((one) => Date.parse(one.at));
  const from = Math.min(...moments);
  const to = Math.max(...moments, from + LEAST_SPAN_MS);
  const x = scaleUtc([from, to], [LEFT, width - RIGHT]);
  const at = (one: { at: string }) => x(Date.parse(one.at));
  const steps = [...watch.found.map((one) => one.steps), ...watch.readings.map((one) => one.motor)];
  const y = scaleLinear([Math.min(...steps) - 1, Math.max(...steps) + 1], [TOP + PATH_PX, TOP]);
  const lowest = TOP + PATH_PX + GAP;
  const offs = watch.readings.map((one) => Math.abs(one.off));
  const most = Math.max(1.4 * watch.alarm, ...offs);
  const least = watch.witness === 'PHASE' ? -most : Math.min(0, ...watch.readings.map((one) => one.off));
  const o = scaleLinear([least, most], [lowest + OFF_PX, lowest]);
  const height = lowest + OFF_PX + FOOT;
  const within = (value: number) => Math.max(y.range()[1] ?? 0, Math.min(y.range()[0] ?? 0, y(value)));
  const alarms = watch.witness === 'PHASE' ? [-watch.alarm, watch.alarm] : [watch.alarm];
  const motor = watch.readings.map((one, i) => `${i === 0 ? `M${at(one)} ` : `H${at(one)}V`}${y(one.motor)}`).join('');
  return (
    <svg
      ref={drawing}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={describe(watch)}
      className="block text-12"
      data-part="wander"
    >
      <Weathers watch={watch} x={x} from={from} to={to} bottom={lowest + OFF_PX} />
      <text x={4} y={TOP - 8} className="fill-soft">
        {say('plot.resonanceAndMotorInShort')}
      </text>
      <Grid at={y.ticks(5)} y={y} from={LEFT} to={width - RIGHT} />
      <path d={motor} className="fill-none stroke-ink stroke-2" />
      {watch.found.map((one) => (
        <g key={`${one.at} ${one.motor}`} className="stroke-soft">
          <line x1={at(one)} x2={at(one)} y1={within(one.low)} y2={within(one.high)} />
          <circle cx={at(one)} cy={y(one.steps)} r={2.6} className="fill-sheet" />
        </g>
      ))}
      <text x={4} y={lowest - 10} className="fill-soft">
        {say('plot.asRead', { unit: watch.unit })}
      </text>
      <Grid at={[...new Set([0, ...alarms])]} y={o} from={LEFT} to={width - RIGHT} shown={signed} />
      {alarms.map((alarm) => (
        <line
          key={alarm}
          x1={LEFT}
          x2={width - RIGHT}
          y1={o(alarm)}
          y2={o(alarm)}
          strokeDasharray="6 4"
          className="stroke-limit"
        />
      ))}
      {watch.readings.map((one, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: readings are only added
        <circle key={i} cx={at(one)} cy={o(one.off)} r={2.6} className="fill-ink" />
      ))}
      {hours(x.ticks(Math.max(2, Math.floor(width / 110)))).map(({ tick, shown }) => (
        <text key={shown} x={x(tick)} y={height - 6} textAnchor="middle" className="figure fill-soft">
          {shown}
        </text>
      ))}
    </svg>
  );
}

/** The ticks as they are written, each once: within a minute many are alike. */
function hours(ticks: Date[]) {
  const shown = ticks.map((tick) => ({ tick, shown: localTime(tick.toISOString()) }));
  return shown.filter((one, i) => one.shown !== shown[i - 1]?.shown);
}

/** What the weather was from when to when: a word over its time, every other one on a ground of its own. */
function Weathers({
  watch,
  x,
  from,
  to,
  bottom,
}: {
  watch: ResonanceView;
  x: (ms: number) => number;
  from: number;
  to: number;
  bottom: number;
}) {
  return watch.weather.map((one, i) => {
    const next = watch.weather[i + 1];
    const begins = Math.max(from, Math.min(to, Date.parse(one.at)));
    const ends = next ? Math.max(from, Math.min(to, Date.parse(next.at))) : to;
    const left = x(begins);
    const right = x(ends);
    return (
      <g key={one.at}>
        {one.weather !== 'DRY' && (
          <rect x={left} y={TOP} width={Math.max(1, right - left)} height={bottom - TOP} className="fill-wash" />
        )}
        <line x1={left} x2={left} y1={TOP} y2={bottom} className="stroke-rule" />
        {right - left > WORD_PX && (
          <text x={left + 4} y={13} className="fill-ink font-semibold">
            {one.name}
          </text>
        )}
      </g>
    );
  });
}

function describe(watch: ResonanceView): string {
  const last = watch.found.at(-1);
  const where = last
    ? say('plot.resonanceLastAtShortSteps', { steps: fixed(last.steps, 1) })
    : say('plot.resonanceNotToldYet');
  return say('plot.theMotorAtAsRead', {
    where,
    motor: watch.motor,
    off: watch.off ?? say('shared.nothing'),
    unit: watch.unit,
    says: watch.says.join(' '),
  });
}
