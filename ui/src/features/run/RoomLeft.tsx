import type { RoomView, RunView } from '../../api';
import { Diamond, LimitBar, Sheet } from '../../parts';
import { Popover } from '../../parts/ui';
import { RoomRuler } from '../../plot';
import { say } from '../../words';
import { Calculation } from './Calculation';

export function RoomLeft({ view }: { view: RunView }) {
  if (view.room.rooms.length === 0) return null;
  return (
    <Sheet
      title={view.room.atDrive ? say('run.roomLeftAtW', { atDrive: view.room.atDrive }) : say('run.roomLeft')}
      term="roomLeft"
      part="room"
    >
      <ul className="grid gap-0.75">
        {view.room.rooms.map((room) => (
          <li key={room.kind}>
            <div className="flex items-baseline justify-between gap-2 leading-4.5">
              <span>{room.label}</span>
              <Shown view={view} room={room} />
            </div>
            <RoomRuler {...room} />
            {room.verdict !== 'WITHIN' && (
              <p
                className={`flex items-center gap-1.5 text-13 ${room.verdict === 'EXCEEDS' ? 'text-limit' : 'text-watch'}`}
              >
                {room.verdict === 'EXCEEDS' ? <LimitBar /> : <Diamond />}
                {room.verdictWords}
              </p>
            )}
          </li>
        ))}
      </ul>
      {view.room.lowered && <p className="mt-1 text-13 text-soft">{view.room.lowered}</p>}
    </Sheet>
  );
}

/** A value against its limit; it opens to what it was calculated from. */
function Shown({ view, room }: { view: RunView; room: RoomView }) {
  const of = room.figure ? { figure: room.figure } : room.role ? { role: room.role } : undefined;
  const style = 'figure text-13 text-soft';
  if (!of) return <span className={style}>{room.shown}</span>;
  return (
    <Popover
      label={say('run.howItWasCalculated', { label: room.label, room: room.shown })}
      className={`${style} cursor-pointer`}
      shown={room.shown}
    >
      <Calculation runId={view.id} place={view.room.place} of={of} sequence={view.sequence} />
    </Popover>
  );
}
