package org.tubrin.core.signs;

import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TwoWattmeters;
import org.tubrin.core.signs.Evidence.Basis;
import org.tubrin.core.signs.Evidence.Figure;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.TubePoint;

/** What the rules of the signs look for, each a figure against its bound. */
final class SignClues {
    /** Plate current, as a share of its limit, from which no output means off resonance and not no drive. */
    private static final double MUCH_PLATE_CURRENT = 0.4;

    private static final double NO_EFFICIENCY = 0.15;
    /** Output, as a share of what drive and claim let expect, below which the meters "barely move". */
    private static final double STILL_OUTPUT = 0.1;

    private static final double STILL_PLATE_CURRENT = 1.2;
    /** Output below this share of the twin's at the same LOAD is not explained by a load or a tube. */
    private static final double OFF_PEAK_SHARE = 0.6;
    /** Grid or screen current over plate current, against the twin's at its finish. */
    private static final double LIGHTER_THAN_TWIN = 2;

    /** Growth below this share of the twin's is a stage that saturates before it should. */
    private static final double GROWTH_SHARE = 0.85;
    /** Output on the highest bands, as a share of the claim, that tube and stray capacitance explain. */
    private static final double HIGHEST_BAND_SHARE = 0.75;
    /** PLATE that is peaked again comes back to within this, in marks. */
    private static final double REPEATS_WITHIN_MARKS = 0.35;

    private static final double PEAKING_MARKS = 0.08;
    /** Without a twin two steps compare where LOAD stands the same within this, in marks. */
    private static final double SAME_LOAD_MARKS = 0.25;

    /** A stage in class AB expands a little before it compresses; output for each doubling of drive stays below this. */
    private static final double MOST_GROWTH = 2.3;

    private SignClues() {}

    static Evidence limited(Figure figure, Quantity found, double limit) {
        return new Evidence(figure, found, limit, true, Basis.LIMIT);
    }

    static Optional<Evidence> much(StepFacts facts) {
        return facts.measured(ReadingRole.PLATE_CURRENT)
                .map(current -> new Evidence(
                        Figure.PLATE_CURRENT,
                        current,
                        MUCH_PLATE_CURRENT * facts.setup.tubes().plateCurrentLimitA(),
                        true,
                        Basis.PRACTICE));
    }

    /** Next to no efficiency, or where that is not known next to no output for the drive. */
    static Optional<Evidence> none(StepFacts facts) {
        return facts.budget.efficiency().isPresent()
                ? facts.budget
                        .efficiency()
                        .map(one -> new Evidence(Figure.EFFICIENCY, one, NO_EFFICIENCY, false, Basis.PRACTICE))
                : stillOutput(facts);
    }

    static Optional<Evidence> stillOutput(StepFacts facts) {
        return facts.measured(ReadingRole.OUTPUT)
                .map(output -> new Evidence(
                        Figure.OUTPUT, output, STILL_OUTPUT * facts.likelyOutputW(), false, Basis.PRACTICE));
    }

    static Optional<Evidence> stillPlate(StepFacts facts) {
        return facts.measured(ReadingRole.PLATE_CURRENT)
                .map(current -> new Evidence(
                        Figure.PLATE_CURRENT,
                        current,
                        STILL_PLATE_CURRENT * facts.setup.tubes().restingPlateCurrentA(),
                        false,
                        Basis.PRACTICE));
    }

    static Optional<Evidence> firstCeiling(StepFacts facts) {
        return facts.before.isPresent()
                ? Optional.empty()
                : facts.setup
                        .customs()
                        .firstCeilingA()
                        .flatMap(ceiling -> facts.measured(ReadingRole.PLATE_CURRENT)
                                .map(current -> limited(Figure.PLATE_CURRENT, current, ceiling)));
    }

