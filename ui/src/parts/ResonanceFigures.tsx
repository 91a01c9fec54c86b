import type { ResonanceView } from '../api';
import { say } from '../words';

/** How far it is off, what a step does, wind and drift: a figure each, as far as told. */
export function ResonanceFigures({ watch }: { watch: ResonanceView }) {
  const figures = [
    [say('parts.offAsReadLast'), watch.off, watch.unit],
    [say('parts.aShortStepUp'), watch.perStep, watch.unit],
    [say('parts.windAReading'), watch.wind && `± ${watch.wind}`, watch.unit],
    [say('parts.drift'), watch.drift, say('parts.stepsAnHour')],
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
