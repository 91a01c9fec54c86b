import type { RunView } from '../../api';
import { BiasStair } from '../../plot';
import { say } from '../../words';
import { LastSheet } from './LastSheet';
import { useLiveReading } from './useLive';
import type { Run } from './useRun';

/** The stair of the devices with what the meter shows now, and the last readings. */
export function BiasSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const sense = useLiveReading('SENSE_VOLTAGE');
  const feed = useLiveReading('DEVICE_CURRENT');
  const bias = view.bias;
  const live = sense ?? feed;
  return (
    <LastSheet
      view={view}
      run={run}
      readOnly={readOnly}
      label={say('shared.readings')}
      all={{ to: '/drive/bias', says: say('shared.idleCurrentsThatWereSet') }}
      fileName={`bias-${view.amplifier.replaceAll(' ', '-')}`}
      picture={(width, drawing) =>
        bias && (
          <BiasStair
            drawing={drawing}
            {...bias}
            now={readOnly ? undefined : { device: Number(view.draft.device), value: live?.value }}
            width={width}
          />
        )
      }
    />
  );
}
