import type { PanelMeterView, PanelView } from '../../api';
import { LimitBar, Sheet } from '../../parts';
import { PointerRuler } from '../../plot';
import { say } from '../../words';

/** What every meter in view shows, large enough for two metres. */
export function PlayMeters({ panel }: { panel: PanelView }) {
  return (
    <Sheet title={say('practice.meters')} part="meters">
      <div className="grid gap-x-6 gap-y-1.5 wide:grid-cols-2">
        {panel.meters.map((one) => (
          <Meter key={`${one.meter} ${one.role}`} shown={one} />
        ))}
      </div>
    </Sheet>
  );
}

function Meter({ shown }: { shown: PanelMeterView }) {
  return (
    <div data-part={`meter-${shown.role}`}>
      <div className="flex items-baseline gap-2">
        <span className="head">{shown.name}</span>
        <span className="truncate text-12 text-soft">{shown.meter}</span>
        <output className={`figure ml-auto text-22 ${shown.atStop ? 'text-limit' : ''}`}>{shown.shown}</output>
        <span className="w-7 text-13 text-soft">{shown.unit}</span>
      </div>
      <PointerRuler
        fullScale={shown.most}
        position={shown.value}
        {...(shown.limit === undefined ? {} : { stop: shown.limit })}
      />
      {shown.atStop && (
        <p className="flex items-center gap-1.5 text-12 text-limit">
          <LimitBar />
          {say('practice.atTheStop')}
        </p>
      )}
    </div>
  );
}
