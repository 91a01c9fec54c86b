package org.tubrin.server.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.tubrin.core.alc.LevelProfile;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.LevelSteps;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;
import org.tubrin.server.station.Stations;
import tools.jackson.core.JacksonException;

/** Finds the levels into exciters among the runs. */
@Component
public class LevelProfiles {
    private static final Logger LOG = LoggerFactory.getLogger(LevelProfiles.class);
    private static final int MOST_RUNS = 30;
    private static final int MOST_KNOWN = 100;
    private static final RunFilter LEVELS = new RunFilter(null, null, null, School.ALC.name(), null, null);

    private final RunMapper runs;
    private final RunStore store;
    private final Stations stations;
    /** What a run told stays so until something is added to it. */
    private final Map<UUID, Told> known = new ConcurrentHashMap<>();

    private record Told(UUID runId, Instant lastAt, RunState run, LevelProfile profile) {}

    LevelProfiles(RunMapper runs, RunStore store, Stations stations) {
        this.runs = runs;
        this.store = store;
        this.stations = stations;
    }

    /**
     * What a run told.
     *
     * @param runId which
     * @param run as it stands
     * @param profile what it tells
     * @param firmwareNow of the exciter's record; empty where it says none
     */
    public record Kept(UUID runId, RunState run, LevelProfile profile, Optional<String> firmwareNow) {
        /** Returns whether another firmware has shut it. */
        public boolean isShut() {
            return !run.setup().exciter().firmware().equals(firmwareNow);
        }

        boolean isOf(String exciter, Mode mode) {
            return run.setup().exciter().name().equals(exciter) && run.setup().carrier() == mode;
        }
    }

    /** Returns what the newest runs told, the newest first; those without a level are left out. */
    public List<Kept> newest() {
        List<Kept> all = new ArrayList<>();
        for (RunRow row : runs.runs(LEVELS, false, 0, MOST_RUNS)) {
            if (row.steps() > 0) {
                told(row).map(this::kept).ifPresent(all::add);
            }
        }
        return all;
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

    private Kept kept(Told told) {
        return new Kept(
                told.runId, told.run, told.profile, firmwareNow(told.run.setup().exciter()));
    }

    private Optional<Told> told(RunRow row) {
        Told before = known.get(row.id());
        if (before != null && before.lastAt.equals(row.lastAt())) {
            return Optional.of(before);
        }
        Optional<Told> read = read(row);
        read.ifPresent(told -> {
            if (known.size() > MOST_KNOWN) {
                known.clear();
            }
            known.put(row.id(), told);
        });
        return read;
    }

    private Optional<Told> read(RunRow row) {
        try {
            RunState run = Replay.of(store.events(row.id()));
            return LevelSteps.profile(run.setup(), run.steps())
                    .map(profile -> new Told(row.id(), row.lastAt(), run, profile));
        } catch (JacksonException | IllegalArgumentException | IndexOutOfBoundsException | Refused e) {
            LOG.warn("the run {} cannot be read: {}", row.id(), e.getMessage());
            return Optional.empty();
        }
    }

    /** An exciter that is no longer in the station has the firmware that it had. */
    private Optional<String> firmwareNow(Exciter then) {
        return stations.readableEquipment().stream()
                .map(Stations.Stored::equipment)
                .filter(one -> one instanceof Exciter && one.name().equals(then.name()))
                .map(one -> ((Exciter) one).firmware())
                .findFirst()
                .orElse(then.firmware());
    }
}
