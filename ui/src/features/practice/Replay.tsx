import type { DebriefView } from '../../api';
import { Sheet, useKeys } from '../../parts';
import { AcrossSlider, Button } from '../../parts/ui';
import { fixed } from '../../quantity';
import { say } from '../../words';

export type Sample = DebriefView['samples'][number];

interface Props {
  view: DebriefView;
  /** Place of the sample that is looked at. */
  at: number;
  onAt: (place: number) => void;
}

/** Goes through what happened, moment by moment. */
export function Replay({ view, at, onAt }: Props) {
  const samples = view.samples;
  const now = samples[at];
  const to = (place: number) => onAt(Math.max(0, Math.min(samples.length - 1, place)));
  /** The next moment that is a second away, or further where nothing happened between. */
  const second = (way: 1 | -1) => {
    const from = now?.atS ?? 0;
    let place = at + way;
    while (samples[place] && Math.abs((samples[place]?.atS ?? 0) - from) < 1) place += way;
    to(place);
  };
  useKeys({ ArrowLeft: () => second(-1), ArrowRight: () => second(1) });
  if (!now) return null;
  const shown = [
    [say('practice.driveHead'), `${fixed(now.driveW, 1)} W`, false],
    ['PLATE', fixed(now.plate, 2), false],
    ['LOAD', fixed(now.load, 2), false],
    [say('practice.outputHead'), `${fixed(now.outputW, 0)} W`, now.outputW > view.licenceW],
    [say('practice.plateHead'), `${fixed(now.plateMa, 0)} mA`, now.plateMa > view.plateLimitMa],
    [say('practice.gridHead'), `${fixed(now.gridMa, 0)} mA`, now.gridMa > view.gridLimitMa],
    [say('practice.heatHead'), `${fixed(now.heatPercent, 0)} %`, now.heatPercent > 100],
  ] as const;
  return (
    <Sheet
      title={say('practice.replay')}
      part="replay"
      aside={
        <span className="figure">
          {moment(now.atS)} · {now.keyed ? say('practice.keyedWord') : say('practice.keyIsUp')}
        </span>
      }
    >
      <div className="flex items-center gap-3">
        <Button size="small" hotkey="←" aria-label={say('practice.back')} onClick={() => second(-1)} />
        <AcrossSlider
          label={say('practice.replayAt')}
          says={moment(now.atS)}
          value={at}
          most={samples.length - 1}
          onChange={to}
        />
        <Button size="small" hotkey="→" aria-label={say('practice.forward')} onClick={() => second(1)} />
      </div>
      <dl className="mt-3 grid grid-cols-4 gap-x-5 gap-y-2 wide:grid-cols-7">
        {shown.map(([name, value, beyond]) => (
          <div key={name}>
            <dt className="text-13 text-soft">{name}</dt>
            <dd className={`figure text-18 whitespace-nowrap ${beyond ? 'font-semibold text-limit' : ''}`}>{value}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}

/** A moment of an exercise as minutes and seconds. */
export function moment(s: number): string {
  const whole = Math.floor(s);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
