import { Command } from 'cmdk';
import { useNavigate } from 'react-router';
import { cn, Dialog, fieldLook } from '../parts/ui';
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
    <Dialog open={open} onClose={onClose} title="Commands" quiet className="w-105 p-3">
      <Command label="Commands">
        <Command.Input placeholder="What to do" className={cn(fieldLook(), 'mb-2 w-full')} />
        <Command.List>
          <Command.Empty className="px-3 py-1.5 text-soft">No such command.</Command.Empty>
          {PLACES.map((place) => (
            <Command.Item key={place.path} className={ITEM} onSelect={run(() => navigate(place.path))}>
              Go to {place.name}
            </Command.Item>
          ))}
          <Command.Item className={ITEM} onSelect={run(toggleTheme)}>
            Day or lamp
          </Command.Item>
          <Command.Item className={ITEM} onSelect={run(onHelp)}>
            Show the keys
          </Command.Item>
        </Command.List>
      </Command>
    </Dialog>
  );
}
