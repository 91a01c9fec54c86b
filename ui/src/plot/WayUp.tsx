import { scaleLinear } from 'd3-scale';
import type { Ref } from 'react';
import { say } from '../words';
import { Grid } from './Grid';

interface Level {
  attenuationDb: number;
  dbm: number;
}

interface Taken extends Level {
  lowDbm: number;
  highDbm: number;
  watt: string;
}

interface Props {
  wantedDbm: number;
  wanted: string;
  planned: Level[];
  taken: Taken[];
  width: number;
  drawing?: Ref<SVGSVGElement>;
}

const HEIGHT = 260;
const LEFT = 58;
const RIGHT = 12;
const TOP = 24;
const FOOT = 40;
const LABELS_APART_PX = 26;

/** A chain's output as a stair over its attenuator: dotted as it is thought to be, ink as it was read, with whiskers. */
export function WayUp({ wantedDbm, wanted, planned, taken, width, drawing }: Props) {
  const settings = [...new Set([...planned, ...taken].map((one) => one.attenuationDb))].sort((a, b) => b - a);
  const levels = [wantedDbm, ...planned.map((one) => one.dbm), ...taken.flatMap((one) => [one.dbm, one.highDbm])];
  const y = scaleLinear([Math.min(...levels) - 3, Math.max(...levels) + 4], [HEIGHT - FOOT, TOP]).nice(6);
  const wide = (width - LEFT - RIGHT) / Math.max(1, settings.length);
  const x = (db: number) => LEFT + settings.indexOf(db) * wide;
  const every = Math.max(1, Math.ceil(LABELS_APART_PX / wide));
  const stair = (all: Level[]) =>
    [...all]
      .sort((a, b) => b.attenuationDb - a.attenuationDb)
      .map(
        (one, index) =>
          `${index === 0 ? `M${x(one.attenuationDb)} ${y(one.dbm)}` : `H${x(one.attenuationDb)}V${y(one.dbm)}`}H${x(one.attenuationDb) + wide}`,
      )
      .join('');
  const last = taken.at(-1);
  return (
    <svg
      ref={drawing}
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      role="img"
      aria-label={say('plot.wanted', {
        wanted,
        yet: taken.map((one) => `${one.attenuationDb} dB: ${one.watt}`).join('; ') || say('plot.nothingReadYet'),
      })}
      className="block text-12"
      data-part="way-up"
    >
      <text x={4} y={14} className="fill-soft">
        {say('plot.outputDBm')}
      </text>
      <Grid at={y.ticks(6)} y={y} from={LEFT} to={width - RIGHT} />
      <line x1={LEFT} x2={width - RIGHT} y1={y(wantedDbm)} y2={y(wantedDbm)} className="stroke-act" strokeWidth="1.5" />
      <text x={LEFT + 6} y={y(wantedDbm) - 6} className="fill-act">
        {say('plot.wantedWithin', { wanted })}
      </text>
      <path d={stair(planned)} fill="none" className="stroke-twin" strokeWidth="1.5" strokeDasharray="2 3" />
      <path d={stair(taken)} fill="none" className="stroke-ink" strokeWidth="3" />
      {taken.map((one) => {
        const middle = x(one.attenuationDb) + wide / 2;
        return (
          <line
            key={one.attenuationDb}
            x1={middle}
            x2={middle}
            y1={y(one.lowDbm)}
            y2={y(one.highDbm)}
            className="stroke-ink"
            strokeWidth="1.5"
          />
        );
      })}
      {last && (
        <text
          x={Math.min(x(last.attenuationDb) + wide / 2, width - RIGHT - 60)}
          y={y(last.dbm) + 18}
          textAnchor="middle"
          className="figure fill-ink"
        >
          {last.watt}
        </text>
      )}
      {settings.map((db, index) =>
        index % every === 0 ? (
          <text key={db} x={x(db) + wide / 2} y={HEIGHT - FOOT + 16} textAnchor="middle" className="figure fill-soft">
            {db}
          </text>
        ) : null,
      )}
      <text x={width - RIGHT} y={HEIGHT - 6} textAnchor="end" className="fill-soft">
        {say('shared.attenuatorDB')}
      </text>
    </svg>
  );
}
