import type { RunView } from '../../api';
import { Diamond, LimitBar, Sheet } from '../../parts';
import { RoomRuler } from '../../plot';

export function RoomLeft({ view }: { view: RunView }) {
  if (view.room.rooms.length === 0) return null;
  return (
    <Sheet title={view.room.atDrive ? `Room left at ${view.room.atDrive} W` : 'Room left'} part="room">
      <ul className="grid gap-0.75">
        {view.room.rooms.map((room) => (
          <li key={room.kind}>
            <div className="flex items-baseline justify-between gap-2 leading-4.5">
              <span>{room.label}</span>
              <span className="figure text-13 text-soft">{room.shown}</span>
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
    </Sheet>
  );
}
