package org.tubrin.core.run;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.Stage;
import org.tubrin.core.switching.NextSupply;
import org.tubrin.core.switching.SinkHeat;
import org.tubrin.core.switching.SupplyRow;

/** The steps of a table of supply voltages, as its rows. */
public final class SupplySteps {
    private SupplySteps() {}

    /** Returns the stage that switches; empty where the run is of another kind. */
    public static Optional<Stage.Switching> stage(TuneSetup setup) {
        return setup.stage().kind() == RunKind.SUPPLY_TABLE && setup.amplifier().stage() instanceof Stage.Switching one
                ? Optional.of(one)
                : Optional.empty();
    }

    /** Returns how many modules were in at a step. */
    public static int modules(Step step) {
        return step.position(Control.MODULES).map(Double::intValue).orElse(1);
    }

    /** Returns the rows of steps that were read whole, with one number of modules. */
    public static List<SupplyRow> rows(List<Step> steps, int modules) {
        return steps.stream()
                .filter(step -> modules(step) == modules)
                .flatMap(step -> row(step).stream())
                .toList();
    }

    private static Optional<SupplyRow> row(Step step) {
        return step.measured(ReadingRole.SUPPLY_VOLTAGE)
                .filter(volts -> volts.value() > 0)
                .flatMap(volts ->
                        step.measured(ReadingRole.OUTPUT).map(output -> new SupplyRow(volts, modules(step), output)));
    }

    /** Returns the next voltage with the modules that are in; empty at the end, or where the run is of another kind. */
    public static Optional<NextSupply> next(TuneSetup setup, List<Step> steps, int modules) {
        return stage(setup)
                .flatMap(stage ->
                        NextSupply.of(terms(setup, stage, steps), rows(steps, modules), lastA(steps, modules)));
    }

    /** Returns why no further voltage is tried with the modules that were in last; empty while one is. */
    static Optional<NextSupply.End> end(TuneSetup setup, List<Step> steps) {
        if (steps.isEmpty()) {
            return Optional.empty();
        }
        int modules = modules(steps.get(steps.size() - 1));
        return stage(setup)
                .flatMap(stage ->
                        NextSupply.end(terms(setup, stage, steps), rows(steps, modules), lastA(steps, modules)));
    }

    private static double lastA(List<Step> steps, int modules) {
        return steps.stream()
                .filter(step -> modules(step) == modules)
                .reduce((first, second) -> second)
                .flatMap(step -> step.measured(ReadingRole.SUPPLY_CURRENT))
                .map(current -> current.value() + current.halfWidth95())
                .orElse(0.0);
    }

    private static NextSupply.Terms terms(TuneSetup setup, Stage.Switching stage, List<Step> steps) {
        boolean atTop = !steps.isEmpty()
                && steps.get(steps.size() - 1)
                        .position(Control.SUPPLY)
                        .filter(volts -> volts >= stage.mostSupplyDcV())
                        .isPresent();
        return new NextSupply.Terms(
                stage.leastSupplyDcV(),
                stage.mostSupplyDcV(),
                setup.customs().wantedOutputW(),
                setup.mostOutputW(),
                stage.supplyCurrentLimitA(),
                atTop);
    }

    /** Returns what a step's heat makes of the sink at rest, in the room as noted, else as usual; empty where its rise per watt is not known, or heat was not read. */
    public static Optional<SinkHeat> sink(Step step, Conditions room) {
        return stage(step.setup())
                .flatMap(Stage.Switching::sinkKPerW)
                .flatMap(rise -> step.budget()
                        .heatPerDeviceW()
                        .map(heat -> SinkHeat.of(
                                heat,
                                rise,
                                room.ambientC().orElse(step.setup().station().ambientC()),
                                step.measured(ReadingRole.HEAT_SINK))));
    }

    /** Returns between what a control of the supply may stand. */
    static Likely within(TuneSetup setup, Control control) {
        Stage.Switching stage = stage(setup).orElseThrow();
        return control == Control.SUPPLY
                ? new Likely(stage.leastSupplyDcV(), stage.mostSupplyDcV())
                : new Likely(1, stage.moduleCount());
    }
}
