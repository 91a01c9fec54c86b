package org.tubrin.server.twin;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.foresee.TwinLearning;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.RunState;
import org.tubrin.core.station.Amplifier;
import org.tubrin.server.run.RunStore;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** What a run teaches the twin; kept in the amplifier's record when the operator accepts it. */
@Service
class Learnings {
    private static final String THIN = "\u2009";

    private final RunStore store;
    private final Stations stations;
    private final Words words;

    Learnings(RunStore store, Stations stations, Words words) {
        this.store = store;
        this.stations = stations;
        this.words = words;
    }

    /** Returns what a run teaches; nothing where it cannot. */
    Optional<TwinViews.LearningView> learning(UUID runId) {
        RunState state = store.state(runId);
        Optional<TwinViews.LearningView> view = TwinLearning.of(state).map(one -> view(one, state));
        return view.isEmpty() && TwinLearning.isPossible(state)
                ? Optional.of(new TwinViews.LearningView(
                        List.of(), List.of(), List.of(), false, words.say("learning.failed")))
                : view;
    }

    /** Puts what a run teaches into the amplifier's record as it stands now. */
    @Transactional
    TwinViews.Accepted accept(UUID runId) {
        RunState state = store.state(runId);
        TwinLearning learning = TwinLearning.of(state)
                .orElseThrow(() -> new Refused(new Problem(
                        TwinLearning.isPossible(state) ? ProblemCode.TWIN_UNSETTLED : ProblemCode.NO_TWIN,
                        "run",
                        state.setup().amplifier().name(),
                        new Allowed.Nothing())));
        String name = state.setup().amplifier().name();
        Stations.Stored kept = stations.equipment().stream()
                .filter(one -> one.equipment() instanceof Amplifier
                        && one.equipment().name().equals(name))
                .findFirst()
                .orElseThrow(() ->
                        new Refused(new Problem(ProblemCode.UNKNOWN_NAME, "amplifier", name, new Allowed.Nothing())));
        Stations.Stored now =
                stations.replace(kept.id(), kept.revision(), learning.applied((Amplifier) kept.equipment()));
        return new TwinViews.Accepted(name, now.revision());
    }

    private TwinViews.LearningView view(TwinLearning learning, RunState state) {
        List<TwinViews.LearnedRow> rows = learning.changes().stream()
                .map(change -> new TwinViews.LearnedRow(
                        words.say("learning." + change.factor().name()),
                        percent(change.by()),
                        words.say(change.believable() ? "learning.believable" : "learning.tooFar"),
                        change.believable()))
                .toList();
        List<TwinViews.LearnedRow> meters = state.setup().rolesAsked().stream()
                .flatMap(role ->
                        Optional.ofNullable(learning.meters().get(role)).map(by -> meter(role, by, state)).stream())
                .toList();
        List<String> leftOver = learning.leftOver().stream()
                .map(one -> words.say(
                        "learning.leftOver",
                        Map.of(
                                "step", one.place() + 1,
                                "reading", words.nameWithin(one.role().name()),
                                "measured", figure(one.measured()),
                                "twin", plain(one.twin(), one.measured().unit()))))
                .toList();
        return new TwinViews.LearningView(rows, meters, leftOver, learning.isBelievable(), null);
    }

    private TwinViews.LearnedRow meter(ReadingRole role, Quantity by, RunState state) {
        return new TwinViews.LearnedRow(
                state.setup().meterFor(role).orElseThrow().name() + ", " + words.nameWithin(role.name()),
                percent(by),
                "",
                true);
    }

    private static String percent(Quantity factor) {
        Quantity change = factor.minus(Quantity.exact(1, Unit.ONE, factor.standing()));
        String shown = Figures.difference(change, 0.01, "%", 1).withUncertainty() + THIN + "%";
        return change.value() > 0 ? "+" + shown : shown;
    }

    private String figure(Quantity measured) {
        return Figures.of(measured, 1, "", 3).withUncertainty() + unit(measured.unit());
    }

    private String plain(double value, Unit unit) {
        return Figures.plain(value, unit == Unit.AMPERE ? 3 : 0) + unit(unit);
    }

    private String unit(Unit unit) {
        return THIN + words.say("unit." + unit.name());
    }
}
