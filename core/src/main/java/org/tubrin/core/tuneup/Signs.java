package org.tubrin.core.tuneup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Room;
import org.tubrin.core.budget.Verdict;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Band;
import org.tubrin.core.tuneup.Sign.Code;
import org.tubrin.core.tuneup.Sign.Severity;

/** Reads the signs: what the readings of one step say, seen against the step before. */
public final class Signs {
    /** Plate current, as a share of its limit, from which no output means off resonance and not no drive. */
    private static final double MUCH_PLATE_CURRENT = 0.4;

    private static final double NO_EFFICIENCY = 0.15;
    /** Output, as a share of what drive and claim let expect, below which the meters "barely move". */
    private static final double STILL_OUTPUT = 0.1;

    private static final double STILL_PLATE_CURRENT = 1.2;
    /** Output below this share of the twin's at the same LOAD is not explained by a load or a tube. */
    private static final double OFF_PEAK_SHARE = 0.6;

    private static final double FULL_DRIVE = 0.95;
    /** Output on the highest bands, as a share of the claim, that tube and stray capacitance explain. */
    private static final double HIGHEST_BAND_SHARE = 0.75;

    private Signs() {}

    /** Returns the signs of a step, the gravest first. */
    public static List<Sign> of(Step step, Optional<Step> before) {
        List<Sign> signs = new ArrayList<>();
        Budget budget = step.budget();
        addLimits(step, signs);
        addCeiling(step, before, signs);
        addCoupling(step, before, budget, signs);
        addEfficiency(step, budget, signs);
        budget.sag()
                .filter(sag -> sag.value() > step.setup().settings().sagHigh())
                .ifPresent(sag -> signs.add(sign(Code.SAG_HIGH, Severity.WATCH, "sag", sag)));
        step.measured(ReadingRole.INPUT_SWR)
                .filter(swr -> swr.value() > step.setup().settings().inputSwrHigh())
                .ifPresent(swr -> signs.add(sign(Code.INPUT_SWR_HIGH, Severity.WATCH, "swr", swr)));
        signs.sort(Comparator.comparing(Sign::code));
        return List.copyOf(signs);
    }

    private static void addLimits(Step step, List<Sign> signs) {
        for (Room room : step.room()) {
            if (room.verdict() != Verdict.WITHIN) {
                boolean beyond = room.verdict() == Verdict.EXCEEDS;
                signs.add(new Sign(
                        limitCode(room.kind(), beyond),
                        beyond ? Severity.LIMIT : Severity.WATCH,
                        Map.of("value", room.value().value(), "limit", room.limit())));
            }
        }
    }

    private static void addCeiling(Step step, Optional<Step> before, List<Sign> signs) {
        Optional<Double> ceiling = step.setup().customs().firstCeilingA();
        Optional<Quantity> current = step.measured(ReadingRole.PLATE_CURRENT);
        if (before.isEmpty()
                && ceiling.isPresent()
                && current.filter(one -> one.value() > ceiling.get()).isPresent()) {
            signs.add(new Sign(
                    Code.FIRST_CEILING,
                    Severity.LIMIT,
                    Map.of("value", current.get().value(), "limit", ceiling.get())));
        }
    }

    private static Code limitCode(LimitKind kind, boolean beyond) {
        return switch (kind) {
            case PLATE_CURRENT -> beyond ? Code.PLATE_CURRENT_LIMIT : Code.PLATE_CURRENT_MAY_EXCEED;
            case GRID_CURRENT -> beyond ? Code.GRID_CURRENT_LIMIT : Code.GRID_CURRENT_MAY_EXCEED;
            case SCREEN_CURRENT -> beyond ? Code.SCREEN_CURRENT_LIMIT : Code.SCREEN_CURRENT_MAY_EXCEED;
            case HEAT_PER_TUBE -> beyond ? Code.HEAT_LIMIT : Code.HEAT_MAY_EXCEED;
            case OUTPUT -> beyond ? Code.OUTPUT_LIMIT : Code.OUTPUT_MAY_EXCEED;
            case LOAD_POWER -> beyond ? Code.LOAD_POWER_LIMIT : Code.LOAD_POWER_MAY_EXCEED;
            case DRIVE -> Code.DRIVE_LIMIT;
        };
    }