    static Optional<Evidence> light(StepFacts facts) {
        if (!facts.setup.stage().isTuned()) {
            return Optional.empty();
        }
        boolean screened = facts.setup.tubes().screenCurrentLimitA().isPresent();
        Optional<Quantity> ratio = screened ? facts.screenToPlate() : facts.budget.gridToPlateRatio();
        Figure figure = screened ? Figure.SCREEN_TO_PLATE : Figure.GRID_TO_PLATE;
        double practice = facts.setup.settings().lightGridRatio();
        Optional<Double> twin =
                facts.twinFinish().map(Peak::point).map(point -> LIGHTER_THAN_TWIN * ratio(point, screened));
        if (twin.isPresent()) {
            return ratio.map(one -> new Evidence(figure, one, twin.get(), true, Basis.TWIN))
                    .filter(one -> one.certainty() > Sign.LIKELY);
        }
        return screened
                ? Optional.empty()
                : ratio.map(one -> new Evidence(figure, one, practice, true, Basis.PRACTICE));
    }

    private static double ratio(TubePoint point, boolean screened) {
        TubePoint.Meters meters = point.meters();
        double telling = screened ? Math.max(0, meters.screenCurrentA().orElse(0)) : meters.gridCurrentA();
        return telling / meters.plateCurrentA();
    }

    /** With a twin for both steps growth is held against what it has there too. */
    static Optional<Evidence> poorGrowthUnderDrive(StepFacts facts) {
        return ClimbEnd.maySaturate(facts.setup, facts.step) ? poorGrowth(facts) : Optional.empty();
    }

    static Optional<Evidence> poorGrowthAtLowDrive(StepFacts facts) {
        return ClimbEnd.maySaturate(facts.setup, facts.step) ? Optional.empty() : poorGrowth(facts);
    }

    static Optional<Evidence> greatGrowth(StepFacts facts) {
        return facts.growth()
                .map(growth -> new Evidence(Figure.GROWTH, growth.perDoubling(), MOST_GROWTH, true, Basis.PRACTICE));
    }

    static Optional<Evidence> poorGrowth(StepFacts facts) {
        return facts.growth().map(growth -> {
            double practice = facts.setup.settings().saturationGrowth();
            Optional<Double> twin = twinGrowth(facts).map(expected -> GROWTH_SHARE * expected);
            boolean byTwin = twin.filter(one -> one > practice).isPresent();
            return new Evidence(
                    Figure.GROWTH,
                    growth.perDoubling(),
                    byTwin ? twin.get() : practice,
                    false,
                    byTwin ? Basis.TWIN : Basis.PRACTICE);
        });
    }

    private static Optional<Double> twinGrowth(StepFacts facts) {
        Step last = facts.before.orElseThrow();
        double doublings = Math.log(facts.step.driveW().value() / last.driveW().value()) / Math.log(2);
        return facts.twinPeakedW()
                .flatMap(now -> StepFacts.peakedW(last).map(then -> Math.pow(now / then, 1 / doublings)));
    }

    static Optional<Evidence> gridFell(StepFacts facts) {
        return facts.before
                .flatMap(last -> last.budget().gridToPlateRatio())
                .flatMap(then -> facts.budget
                        .gridToPlateRatio()
                        .map(now -> new Evidence(Figure.GRID_TO_PLATE, now, then.value(), false, Basis.CLIMB)));
    }

    static Optional<Evidence> plateRoseMore(StepFacts facts) {
        return facts.growth()
                .flatMap(growth -> facts.before
                        .flatMap(last -> last.measured(ReadingRole.PLATE_CURRENT))
                        .filter(then -> then.value() > 0)
                        .flatMap(then -> facts.measured(ReadingRole.PLATE_CURRENT)
                                .map(now -> new Evidence(
                                        Figure.PLATE_CURRENT_RISE,
                                        now.over(then, Unit.ONE),
                                        growth.ratio().value(),
                                        true,
                                        Basis.CLIMB))));
    }

    /** The output is far from what the twin has at this drive and LOAD with PLATE peaked, whatever the meter's class. */
    static Optional<Evidence> farBelowTwin(StepFacts facts) {
        return facts.measured(ReadingRole.OUTPUT)
                .flatMap(output -> facts.twinPeakedW()
                        .map(expected ->
                                new Evidence(Figure.OUTPUT, output, OFF_PEAK_SHARE * expected, false, Basis.TWIN)));
    }

