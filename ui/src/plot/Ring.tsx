interface Props {
  /** How much of the ring is filled, 0 to 1. */
  share: number;
  label: string;
  beyond: boolean;
}

const RADIUS = 46;
const ROUND = 2 * Math.PI * RADIUS;

/** A ring that fills as time passes, with the time in its middle. */
export function Ring({ share, label, beyond }: Props) {
  return (
    <svg width="92" height="92" viewBox="0 0 104 104" aria-hidden="true" className="shrink-0">
      <circle cx="52" cy="52" r={RADIUS} fill="none" className="stroke-hair" strokeWidth="9" />
      <circle
        cx="52"
        cy="52"
        r={RADIUS}
        fill="none"
        className={beyond ? 'stroke-limit' : 'stroke-act'}
        strokeWidth={beyond ? 13 : 9}
        strokeDasharray={`${ROUND * Math.max(0, Math.min(1, share))} ${ROUND}`}
        transform="rotate(-90 52 52)"
      />
      <text x="52" y="60" textAnchor="middle" className={`head text-22 ${beyond ? 'fill-limit' : 'fill-ink'}`}>
        {label}
      </text>
    </svg>
  );
}
