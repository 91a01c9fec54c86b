interface Props {
  value: number;
  halfWidth: number;
  limit: number;
  verdict: string;
}

/** Share of the ruler at which the limit stands. */
const LIMIT_AT = 0.94;

const BAR: Record<string, string> = { WITHIN: 'bg-ink', MAY_EXCEED: 'bg-watch', EXCEEDS: 'bg-limit' };

/** How far a value is from its limit: a bar with whiskers, and the limit as a heavy tick. */
export function RoomRuler({ value, halfWidth, limit, verdict }: Props) {
  const at = (amount: number) => `${Math.max(0, Math.min(1, (amount / limit) * LIMIT_AT)) * 100}%`;
  const low = at(value - halfWidth);
  return (
    <div className="relative h-4" aria-hidden="true">
      <div className="absolute top-2 h-px w-full bg-rule" />
      {Array.from({ length: 10 }, (_, i) => i).map((tick) => (
        <div
          key={tick}
          className="absolute top-2 h-1 w-px bg-rule"
          style={{ left: `${(tick / 10) * LIMIT_AT * 100}%` }}
        />
      ))}
      <div className={`absolute top-1.5 h-1 ${BAR[verdict] ?? 'bg-ink'}`} style={{ width: at(value) }} />
      {halfWidth > 0 && (
        <div
          className="absolute top-0.75 h-2.5 border-x border-ink"
          style={{ left: low, width: `calc(${at(value + halfWidth)} - ${low})` }}
        >
          <div className="mt-1 h-px w-full bg-ink" />
        </div>
      )}
      <div className="absolute top-px h-3.5 w-0.75 bg-limit" style={{ left: `${LIMIT_AT * 100}%` }} />
    </div>
  );
}
