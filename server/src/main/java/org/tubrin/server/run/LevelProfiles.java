package org.tubrin.server.run;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.tubrin.core.alc.LevelProfile;
import org.tubrin.core.run.LevelSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;
import org.tubrin.server.station.Alterations;
import org.tubrin.server.station.Stations;

/** Finds the levels into exciters among the runs. */
@Component
public class LevelProfiles {
    private final ToldRuns<Tried> runs;
    private final Stations stations;
    private final Alterations alterations;

    LevelProfiles(RunMapper runs, RunStore store, Stations stations, Alterations alterations) {
        this.runs = new ToldRuns<>(
                runs,
                store,
                run -> LevelSteps.profile(run.setup(), run.steps()).map(profile -> new Tried(run, profile)));
        this.stations = stations;
        this.alterations = alterations;
    }

    private record Tried(RunState run, LevelProfile profile) {}

    /**
     * What a run told.
     *
     * @param runId which
     * @param run as it stands
     * @param profile what it tells
     * @param firmwareNow of the exciter's record; empty where it says none
     * @param changed what of the exciter was changed since
     */
    public record Kept(
            UUID runId,
            RunState run,
            LevelProfile profile,
            Optional<String> firmwareNow,
            Optional<Alteration> changed) {
        /** Returns whether another firmware or another change of the exciter has shut it. */
        public boolean isShut() {
            return changed.isPresent() || !run.setup().exciter().firmware().equals(firmwareNow);
        }

        boolean isOf(String exciter, Mode mode) {
            return run.setup().exciter().name().equals(exciter) && run.setup().carrier() == mode;
        }
    }

    /** Returns what the newest runs told, the newest first; those without a level are left out. */
    public List<Kept> newest() {
        List<Exciter> exciters = stations.readableEquipment().stream()
                .map(Stations.Stored::equipment)
                .filter(Exciter.class::isInstance)
                .map(Exciter.class::cast)
                .toList();
        List<Alteration> changed = alterations.all();
        return runs.newest(School.ALC, ToldRuns.MOST).stream()
                .map(told -> kept(told, exciters, changed))
                .toList();
    }

    /** Returns what the newest run of an exciter in a mode told that has a window; one of the band before others. */
    Optional<Kept> of(String exciter, Mode mode, Band band) {
        List<Kept> all = newest().stream()
                .filter(one -> one.isOf(exciter, mode) && one.profile().window().isPresent())
                .toList();
        return all.stream()
                .filter(one -> one.run().setup().band() == band)
                .findFirst()
                .or(() -> all.stream().findFirst());
    }

    /** An exciter that is no longer in the station has the firmware that it had. */
    private static Kept kept(ToldRuns.Told<Tried> told, List<Exciter> exciters, List<Alteration> changed) {
        Tried tried = told.told();
        Exciter then = tried.run().setup().exciter();
        Optional<String> now = exciters.stream()
                .filter(one -> one.name().equals(then.name()))
                .findFirst()
                .orElse(then)
                .firmware();
        return new Kept(
                told.runId(),
                tried.run(),
                tried.profile(),
                now,
                Alteration.closing(changed, Set.of(then.name()), tried.run().lastAt()));
    }
}
