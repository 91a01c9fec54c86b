interface Props {
  value: number;
  standardUncertainty: number;
  limit: number;
  verdict: string;
}

/** Share of the ruler at which the limit stands. */
const LIMIT_AT = 0.94;

const BAR: Record<string, string> = { WITHIN: 'bg-ink', MAY_EXCEED: 'bg-watch', EXCEEDS: 'bg-limit' };

/** How far a value is from its limit: a bar with whiskers, and the limit as a heavy tick. */
export function RoomRuler({ value, standardUncertainty, limit, verdict }: Props) {
  const at = (amount: number) => `${Math.max(0, Math.min(1, (amount / limit) * LIMIT_AT)) * 100}%`;
  const low = at(value - standardUncertainty);
  return (
    <div className="relative h-[16px]" aria-hidden="true">
      <div className="absolute top-[8px] h-px w-full bg-rule" />
      {Array.from({ length: 10 }, (_, i) => i).map((tick) => (
        <div
          key={tick}
          className="absolute top-[8px] h-[4px] w-px bg-rule"
          style={{ left: `${(tick / 10) * LIMIT_AT * 100}%` }}
        />
      ))}
      <div className={`absolute top-[6px] h-[4px] ${BAR[verdict] ?? 'bg-ink'}`} style={{ width: at(value) }} />
      {standardUncertainty > 0 && (
        <div
          className="absolute top-[3px] h-[10px] border-x border-ink"
          style={{ left: low, width: `calc(${at(value + standardUncertainty)} - ${low})` }}
        >
          <div className="mt-[4.5px] h-px w-full bg-ink" />
        </div>
      )}
      <div className="absolute top-[1px] h-[14px] w-[3px] bg-limit" style={{ left: `${LIMIT_AT * 100}%` }} />
    </div>
  );
}
