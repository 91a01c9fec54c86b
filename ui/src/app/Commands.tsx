import { Command } from 'cmdk';
import { useNavigate } from 'react-router';
import { cn, Dialog, fieldLook } from '../parts/ui';
import { say } from '../words';
import { PLACES } from './places';
import { toggleTheme } from './theme';

interface Props {
  open: boolean;
  onClose: () => void;
  onHelp: () => void;
}

const ITEM = 'cursor-pointer rounded-3 px-3 py-1.5 data-[selected=true]:bg-wash';

/** The list of commands: type a part of a word, Enter does it. */
export default function Commands({ open, onClose, onHelp }: Props) {
  const navigate = useNavigate();
  const run = (act: () => void) => () => {
    onClose();
    act();
  };
  return (
    <Dialog open={open} onClose={onClose} title={say('app.commands')} quiet className="w-105 p-3">
      <Command label={say('app.commands')}>
        <Command.Input placeholder={say('app.whatToDo')} className={cn(fieldLook(), 'mb-2 w-full')} />
        <Command.List>
          <Command.Empty className="px-3 py-1.5 text-soft">{say('app.noSuchCommand')}</Command.Empty>
          {PLACES.map((place) => (
            <Command.Item key={place.path} className={ITEM} onSelect={run(() => navigate(place.path))}>
              {say('app.goTo', { place: place.name })}
            </Command.Item>
          ))}
          <Command.Item className={ITEM} onSelect={run(toggleTheme)}>
            {say('app.dayOrLamp')}
          </Command.Item>
          <Command.Item className={ITEM} onSelect={run(onHelp)}>
            {say('app.showTheKeys')}
          </Command.Item>
        </Command.List>
      </Command>
    </Dialog>
  );
}
