package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.bias.BiasClimb;
import org.tubrin.core.bias.BiasDevice;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Rounding;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Shows what a bias climb brought. */
@Component
public class BiasViewer {
    private static final double PERCENT = 100;
    private static final double WORTH_SAYING = 0.01;

    private final Words words;

    BiasViewer(Words words) {
        this.words = words;
    }

    /** Returns what a bias climb brought so far; empty for every other run. */
    public Optional<BiasView> view(RunState state) {
        return BiasScale.of(state.setup())
                .flatMap(scale -> BiasSteps.climb(state.setup(), state.steps()).map(climb -> view(scale, climb)));
    }

    private BiasView view(BiasScale scale, BiasClimb climb) {
        BiasPlan plan = scale.plan();
        return new BiasView(
                scale.unit().symbol(),
                scale.decimals(),
                plan.potTurns(),
                PERCENT * BiasPlan.TOLERANCE,
                climb.rungs().stream()
                        .map(rung -> new BiasView.BiasRung(
                                rung.device(),
                                scale.shown(rung.baseA()),
                                scale.shown(rung.aimA()),
                                scale.shown(rung.toleranceA()),
                                rung.isA().map(scale::shown).orElse(null)))
                        .toList(),
                climb.taken().stream()
                        .flatMap(taken -> taken.offShare().stream())
                        .map(off -> PERCENT * off)
                        .toList(),
                climb.reached().stream().map(one -> device(plan, one)).toList(),
                says(plan, climb));
    }

    private BiasView.BiasDeviceView device(BiasPlan plan, BiasDevice one) {
        boolean within = one.isWithin(plan);
        return new BiasView.BiasDeviceView(
                one.number(),
                milliamperes(one.currentA()),
                one.gateV().map(volts -> Figures.fixed(volts, 2)).orElse(null),
                within,
                words.say(
                        within ? "bias.within" : "bias.off",
                        Map.of("tolerance", Figures.plain(PERCENT * BiasPlan.TOLERANCE, 0))));
    }

    /** Returns a current with its 95 % interval. */
    static String milliamperes(Quantity current) {
        double half = current.halfWidth95() / ScaleUnit.MA.inUnit();
        int decimals = Rounding.decimals(half);
        return Figures.fixed(current.value() / ScaleUnit.MA.inUnit(), decimals) + " ± " + Figures.fixed(half, decimals);
    }

    private List<String> says(BiasPlan plan, BiasClimb climb) {
        List<String> says = new ArrayList<>();
        plan.sense()
                .filter(sense -> Math.abs(sense.printOffShare()) >= WORTH_SAYING)
                .ifPresent(sense -> says.add(words.say(
                        "bias.print",
                        Map.of(
                                "nominal", Figures.plain(sense.nominalOhm(), 3),
                                "measured", Figures.plain(sense.measuredOhm(), 3),
                                "off", Figures.plain(PERCENT * Math.abs(sense.printOffShare()), 0)))));
        climb.end()
                .ifPresent(end -> says.add(words.say(
                        "bias.end." + end.name(),
                        Map.of(
                                "device",
                                climb.device(),
                                "runaway",
                                climb.runaway(),
                                "gateMost",
                                Figures.plain(BiasPlan.GATE_LIMIT_V, 1)))));
        climb.unequalPairs()
                .forEach(first -> says.add(words.say(
                        "bias.pair",
                        Map.of(
                                "first",
                                first,
                                "second",
                                first + 1,
                                "apart",
                                Figures.plain(PERCENT * BiasClimb.PAIR_SHARE, 0)))));
        climb.reached().stream()
                .filter(one -> one.amperesPerTurn().isPresent())
                .forEach(one -> says.add(words.say(
                        "bias.turn",
                        Map.of(
                                "device", one.number(),
                                "current",
                                        Figures.plain(one.amperesPerTurn().orElse(0.0) / ScaleUnit.MA.inUnit(), 0)))));
        return says;
    }
}
