import type { ResonanceView } from '../api';

/** How far it is off, what a step does, wind and drift: a figure each, as far as told. */
export function ResonanceFigures({ watch }: { watch: ResonanceView }) {
  const figures = [
    ['off, as read last', watch.off, watch.unit],
    ['a short step up', watch.perStep, watch.unit],
    ['wind, a reading', watch.wind && `± ${watch.wind}`, watch.unit],
    ['drift', watch.drift, 'steps an hour'],
  ] as const;
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
      {figures.map(
        ([label, figure, unit]) =>
          figure && (
            <div key={label} className="contents">
              <dt className="text-soft">{label}</dt>
              <dd className="figure">
                {figure} <span className="font-sans text-soft">{unit}</span>
              </dd>
            </div>
          ),
      )}
    </dl>
  );
}
