package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.chain.ChainClimb;
import org.tubrin.core.chain.ChainPlan;
import org.tubrin.core.chain.ChainPoint;
import org.tubrin.core.chain.Power;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.ChainSteps;
import org.tubrin.core.run.LoadVolts;
import org.tubrin.core.run.RunState;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Levels;
import org.tubrin.server.words.Words;

/** Shows how far a chain was driven up. */
@Component
class ChainClimbViewer {
    private static final int GAIN_DECIMALS = 1;

    private final Words words;

    ChainClimbViewer(Words words) {
        this.words = words;
    }

    /** Returns how far it was driven; empty for every other run. */
    Optional<ChainClimbView> view(RunState state) {
        return state.setup().customs().chain().map(plan -> view(plan, state));
    }

    private ChainClimbView view(ChainPlan plan, RunState state) {
        List<ChainPoint> points = ChainSteps.points(state.steps());
        List<String> says = new ArrayList<>();
        ChainSteps.climb(state.setup(), state.steps())
                .flatMap(ChainClimb::end)
                .ifPresent(end -> says.add(words.say("chain.climb." + end.name())));
        state.lastStep()
                .flatMap(LoadVolts::disagreement)
                .ifPresent(apart -> says.add(words.say(
                        "volts.apart",
                        Map.of("volts", Levels.watts(apart.byVoltsW()), "meter", Levels.watts(apart.byMeterW())))));
        if (!points.isEmpty()) {
            ChainClimb.compressionDb(points)
                    .filter(db -> db > 0)
                    .ifPresent(db -> says.add(words.say("chain.climb.compressed", Map.of("db", Figures.fixed(db, 1)))));
        }
        return new ChainClimbView(
                Power.dbm(plan.wantedW()),
                Levels.watts(plan.wantedW()),
                plan.chain().wayUp(plan.wantedW()).stream()
                        .map(one -> new ChainClimbView.PlannedLevel(one.attenuationDb(), Power.dbm(one.outputW())))
                        .toList(),
                points.stream().map(point -> taken(plan, point)).toList(),
                says);
    }

    private static ChainClimbView.TakenLevel taken(ChainPlan plan, ChainPoint point) {
        Quantity output = point.outputW();
        return new ChainClimbView.TakenLevel(
                point.attenuationDb(),
                dbm(output.value()),
                dbm(output.low()),
                dbm(output.high()),
                Levels.watts(output),
                ChainClimb.gainDb(plan, point)
                        .map(gain -> Figures.of(gain, 1, "", GAIN_DECIMALS).withUncertainty())
                        .orElse(""));
    }

    private static double dbm(double watt) {
        return Power.dbm(Math.max(Power.LEAST_W, watt));
    }
}
