package org.tubrin.core.trend;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.Reflection;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.station.ModeSwitch;
import org.tubrin.core.station.Stage;

/**
 * What of one finished run the trends are made of.
 *
 * @param at when it ended
 * @param switchPosition of the amplifier's mode switch; absent where it has none
 * @param driveW drive of the last step, in watts
 * @param outputW output of the last step, where read
 * @param values figures that stand for themselves; grid current at an output is read off {@code climb}
 * @param climb steps of which both output and grid current were read, in their order
 */
public record RunFigures(
        Instant at,
        Optional<String> switchPosition,
        double driveW,
        Optional<Double> outputW,
        Map<Figure, Value> values,
        List<GridPoint> climb) {
    /** Of how figures are reckoned; those that were kept of an older one are reckoned again. */
    public static final int VERSION = 1;

    /** What an eye leaves open of a scale, as a share of it. */
    private static final double EYE_SHARE = 0.002;
    /** What a person's peaking leaves open of an output or a current, as a share. */
    private static final double PEAKING_SHARE = 0.006;

    public RunFigures {
        values = Map.copyOf(values);
        climb = List.copyOf(climb);
    }

    /** A figure's value, and what its reading leaves open from run to run as a standard deviation, in the figure's unit. */
    public record Value(double value, double resolution) {}

    /** Grid current at an output, and what the eye leaves open of it. */
    public record GridPoint(double outputW, double gridCurrentA, double eyeA) {}

    /** Returns those that were found since a change; all where nothing was changed. */
    public static List<RunFigures> since(List<RunFigures> all, Optional<Alteration> change) {
        return all.stream()
                .filter(one ->
                        change.filter(last -> one.at().isBefore(last.at())).isEmpty())
                .toList();
    }

    /**
     * Returns the figures of a run; empty unless it was finished, with a step, with an amplifier in operation, for speech and CW, and not with
     * pulses.
     */
    public static Optional<RunFigures> of(RunState run) {
        boolean finished = run.ending().filter(RunState.Ending.FINISHED::equals).isPresent();
        boolean isBypassed = !run.setup().stage().amplifies();
        boolean isOfOthers = run.school() == School.PULSED || run.setup().use() != Use.SPEECH_AND_CW;
        if (!finished || isBypassed || run.steps().isEmpty() || isOfOthers) {
            return Optional.empty();
        }
        Step last = run.steps().get(run.steps().size() - 1);
        Map<Figure, Value> values = new EnumMap<>(Figure.class);
        read(last, ReadingRole.OUTPUT).ifPresent(one -> values.put(Figure.OUTPUT_AT_DRIVE, one));
        read(last, ReadingRole.PLATE_CURRENT).ifPresent(one -> values.put(Figure.PLATE_AT_DRIVE, one));
        run.conditions()
                .restingPlateCurrentA()
                .ifPresent(current -> values.put(
                        Figure.RESTING_CURRENT,
                        new Value(current, EYE_SHARE * scale(last, ReadingRole.PLATE_CURRENT))));
        last.budget()
                .sag()
                .ifPresent(sag -> values.put(Figure.SAG, new Value(sag.value(), EYE_SHARE * sagPerScale(last))));
        swr(run.steps().get(0)).ifPresent(one -> values.put(Figure.LOAD_SWR_COLD, one));
        swr(last).ifPresent(one -> values.put(Figure.LOAD_SWR_HOT, one));
        last.efficiency()
                .ifPresent(share -> values.put(
                        Figure.OUTPUT_TO_INPUT,
                        new Value(
                                share.value(),
                                share.value()
                                        * Math.hypot(2 * PEAKING_SHARE / 3, relative(last, ReadingRole.OUTPUT)))));
        return Optional.of(new RunFigures(
                run.lastAt(),
                run.setup().amplifier().modeSwitch().map(ModeSwitch::at),
                last.driveW().value(),
                last.measured(ReadingRole.OUTPUT).map(Quantity::value),
                values,
                climb(run.steps())));
    }

    /** Returns the scale on which sag is read, as a share of the voltage at rest. */
    private static double sagPerScale(Step step) {
        return step.setup().amplifier().stage().in(new Stage.Cases<>() {
            @Override
            public Double tubes(Stage.Tubes tubes) {
                return scale(step, ReadingRole.PLATE_VOLTAGE) / tubes.plateVoltageRestDcV();
            }

            @Override
            public Double transistors(Stage.Transistors transistors) {
                return scale(step, ReadingRole.SUPPLY_VOLTAGE) / transistors.supplyVoltageDcV();
            }

            /** Its supply is set, and does not sag. */
            @Override
            public Double switching(Stage.Switching switching) {
                return scale(step, ReadingRole.SUPPLY_VOLTAGE) / switching.mostSupplyDcV();
            }
        });
    }

    private static List<GridPoint> climb(List<Step> steps) {
        List<GridPoint> climb = new ArrayList<>();
        for (Step step : steps) {
            Optional<Quantity> output = step.measured(ReadingRole.OUTPUT).filter(one -> one.value() > 0);
            Optional<Quantity> grid = step.measured(ReadingRole.GRID_CURRENT).filter(one -> one.value() > 0);
            if (output.isPresent() && grid.isPresent()) {
                climb.add(new GridPoint(
                        output.get().value(), grid.get().value(), EYE_SHARE * scale(step, ReadingRole.GRID_CURRENT)));
            }
        }
        return climb;
    }

    /** Returns a figure as a point of a series; grid current where the climb passes the output given, in watts. */
    Optional<TrendPoint> point(Figure figure, double gridAtOutputW) {
        Optional<Value> value =
                figure == Figure.GRID_AT_OUTPUT ? gridAt(gridAtOutputW) : Optional.ofNullable(values.get(figure));
        return value.map(one -> new TrendPoint(at, one.value(), one.resolution()));
    }

    /** Returns grid current where the climb passes an output, as a power law between the steps on either side. */
    private Optional<Value> gridAt(double outputW) {
        for (int i = 1; i < climb.size(); i++) {
            GridPoint below = climb.get(i - 1);
            GridPoint here = climb.get(i);
            if (here.outputW() >= outputW) {
                double share = Math.log(outputW / below.outputW()) / Math.log(here.outputW() / below.outputW());
                double current = below.gridCurrentA() * Math.pow(here.gridCurrentA() / below.gridCurrentA(), share);
                return Optional.of(new Value(current, Math.hypot(4 * PEAKING_SHARE * current, here.eyeA())));
            }
        }
        return Optional.empty();
    }

    private static Optional<Value> read(Step step, ReadingRole role) {
        return step.measured(role)
                .map(one ->
                        new Value(one.value(), Math.hypot(PEAKING_SHARE * one.value(), EYE_SHARE * scale(step, role))));
    }

    private static double relative(Step step, ReadingRole role) {
        double value = step.measured(role).map(Quantity::value).orElse(1.0);
        return EYE_SHARE * scale(step, role) / Math.max(1e-9, Math.abs(value));
    }

    private static double scale(Step step, ReadingRole role) {
        Optional<Reading> reading = Optional.ofNullable(step.readings().get(role));
        Optional<Channel> channel = step.setup().channelFor(role);
        return channel.flatMap(one -> reading.flatMap(read -> one.range(read.range()))
                        .or(() -> Optional.of(one.ranges().get(0))))
                .map(MeterRange::fullScale)
                .orElse(0.0);
    }

    private static Optional<Value> swr(Step step) {
        Optional<Quantity> output = step.measured(ReadingRole.OUTPUT).filter(one -> one.value() > 0);
        Optional<Quantity> reflected = step.measured(ReadingRole.REFLECTED)
                .filter(back -> output.isPresent()
                        && back.value() > 0
                        && back.value() < output.get().value());
        return reflected.map(back -> {
            double swr = Reflection.of(output.orElseThrow(), back).swr();
            double rho = (swr - 1) / (swr + 1);
            double share = relative(step, ReadingRole.REFLECTED);
            // dSWR/dρ times ρ times half the share of the reflected power.
            return new Value(swr, 2 / ((1 - rho) * (1 - rho)) * rho * share / 2);
        });
    }
}
