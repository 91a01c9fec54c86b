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
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.ChainSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Shows how far a chain was driven up. */
@Component
class ChainClimbViewer {
    private static final String THIN = "\u2009";
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
                .flatMap(ChainSteps::disagreement)
                .ifPresent(apart -> says.add(words.say(
                        "chain.climb.apart",
                        Map.of("volts", written(apart.byVoltsW()), "meter", written(apart.byMeterW())))));
        if (!points.isEmpty()) {
            ChainClimb.compressionDb(points)
                    .filter(db -> db > 0)
                    .ifPresent(db -> says.add(words.say("chain.climb.compressed", Map.of("db", Figures.fixed(db, 1)))));
        }
        return new ChainClimbView(
                Power.dbm(plan.wantedW()),
                watts(plan.wantedW()),
                plan.chain().wayUp(plan.wantedW()).stream()
                        .map(one -> new ChainClimbView.PlannedLevel(one.attenuationDb(), Power.dbm(one.outputW())))
                        .toList(),
                points.stream().map(point -> taken(plan, point)).toList(),
                says);
    }

    private static ChainClimbView.TakenLevel taken(ChainPlan plan, ChainPoint point) {
        Quantity output = point.outputW();
        double inputW = plan.chain().generator().powerW() * Power.ratio(-point.attenuationDb());
        return new ChainClimbView.TakenLevel(
                point.attenuationDb(),
                dbm(output.value()),
                dbm(output.low()),
                dbm(output.high()),
                written(output),
                output.value() > 0
                        ? Figures.with95(output.scaled(1 / inputW).inDecibels(), 1, "", GAIN_DECIMALS)
                                .withUncertainty()
                        : "");
    }

    /** Returns volts as one reads them off a scope. */
    static String volts(double volts) {
        return volts < 1
                ? Figures.plain(volts / ScaleUnit.MV.inUnit(), 0) + THIN + "mV"
                : Figures.plain(volts, volts < 10 ? 2 : volts < 100 ? 1 : 0) + THIN + "V";
    }

    private static double dbm(double watt) {
        return Power.dbm(Math.max(Power.LEAST_W, watt));
    }

    private static String watts(double watt) {
        return Figures.plain(watt, 2) + THIN + "W";
    }

    private static String written(Quantity watt) {
        return watt.value() < 1
                ? Figures.with95(watt, 1e-3, "mW", 2).withUncertainty() + THIN + "mW"
                : Figures.with95(watt, 1, "W", 2).withUncertainty() + THIN + "W";
    }
}