    static Optional<Evidence> poorAtFullDrive(StepFacts facts) {
        return facts.budget
                .efficiency()
                // Transistors of class AB far below saturation are poor as a matter of course; what switches never is.
                .filter(efficiency -> facts.setup.stage().kind() == RunKind.SUPPLY_TABLE
                        || (facts.isFullDrive() && facts.setup.stage().isTuned()))
                .map(efficiency -> new Evidence(
                        Figure.EFFICIENCY, efficiency, facts.setup.settings().efficiencyLow(), false, Basis.PRACTICE));
    }

    /** The higher over the lower; of pulses only where both show them in one way. */
    static Optional<Evidence> wattmetersApart(StepFacts facts) {
        return TwoWattmeters.compares(facts.step)
                ? facts.measured(ReadingRole.OTHER_OUTPUT)
                        .flatMap(other -> facts.measured(ReadingRole.OUTPUT)
                                .filter(output -> Math.min(output.value(), other.value()) > 0)
                                .map(output -> new Evidence(
                                        Figure.WATTMETERS,
                                        output.value() > other.value()
                                                ? output.over(other, Unit.ONE)
                                                : other.over(output, Unit.ONE),
                                        1,
                                        true,
                                        Basis.PRACTICE)))
                : Optional.empty();
    }

    static Optional<Evidence> lessOnHighest(StepFacts facts) {
        return facts.measured(ReadingRole.OUTPUT)
                .filter(output -> facts.isHighestBand()
                        && facts.isFullDrive()
                        && facts.setup.stage().isTuned())
                .map(output -> new Evidence(
                        Figure.OUTPUT,
                        output,
                        HIGHEST_BAND_SHARE * facts.setup.amplifier().ratedOutputW(),
                        false,
                        Basis.PRACTICE));
    }

    /**
     * PLATE that was peaked anew does not come back to where it was: with a twin, the marks between it and resonance have
     * changed since the step before; without one, it stands elsewhere though LOAD stands the same.
     */
    static Optional<Evidence> plateDrift(StepFacts facts) {
        return facts.before
                .filter(last -> facts.step.moved().contains(Control.PLATE)
                        && last.moved().contains(Control.PLATE))
                .flatMap(last -> drift(facts, last));
    }

    private static Optional<Evidence> drift(StepFacts facts, Step last) {
        Optional<Double> now = facts.step.position(Control.PLATE);
        Optional<Double> then = last.position(Control.PLATE);
        Optional<Double> loadNow = facts.step.position(Control.LOAD);
        Optional<Double> loadThen = last.position(Control.LOAD);
        if (now.isEmpty() || then.isEmpty() || loadNow.isEmpty() || loadThen.isEmpty()) {
            return Optional.empty();
        }
        Optional<Double> expected = RecordTwin.resonantPlate(facts.setup, loadNow.get())
                .flatMap(here ->
                        RecordTwin.resonantPlate(facts.setup, loadThen.get()).map(there -> here - there));
        double mark = facts.setup.tubes().plate().markStep();
        double loadMark = facts.setup.tubes().load().markStep();
        boolean sameLoad = Math.abs(loadNow.get() - loadThen.get()) < SAME_LOAD_MARKS * loadMark;
        if (expected.isEmpty() && !sameLoad) {
            return Optional.empty();
        }
        double marks = Math.abs(now.get() - then.get() - expected.orElse(0.0)) / mark;
        Quantity drift = Quantity.of(
                marks, Unit.MARK, Standing.COMPUTED, new ErrorSource("PLATE", "peaking", ""), PEAKING_MARKS);
        return Optional.of(new Evidence(
                Figure.PLATE_DRIFT,
                drift,
                REPEATS_WITHIN_MARKS,
                true,
                expected.isPresent() ? Basis.TWIN : Basis.CLIMB));
    }
}
