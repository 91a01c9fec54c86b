package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.SupplySteps;
import org.tubrin.core.station.Stage;
import org.tubrin.core.switching.SinkHeat;
import org.tubrin.core.switching.SupplyLaw;
import org.tubrin.core.switching.SupplyRow;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Levels;
import org.tubrin.server.words.Words;

/** Shows what each voltage of the supply brought of a stage that switches. */
@Component
public class VoltsViewer {
    private static final String CELSIUS = "\u2009°C";
    private static final String AMPERES = "\u2009A";
    private static final String VOLTS = "\u2009V";
    private static final double PERCENT = 0.01;

    private final Words words;

    VoltsViewer(Words words) {
        this.words = words;
    }

    /** Returns what they brought; empty for every other run. */
    public Optional<VoltsView> view(RunState state) {
        return SupplySteps.stage(state.setup()).map(stage -> view(stage, state));
    }

    private VoltsView view(Stage.Switching stage, RunState state) {
        List<Step> steps = state.steps();
        return new VoltsView(
                stage.moduleCount(),
                steps.stream().flatMap(step -> row(state, step).stream()).toList(),
                IntStream.rangeClosed(1, stage.moduleCount())
                        .boxed()
                        .flatMap(modules -> law(state, modules).stream())
                        .toList(),
                stage.leastSupplyDcV(),
                stage.mostSupplyDcV(),
                state.setup().mostOutputW(),
                says(state));
    }

    private Optional<VoltsView.VoltsRowView> row(RunState state, Step step) {
        return SupplySteps.rows(List.of(step), SupplySteps.modules(step)).stream()
                .findFirst()
                .map(row -> row(state, step, row));
    }

    private VoltsView.VoltsRowView row(RunState state, Step step, SupplyRow row) {
        Optional<SinkHeat> sink = SupplySteps.sink(step, state.conditions());
        Quantity output = row.outputW();
        return new VoltsView.VoltsRowView(
                row.modules(),
                row.supplyV().value(),
                output.value(),
                output.value() - output.halfWidth95(),
                output.value() + output.halfWidth95(),
                Figures.fixed(row.supplyV().value(), 1) + VOLTS,
                Levels.watts(output),
                step.measured(ReadingRole.SUPPLY_CURRENT)
                        .map(current -> figure(current, 1, 2) + AMPERES)
                        .orElse(null),
                step.efficiency()
                        .map(share -> figure(share, PERCENT, 0) + "\u2009%")
                        .orElse(null),
                step.budget()
                        .heatPerDeviceW()
                        .map(heat -> figure(heat, 1, 1) + "\u2009W")
                        .orElse(null),
                step.measured(ReadingRole.HEAT_SINK)
                        .map(read -> Figures.fixed(read.value(), 0) + CELSIUS)
                        .orElse(null),
                sink.map(one -> figure(one.expectedC(), 1, 1) + CELSIUS).orElse(null),
                sink.filter(SinkHeat::isHotter).isPresent());
    }

    private static String figure(Quantity quantity, double inUnit, int decimals) {
        return Figures.of(quantity, inUnit, "", decimals).withUncertainty();
    }

    private Optional<VoltsView.VoltsLawView> law(RunState state, int modules) {
        return SupplyLaw.of(SupplySteps.rows(state.steps(), modules))
                .map(law -> new VoltsView.VoltsLawView(
                        modules, law.wattPerSquareVolt().value()));
    }

    /** Returns what follows: the volts for what is wanted, an output that does not go with their square, a sink that is too hot. */
    private List<String> says(RunState state) {
        List<String> says = new ArrayList<>();
        int modules = SupplySteps.modules(state.draft());
        List<SupplyRow> rows = SupplySteps.rows(state.steps(), modules);
        state.setup()
                .customs()
                .wantedOutputW()
                .flatMap(watt -> SupplyLaw.of(rows)
                        .map(law -> words.say(
                                "volts.wanted",
                                Map.of("output", Levels.watts(watt), "volts", figure(law.supplyV(watt), 1, 1)))))
                .ifPresent(says::add);
        SupplyLaw.departure(rows)
                .map(share -> words.say(
                        share.value() < 1 ? "volts.lessThanSquare" : "volts.moreThanSquare",
                        Map.of("percent", figure(share, PERCENT, 0))))
                .ifPresent(says::add);
        state.steps().stream()
                .flatMap(step -> SupplySteps.sink(step, state.conditions()).filter(SinkHeat::isHotter).stream())
                .reduce((first, second) -> second)
                .map(sink -> words.say("volts.sinkHotter", Map.of("expected", figure(sink.expectedC(), 1, 0))))
                .ifPresent(says::add);
        return says;
    }
}
