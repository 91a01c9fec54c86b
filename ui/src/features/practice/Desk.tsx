import type { ReactNode } from 'react';
import type { PanelView, PlayView } from '../../api';
import { DialButton, Diamond, Kbd, Sheet } from '../../parts';
import { Button, Select, ToggleGroup } from '../../parts/ui';
import { MiniStair } from '../../plot';
import { fixed, showNumber } from '../../quantity';
import { say } from '../../words';
import type { Turns } from './PlayDials';
import type { Does, Played } from './usePlay';

interface Props {
  view: PlayView;
  played: Played;
  turns: Turns;
}

/** The switches of exciter, amplifier and wattmeter. */
export function Desk({ view, played, turns }: Props) {
  const { panel, does } = played;
  return (
    <Sheet part="desk" title={view.amplifier} aside={<span className="text-13 text-soft">{view.place}</span>}>
      <div className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-1.5">
        <Line label={say('practice.power')}>
          <DialButton
            label={say('practice.less', { what: say('practice.power') })}
            sign="−"
            onClick={() => turns.drive(-1, true)}
          />
          <output className="figure min-w-16 text-center text-22" data-part="drive">
            {showNumber(turns.at('DRIVE'), 4)}&thinsp;<span className="text-13 text-soft">{view.exciterUnit}</span>
          </output>
          <DialButton
            label={say('practice.more', { what: say('practice.power') })}
            sign="+"
            onClick={() => turns.drive(1, true)}
          />
          <Choice
            label={say('practice.mode')}
            value={panel.mode}
            options={view.modes}
            onPick={(mode) => ({ does: 'MODE', mode: mode as PanelView['mode'] })}
            does={does}
          />
          <span className="text-12 text-soft">{say('practice.doubles')}</span>
        </Line>
        <Line label={say('practice.bandSwitch')}>
          <Select
            aria-label={say('practice.bandSwitch')}
            letsKeysGo
            value={panel.band}
            onPick={(band) => does({ does: 'BAND', band: band as PanelView['band'] })}
            options={view.bands.map((one) => [one.code, one.name] as const)}
          />
          <Choice
            label={say('practice.operateOrStandby')}
            value={panel.operate ? 'on' : 'off'}
            options={[
              { code: 'off', name: say('practice.standby') },
              { code: 'on', name: say('practice.operate') },
            ]}
            onPick={(code) => ({ does: 'OPERATE', on: code === 'on' })}
            does={does}
          />
        </Line>
        {panel.shown && (
          <Line label={say('practice.meterShows')} hotkey="M">
            <Choice
              label={say('practice.meterShows')}
              value={panel.shown}
              options={view.positions}
              onPick={(role) => ({ does: 'METER', role: role as NonNullable<PanelView['shown']> })}
              does={does}
            />
          </Line>
        )}
        <Line label={say('practice.wattmeter')} hotkey="W">
          <Choice
            label={say('practice.range')}
            value={panel.range}
            options={view.ranges}
            onPick={(range) => ({ does: 'RANGE', range })}
            does={does}
          />
          <Choice
            label={say('practice.averageOrPeak')}
            value={panel.holds ? 'on' : 'off'}
            options={[
              { code: 'off', name: say('practice.average') },
              { code: 'on', name: say('practice.peakHold') },
            ]}
            onPick={(code) => ({ does: 'DETECTOR', on: code === 'on' })}
            does={does}
          />
        </Line>
        {view.matcher && (
          <Line label="">
            <Button size="small" onClick={() => does({ does: 'MATCH' })}>
              {say('practice.match')}
            </Button>
            <span className="text-12 text-soft">{view.matcher}</span>
          </Line>
        )}
      </div>
      {panel.tripped && (
        <p role="alert" className="mt-2 flex flex-wrap items-center gap-2">
          <Diamond />
          {say('practice.tripped')}
          <Button size="small" onClick={() => does({ does: 'RESET' })}>
            {say('practice.reset')}
          </Button>
        </p>
      )}
      <Steps view={view} />
    </Sheet>
  );
}

/** The steps that were noted, the newest last. */
function Steps({ view }: { view: PlayView }) {
  const outputs = view.steps.map((one) => one.outputW ?? 0);
  return (
    <div className="mt-3 border-t border-hair pt-2" data-part="steps">
      <h3 className="text-13 text-soft">{say('practice.steps')}</h3>
      {view.steps.length === 0 && <p className="text-13">{say('practice.noneYet')}</p>}
      <div className="flex items-end gap-4">
        {outputs.length > 1 && <MiniStair outputs={outputs} />}
        <ol className="figure flex flex-wrap gap-x-5 text-13">
          {view.steps.map((one, place) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: steps are never sorted
            <li key={place}>
              {say('practice.stepAt', {
                drive: fixed(one.driveW, 0),
                output: one.outputW === undefined ? '–' : fixed(one.outputW, 0),
              })}
            </li>
          ))}
        </ol>
      </div>
    </div>
  );
}

interface LineProps {
  label: string;
  /** The key that goes to the next of its first choice. */
  hotkey?: string;
  children: ReactNode;
}

function Line({ label, hotkey, children }: LineProps) {
  return (
    <>
      <span className="flex items-center gap-2 text-13 text-soft">
        {label}
        {hotkey && <Kbd>{hotkey}</Kbd>}
      </span>
      <span className="flex flex-wrap items-center gap-x-3 gap-y-1.5">{children}</span>
    </>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  options: readonly { code: string; name: string }[];
  onPick: (code: string) => Does;
  does: (act: Does) => void;
}

function Choice({ label, value, options, onPick, does }: ChoiceProps) {
  return (
    <ToggleGroup
      label={label}
      value={value}
      onPick={(code) => does(onPick(code))}
      options={options.map((one) => [one.code, one.name] as const)}
      className="gap-1"
    />
  );
}
