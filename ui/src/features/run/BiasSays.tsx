import type { RunView } from '../../api';
import { BiasDevices, Sheet } from '../../parts';
import { say } from '../../words';

/** Where each device came to, and what follows. */
export function BiasSays({ view }: { view: RunView }) {
  const bias = view.bias;
  if (!bias || bias.says.length + bias.devices.length === 0) return null;
  return (
    <Sheet title={say('run.idleCurrents')} part="bias-says">
      <BiasDevices devices={bias.devices} />
      {bias.says.map((sentence) => (
        <p key={sentence} className="mt-1.5">
          {sentence}
        </p>
      ))}
    </Sheet>
  );
}
