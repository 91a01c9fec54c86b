import { Kbd } from '../../../parts';
import { Button, Popover, Switch } from '../../../parts/ui';
import { say, within } from '../../../words';
import { EARS, switchEar } from './settings';
import type { Sounds } from './useSounds';

/** What is heard, with its switches, and in words what sounds now. */
export function SoundLine({ sounds, glance }: { sounds: Sounds; glance: () => void }) {
  const on = EARS.filter(([ear]) => sounds.ears[ear]);
  return (
    <div className="flex min-h-7 flex-wrap items-center gap-x-4 text-13 text-soft" data-part="sound">
      <Popover
        label={say('run.sound')}
        shown={
          on.length === 0
            ? say('run.soundOff')
            : say('run.soundIs', { on: on.map(([, name]) => within(name)).join(', ') })
        }
        className="cursor-pointer underline"
      >
        <ul className="grid gap-1.5">
          {EARS.map(([ear, name, does]) => (
            <li key={ear}>
              <Switch label={name} on={sounds.ears[ear]} onSwitch={(to) => switchEar(ear, to)} />
              <p className="pl-8 text-soft">{does}</p>
            </li>
          ))}
        </ul>
      </Popover>
      <Button
        kind="bare"
        className="gap-1"
        onClick={(event) => {
          // Enter is for the next move from here on.
          event.currentTarget.blur();
          sounds.repeat();
        }}
      >
        <Kbd>N</Kbd> {say('shared.sayTheNextMove')}
      </Button>
      <Button kind="bare" className="gap-1" onClick={glance}>
        <Kbd>F</Kbd> {say('run.glanceWithin')}
      </Button>
      <Caption text={sounds.caption} />
    </div>
  );
}

/** In words what sounds now; a screen reader has the sound itself, or the sentence. */
export function Caption({ text }: { text: string }) {
  return (
    <span aria-hidden="true" data-part="caption" className="grow text-right text-ink">
      {text && `♪ ${text}`}
    </span>
  );
}
