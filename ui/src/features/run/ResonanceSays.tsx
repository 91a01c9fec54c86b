import type { ResonanceView, RunView } from '../../api';
import { Diamond, ResonanceFigures, Sheet } from '../../parts';
import { ToggleGroup } from '../../parts/ui';
import { say } from '../../words';
import type { Run } from './useRun';

type Weather = ResonanceView['weathers'][number]['code'];

/** What the readings come to, and what the weather is. */
export function ResonanceSays({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const watch = view.resonance;
  if (!watch) return null;
  return (
    <Sheet title={say('run.theAntenna')} part="resonance-says">
      {watch.alarmed && (
        <p role="alert" className="mb-2 flex items-center gap-2 border-l-4 border-limit pl-2 font-semibold text-limit">
          <Diamond /> {say('run.offByBeyondTheAlarm', { off: watch.off, unit: watch.unit })}
        </p>
      )}
      <ResonanceFigures watch={watch} />
      {watch.says.map((sentence) => (
        <p key={sentence} className="mt-1.5">
          {sentence}
        </p>
      ))}
      {!readOnly && (
        <div className="mt-3">
          <ToggleGroup
            label={say('run.weatherNow')}
            options={watch.weathers.map(({ code, name }) => [code, name] as const)}
            value={watch.weather.at(-1)?.weather}
            onPick={(weather) => run.act({ act: 'WEATHER', weather: weather as Weather })}
          />
        </div>
      )}
    </Sheet>
  );
}
