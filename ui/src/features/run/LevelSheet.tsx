import type { RunView } from '../../api';
import { LevelStair } from '../../plot';
import { say } from '../../words';
import { LastSheet } from './LastSheet';
import type { Run } from './useRun';

/** Output and gauge over the level, and the levels of the set power and tone in hand. */
export function LevelSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const levels = view.levels;
  const hand = view.draft;
  return (
    <LastSheet
      view={view}
      run={run}
      readOnly={readOnly}
      label={say('run.levels')}
      belongs={(step) => step.drive === hand.drive && step.tone === hand.tone}
      all={{ to: '/drive/alc', says: say('run.levelsOfEveryExciter') }}
      fileName={`alc-${view.exciter.replaceAll(' ', '-')}`}
      picture={(width, drawing) =>
        levels && (
          <LevelStair
            drawing={drawing}
            points={levels.series[0]?.points ?? []}
            setPowerW={levels.setPowerW}
            gaugeEnd={levels.gaugeEnd}
            knee={levels.knee}
            window={levels.window}
            gauge={levels.gauge}
            wideFrom={levels.widening?.from}
            width={width}
          />
        )
      }
    />
  );
}
