const WIDTH = 64;
const HEIGHT = 20;

/** The outputs of a run's steps as a stair of two lines' height, from nothing to the most. */
export function MiniStair({ outputs }: { outputs: readonly number[] }) {
  if (outputs.length < 2) return null;
  const most = Math.max(...outputs);
  const wide = WIDTH / outputs.length;
  const y = (output: number) => (HEIGHT - 1 - (most > 0 ? output / most : 0) * (HEIGHT - 2)).toFixed(1);
  const steps = outputs.map((output, index) => `V${y(output)}H${((index + 1) * wide).toFixed(1)}`).join('');
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true" data-part="mini-stair">
      <path d={`M0 ${HEIGHT - 1}${steps}`} fill="none" className="stroke-ink" strokeWidth="1.6" />
    </svg>
  );
}
