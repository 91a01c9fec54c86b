package org.tubrin.server.twin;

import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.server.feed.BenchLink;
import org.tubrin.server.run.RunStore;

/** Finds where a run stands: its drive and dials, and its twin. */
@Component
class RunPlaces {
    private final RunStore store;
    private final BenchLink bench;

    RunPlaces(RunStore store, BenchLink bench) {
        this.store = store;
        this.bench = bench;
    }

    /** Where a run stands; {@code known} where its dials are, not only where they start. */
    record TwinAt(RunState state, TuneSetup setup, TubeTwin twin, Setting setting, boolean known) {}

    /** Returns a run as it stands. */
    RunState state(UUID runId) {
        return store.state(runId);
    }

    /** Returns where a run stands, at another drive where one is given; refuses where it has no twin. */
    TwinAt at(UUID runId, @Nullable Double driveW) {
        RunState state = state(runId);
        return at(state, driveW)
                .orElseThrow(() -> new Refused(new Problem(
                        ProblemCode.NO_TWIN,
                        "amplifier",
                        state.setup().amplifier().name(),
                        new Allowed.Nothing())));
    }

    /** Returns the same of a state; empty where it has no twin. */
    Optional<TwinAt> at(RunState state, @Nullable Double driveW) {
        TuneSetup setup = state.setup();
        if (driveW != null) {
            new Checks()
                    .range("driveW", driveW, 0.01, 2 * setup.amplifier().driveLimitW(), Unit.WATT)
                    .done();
        }
        Step step = state.step(state.placeInFocus());
        Optional<BenchLink.Panel> panel =
                setup.readings() == ReadingSource.BENCH && state.ending().isEmpty() ? bench.panel() : Optional.empty();
        double drive = driveW != null
                ? driveW
                : panel.map(shown -> setup.driveOfW(shown.exciterW()))
                        .or(() -> step.position(Control.DRIVE))
                        .orElse(setup.topDriveW());
        Optional<Double> plate = panel.map(BenchLink.Panel::plate).or(() -> step.position(Control.PLATE));
        Optional<Double> load = panel.map(BenchLink.Panel::load).or(() -> step.position(Control.LOAD));
        Setting setting = RecordTwin.setting(
                setup,
                drive,
                plate.orElse(setup.preset().plate()),
                load.orElse(setup.preset().load()));
        return RecordTwin.of(setup)
                .map(twin -> new TwinAt(state, setup, twin, setting, plate.isPresent() && load.isPresent()));
    }

    /** Returns what has settled; refuses what has not. */
    static <T> T settled(Outcome<T> outcome) {
        if (outcome instanceof Outcome.Settled<T> settled) {
            return settled.point();
        }
        throw unsettled();
    }

    static Refused unsettled() {
        return new Refused(new Problem(ProblemCode.TWIN_UNSETTLED, "setting", "", new Allowed.Nothing()));
    }
}