    private static void addCoupling(Step step, Optional<Step> before, Budget budget, List<Sign> signs) {
        TuneSetup setup = step.setup();
        Optional<Double> output = step.measured(ReadingRole.OUTPUT).map(Quantity::value);
        Optional<Double> plateCurrent = step.measured(ReadingRole.PLATE_CURRENT).map(Quantity::value);
        if (output.isEmpty() || plateCurrent.isEmpty()) {
            return;
        }
        double likelyW = setup.amplifier().ratedOutputW()
                * step.driveW().value()
                / setup.amplifier().driveLimitW();
        double restingA = setup.tubes().restingPlateCurrentA();
        if (output.get() < STILL_OUTPUT * likelyW && plateCurrent.get() <= STILL_PLATE_CURRENT * restingA) {
            signs.add(new Sign(Code.METERS_STILL, Severity.WATCH, Map.of("output", output.get())));
            return;
        }
        boolean muchCurrent =
                plateCurrent.get() > MUCH_PLATE_CURRENT * setup.tubes().plateCurrentLimitA();
        boolean noOutput = budget.efficiency().map(Quantity::value).orElse(0.0) < NO_EFFICIENCY
                && (budget.efficiency().isPresent() || output.get() < STILL_OUTPUT * likelyW);
        if (muchCurrent && noOutput) {
            signs.add(new Sign(
                    Code.PLATE_CURRENT_WITHOUT_OUTPUT,
                    Severity.LIMIT,
                    Map.of("plateCurrent", plateCurrent.get(), "output", output.get())));
            return;
        }
        double light = setup.settings().lightGridRatio();
        Optional<Quantity> ratio = budget.gridToPlateRatio();
        ratio.filter(one -> one.value() > light)
                .ifPresent(one -> signs.add(sign(Code.COUPLED_TOO_LIGHTLY, Severity.WATCH, "ratio", one)));
        addOffPeak(step, signs);
        before.ifPresent(last -> addGrowth(last, step, ratio, signs));
    }

    /** With a twin: the output is far from what it has at this drive and LOAD with PLATE peaked, whatever the meter's class. */
    private static void addOffPeak(Step step, List<Sign> signs) {
        Optional<Quantity> output = step.measured(ReadingRole.OUTPUT);
        Optional<Double> load = step.position(Control.LOAD);
        if (output.isEmpty() || load.isEmpty()) {
            return;
        }
        double mostW = output.get().value() + 2 * output.get().standardUncertainty();
        Expected.peakedOutputW(step.setup(), step.driveW().value(), load.get())
                .filter(expected -> mostW < OFF_PEAK_SHARE * expected)
                .ifPresent(expected -> signs.add(new Sign(
                        Code.PLATE_OFF_PEAK,
                        Severity.WATCH,
                        Map.of("output", output.get().value(), "expected", expected))));
    }

    private static void addGrowth(Step last, Step step, Optional<Quantity> ratio, List<Sign> signs) {
        Optional<Growth> growth = Growth.between(last, step)
                .filter(one ->
                        one.perDoubling().high() < step.setup().settings().saturationGrowth());
        if (growth.isEmpty()) {
            return;
        }
        Optional<Quantity> lastRatio = last.budget().gridToPlateRatio();
        boolean gridFell = ratio.isPresent()
                && lastRatio.isPresent()
                && ratio.get().value() < lastRatio.get().value();
        boolean plateRoseMore = step.measured(ReadingRole.PLATE_CURRENT)
                .flatMap(now -> last.measured(ReadingRole.PLATE_CURRENT).map(then -> now.value() / then.value()))
                .filter(rise -> rise >= growth.get().ratio().value())
                .isPresent();
        Code code = gridFell && plateRoseMore ? Code.COUPLED_TOO_HEAVILY : Code.SATURATION;
        signs.add(sign(code, Severity.WATCH, "growth", growth.get().perDoubling()));
    }

    private static void addEfficiency(Step step, Budget budget, List<Sign> signs) {
        TuneSetup setup = step.setup();
        budget.efficiency().ifPresent(efficiency -> {
            boolean full = step.driveW().value() >= FULL_DRIVE * setup.topDriveW();
            if (efficiency.low() > setup.settings().efficiencyHigh()) {
                signs.add(sign(Code.EFFICIENCY_TOO_HIGH, Severity.WATCH, "efficiency", efficiency));
            } else if (full && efficiency.high() < setup.settings().efficiencyLow()) {
                signs.add(sign(Code.EFFICIENCY_LOW, Severity.WATCH, "efficiency", efficiency));
            }
            boolean highest = setup.band().lowestHz() >= Band.MHZ_28.lowestHz();
            step.measured(ReadingRole.OUTPUT)
                    .filter(output -> highest
                            && full
                            && output.value()
                                    < HIGHEST_BAND_SHARE * setup.amplifier().ratedOutputW())
                    .ifPresent(output -> signs.add(sign(Code.HIGHEST_BAND_LESS, Severity.NOTE, "output", output)));
        });
    }

    private static Sign sign(Code code, Severity severity, String name, Quantity quantity) {
        return new Sign(code, severity, Map.of(name, quantity.value()));
    }
}
