package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.StepFigure;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Says how a figure of a step was calculated, and what leaves it open. */
@Component
public class Calculations {
    private static final String THIN = "\u2009";
    private static final double PERCENT = 100;
    /** A part smaller than this is not told. */
    private static final double LEAST_PART = 0.005;

    private final RunStore store;
    private final Words words;

    Calculations(RunStore store, Words words) {
        this.store = store;
        this.words = words;
    }

    /** Returns how a figure of a step was calculated, by its place from 0; fails with {@link NotThere} where it is not known. */
    CalculationView view(UUID runId, int place, StepFigure figure) {
        RunState state = store.state(runId);
        Step step = step(state, place);
        Optional<Step> before = state.stepBefore(place);
        Quantity found = figure.of(step, before).orElseThrow(() -> new NotThere(figure.name()));
        String formula =
                "calc.formula." + figure.name() + (state.setup().stage().isTuned() ? "" : ".untuned");
        return view(step, "calc." + figure.name(), found, formula, used(state, step, before, figure));
    }

    /** Returns what a reading of a step is worth; fails with {@link NotThere} where there is none. */
    CalculationView view(UUID runId, int place, ReadingRole role) {
        RunState state = store.state(runId);
        Step step = step(state, place);
        Quantity found = step.measured(role).orElseThrow(() -> new NotThere(role.name()));
        List<CalculationView.Used> used = new ArrayList<>();
        Optional.ofNullable(step.readings().get(role)).ifPresent(reading -> {
            Channel channel = state.setup().channelFor(role).orElseThrow();
            used.add(new CalculationView.Used(
                    words.say("calc.read", Map.of("range", channel.ranges().size() > 1 ? reading.range() : "none")),
                    Figures.plain(reading.rawValue() / channel.scaleUnit().inUnit(), 5)
                            + THIN
                            + channel.scaleUnit().symbol()));
        });
        return view(step, "name." + role.name(), found, "calc.formula.reading", used);
    }

    private static Step step(RunState state, int place) {
        if (place < 0 || place > state.steps().size()) {
            throw new NotThere("step " + place);
        }
        return state.step(place);
    }

    private CalculationView view(
            Step step, String title, Quantity found, String formula, List<CalculationView.Used> used) {
        return new CalculationView(
                words.say(title),
                shown(found),
                words.say(formula),
                used,
                found.shares().stream()
                        .filter(share -> share.ofVariance() >= LEAST_PART)
                        .map(share -> new CalculationView.Share(source(share.source()), PERCENT * share.ofVariance()))
                        .toList(),
                found.shares().stream()
                        .findFirst()
                        .map(share -> narrower(step, found, share))
                        .orElse(null));
    }

    private String shown(Quantity found) {
        boolean isShare = found.unit() == Unit.ONE;
        Figures.Figure figure =
                isShare && found.value() <= 1 ? Figures.percent(found) : Figures.of(found, 1, unit(found.unit()));
        return figure.withUncertainty() + (figure.unit().isEmpty() ? "" : THIN + figure.unit());
    }

    private String unit(Unit unit) {
        return words.say("unit." + unit.name());
    }

    private List<CalculationView.Used> used(RunState state, Step step, Optional<Step> before, StepFigure figure) {
        List<CalculationView.Used> used = new ArrayList<>();
        for (ReadingRole role : figure.readings(state.setup().stage())) {
            step.measured(role)
                    .ifPresent(value -> used.add(new CalculationView.Used(words.name(role.name()), shown(value))));
        }
        if (figure == StepFigure.GROWTH) {
            before.flatMap(last -> last.measured(ReadingRole.OUTPUT))
                    .ifPresent(
                            value -> used.add(new CalculationView.Used(words.say("calc.outputBefore"), shown(value))));
        }
        if (figure == StepFigure.HEAT_AVERAGE) {
            used.add(new CalculationView.Used(
                    words.say("calc.share"), Figures.plain(PERCENT * step.dutyFactor(), 0) + THIN + "%"));
        }
        if (figure.hasDrive()) {
            used.add(new CalculationView.Used(words.name("DRIVE"), shown(step.driveW())));
        }
        return used;
    }

    private String source(ErrorSource source) {
        return words.say(
                "calc.source",
                Map.of(
                        "instrument",
                        source.instrument(),
                        "what",
                        words.has("name." + source.channel()) ? words.name(source.channel()) : source.channel(),
                        "part",
                        source.part().name(),
                        "range",
                        source.range().isEmpty() ? "none" : source.range()));
    }

    /** What it would be without its largest source, and whether a finer range of that meter holds the reading. */
    private String narrower(Step step, Quantity found, Quantity.Share most) {
        if (found.shares().size() == 1) {
            return words.say(
                    "calc.alone",
                    Map.of(
                            "source", source(most.source()),
                            "finer", finer(step, most.source()).orElse("none")));
        }
        Quantity without = found.without(source -> source.equals(most.source()));
        String half = Figures.halfWidth(without, isPercent(found) ? 1 / PERCENT : 1);
        return words.say(
                "calc.narrower",
                Map.of(
                        "source", source(most.source()),
                        "percent", Figures.plain(PERCENT * most.ofVariance(), 0),
                        "half",
                                half
                                        + (isPercent(found)
                                                ? THIN + "%"
                                                : unit(found.unit()).isEmpty() ? "" : THIN + unit(found.unit())),
                        "finer", finer(step, most.source()).orElse("none")));
    }

    private static boolean isPercent(Quantity found) {
        return found.unit() == Unit.ONE && found.value() <= 1;
    }

    private static Optional<String> finer(Step step, ErrorSource source) {
        return step.readings().values().stream()
                .filter(reading -> reading.role().name().equals(source.channel())
                        && reading.instrument().equals(source.instrument())
                        && reading.range().equals(source.range()))
                .findFirst()
                .flatMap(
                        reading -> step.setup().channelFor(reading.role()).flatMap(channel -> finer(channel, reading)));
    }

    private static Optional<String> finer(Channel channel, Reading reading) {
        return channel.range(reading.range())
                .flatMap(used -> channel.ranges().stream()
                        .filter(range ->
                                range.fullScale() < used.fullScale() && range.fullScale() >= reading.rawValue())
                        .min(Comparator.comparingDouble(MeterRange::fullScale))
                        .map(MeterRange::name));
    }
}
