package org.tubrin.server.trend;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.StepPair;
import org.tubrin.server.run.LevelViewer;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Puts the steps of two runs at the same drive into rows. */
final class RunPairs {
    private static final List<ReadingRole> ROLES = List.of(
            ReadingRole.INPUT_POWER,
            ReadingRole.OUTPUT,
            ReadingRole.OTHER_OUTPUT,
            ReadingRole.PLATE_CURRENT,
            ReadingRole.GRID_CURRENT,
            ReadingRole.SCREEN_CURRENT,
            ReadingRole.PLATE_VOLTAGE,
            ReadingRole.INPUT_SWR,
            ReadingRole.SUPPLY_CURRENT,
            ReadingRole.SUPPLY_VOLTAGE,
            ReadingRole.HEAT_SINK,
            ReadingRole.ALC_GAUGE,
            ReadingRole.SIGNAL_WIDTH,
            ReadingRole.SENSE_VOLTAGE,
            ReadingRole.DEVICE_CURRENT,
            ReadingRole.GATE_VOLTAGE,
            ReadingRole.GATE_RF,
            ReadingRole.OUTPUT_VPP);

    private final Words words;

    RunPairs(Words words) {
        this.words = words;
    }

    List<TrendViews.PairView> pairs(RunState first, RunState second) {
        return StepPair.of(first.steps(), second.steps()).stream()
                .map(this::pair)
                .toList();
    }

    private TrendViews.PairView pair(StepPair pair) {
        List<TrendViews.PairRow> rows = new ArrayList<>();
        for (ReadingRole role : ROLES) {
            Map<StepPair.Side, Quantity> both = pair.measured(role);
            if (!both.isEmpty()) {
                rows.add(row(words.name(role.name()), both, scale(role), pair.difference(role)));
            }
        }
        rows.add(new TrendViews.PairRow(
                words.say("compare.efficiency"),
                percent(pair.first().flatMap(Step::efficiency)),
                percent(pair.second().flatMap(Step::efficiency)),
                null,
                false));
        for (Control control : List.of(Control.PLATE, Control.LOAD, Control.TONE, Control.LEVEL)) {
            Optional<Double> first = pair.first().flatMap(step -> step.position(control));
            Optional<Double> second = pair.second().flatMap(step -> step.position(control));
            if (first.isPresent() || second.isPresent()) {
                rows.add(new TrendViews.PairRow(
                        words.name(control.name()),
                        first.map(at -> shown(control, at)).orElse(null),
                        second.map(at -> shown(control, at)).orElse(null),
                        null,
                        false));
            }
        }
        return new TrendViews.PairView(Figures.plain(pair.driveW(), 1), rows);
    }

    private static String shown(Control control, double at) {
        return switch (control) {
            case PLATE, LOAD -> Figures.dial(at);
            case DRIVE, TONE -> Figures.plain(at, 1);
            case LEVEL -> LevelViewer.percent(at);
            case DEVICE, POWER_AMPLIFIER, MATCHER, ATTENUATOR, LOOK, MODULES, MOTOR, WATTMETERS -> Figures.plain(at, 0);
            case SUPPLY -> Figures.plain(at, 1);
            case POT -> Figures.plain(at, 2);
        };
    }

    private static ScaleUnit scale(ReadingRole role) {
        return switch (role) {
            case INPUT_POWER, OUTPUT, OTHER_OUTPUT, REFLECTED -> ScaleUnit.W;
            case PLATE_CURRENT, GRID_CURRENT, SCREEN_CURRENT, DEVICE_CURRENT -> ScaleUnit.MA;
            case SENSE_VOLTAGE -> ScaleUnit.MV;
            case SUPPLY_CURRENT, LINE_CURRENT -> ScaleUnit.A;
            case PLATE_VOLTAGE, SUPPLY_VOLTAGE, GATE_VOLTAGE, GATE_RF, OUTPUT_VPP, LINE_VOLTAGE -> ScaleUnit.V;
            case INPUT_SWR -> ScaleUnit.ONE;
            case HEAT_SINK -> ScaleUnit.C;
            case ALC_GAUGE, PHASE -> ScaleUnit.MARKS;
            case SIGNAL_WIDTH -> ScaleUnit.HZ;
        };
    }

    private static @org.jspecify.annotations.Nullable String percent(Optional<Quantity> share) {
        return share.map(one ->
                        Figures.difference(one, 0.01, "%", Integer.MAX_VALUE).withUncertainty() + "\u2009%")
                .orElse(null);
    }

    private static TrendViews.PairRow row(
            String label, Map<StepPair.Side, Quantity> both, ScaleUnit unit, Optional<StepPair.Difference> difference) {
        return new TrendViews.PairRow(
                unit == ScaleUnit.ONE ? label : label + ", " + unit.symbol(),
                shown(both, StepPair.Side.FIRST, unit),
                shown(both, StepPair.Side.SECOND, unit),
                difference
                        .map(one -> Figures.difference(one.value(), unit).withUncertainty())
                        .orElse(null),
                difference.map(StepPair.Difference::beyond).orElse(false));
    }

    private static @org.jspecify.annotations.Nullable String shown(
            Map<StepPair.Side, Quantity> both, StepPair.Side side, ScaleUnit unit) {
        return Optional.ofNullable(both.get(side))
                .map(one -> Figures.of(one, unit).withUncertainty())
                .orElse(null);
    }
}
