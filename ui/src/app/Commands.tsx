import { Command } from 'cmdk';
import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { PLACES } from './places';
import { toggleTheme } from './theme';

/** The list of commands: type a part of a word, Enter does it. */
export default function Commands({ onClose, onHelp }: { onClose: () => void; onHelp: () => void }) {
  const navigate = useNavigate();
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    dialog.current?.showModal();
  }, []);
  const run = (act: () => void) => () => {
    onClose();
    act();
  };
  const item = 'cursor-pointer rounded-3 px-3 py-1.5 data-[selected=true]:bg-wash';
  return (
    <dialog ref={dialog} onClose={onClose} aria-label="Commands" className="sheet w-[420px] p-3 text-ink">
      <Command label="Commands">
        <Command.Input autoFocus placeholder="What to do" className="field mb-2 w-full" />
        <Command.List>
          <Command.Empty className="px-3 py-1.5 text-soft">No such command.</Command.Empty>
          {PLACES.map((place) => (
            <Command.Item key={place.path} className={item} onSelect={run(() => navigate(place.path))}>
              Go to {place.name}
            </Command.Item>
          ))}
          <Command.Item className={item} onSelect={run(toggleTheme)}>
            Day or lamp
          </Command.Item>
          <Command.Item className={item} onSelect={run(onHelp)}>
            Show the keys
          </Command.Item>
        </Command.List>
      </Command>
    </dialog>
  );
}
