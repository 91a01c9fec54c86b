package org.tubrin.core.run;

import java.util.Optional;
import org.tubrin.core.device.Construction;
import org.tubrin.core.matcher.InputMatch;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;

/**
 * The figures of good practice that a run follows; the operator may change each.
 *
 * @param firstDriveFraction first step as a share of full drive, 0.001 to 1
 * @param driveRatio each step over the one before, 1.2 to 4
 * @param keyDownAimS key-down to aim for, 1 to 60 s
 * @param keyDownStopS key-down never to pass, 1 to 120 s
 * @param restS least rest, 0 to 120 s
 * @param trDelayUnknownS T/R delay asked for where the relay's time is unknown, 0 to 1 s
 * @param saturationGrowth growth of output per doubling of drive below which the stage saturates, 1 to 2
 * @param loadNotchMarks LOAD in anticipation of the next step, 0.1 to 3 marks
 * @param finishMarks LOAD beyond the peak at the end, 0.1 to 2 marks
 * @param lightGridRatio {@code Ig/Ip} above which the coupling is too light, 0.05 to 2
 * @param efficiencyHigh efficiency above which a meter lies, 0.5 to 1
 * @param efficiencyLow efficiency at full drive below which something is wrong, 0.1 to 0.9
 * @param sagHigh sag above which the supply or the line is weak, 0.02 to 0.5
 * @param inputSwrHigh input SWR above which an exciter may fold back, 1 to 5
 * @param wideDutyFraction output of wide-duty modes as a share, 0.1 to 1
 * @param warmUpSpeed how much faster than real the warm-up counts, 1 to 100; other than 1 for demonstration only
 * @param limitMargin by which share the limits of the amplifier were lowered for this run, 0 to 0.5; absent where they stand as recorded
 */
public record TuneSettings(
        double firstDriveFraction,
        double driveRatio,
        double keyDownAimS,
        double keyDownStopS,
        double restS,
        double trDelayUnknownS,
        double saturationGrowth,
        double loadNotchMarks,
        double finishMarks,
        double lightGridRatio,
        double efficiencyHigh,
        double efficiencyLow,
        double sagHigh,
        double inputSwrHigh,
        double wideDutyFraction,
        double warmUpSpeed,
        Optional<Double> limitMargin) {
    public static final double MOST_MARGIN = 0.5;

    private static final double LEVEL_REST_S = 1;
    private static final double SWITCHING_LEAST = 0.80;
    /** 95 % is met where it switches; only more than is fed in makes a meter a liar. */
    private static final double SWITCHING_MOST = 1;

    public TuneSettings {
        Checks checks = new Checks()
                .range("firstDriveFraction", firstDriveFraction, 1e-3, 1, Unit.ONE)
                .range("driveRatio", driveRatio, 1.2, 4, Unit.ONE)
                .range("keyDownAimS", keyDownAimS, 1, 60, Unit.SECOND)
                .range("keyDownStopS", keyDownStopS, Math.max(1, keyDownAimS), 120, Unit.SECOND, Because.KEY_DOWN_AIM)
                .range("restS", restS, 0, 120, Unit.SECOND)
                .range("trDelayUnknownS", trDelayUnknownS, 0, 1, Unit.SECOND)
                .range("saturationGrowth", saturationGrowth, 1, 2, Unit.ONE)
                .range("loadNotchMarks", loadNotchMarks, 0.1, 3, Unit.MARK)
                .range("finishMarks", finishMarks, 0.1, 2, Unit.MARK)
                .range("lightGridRatio", lightGridRatio, 0.05, 2, Unit.ONE)
                .range("efficiencyHigh", efficiencyHigh, 0.5, 1, Unit.ONE)
                .range("efficiencyLow", efficiencyLow, 0.1, 0.9, Unit.ONE)
                .range("sagHigh", sagHigh, 0.02, 0.5, Unit.ONE)
                .range("inputSwrHigh", inputSwrHigh, 1, 5, Unit.ONE)
                .range("wideDutyFraction", wideDutyFraction, 0.1, 1, Unit.ONE)
                .range("warmUpSpeed", warmUpSpeed, 1, 100, Unit.ONE);
        limitMargin.ifPresent(margin -> checks.range("limitMargin", margin, 0, MOST_MARGIN, Unit.ONE));
        checks.done();
    }

    /**
     * Returns what is customary for a stage: triodes start at a sixteenth of full drive, tetrodes at a sixty-fourth, transistors
     * at an eighth: four key-downs of 3 dB. What switches has a drive of its own, and an efficiency of 80 to 95 %.
     */
    public static TuneSettings customaryFor(Stage stage) {
        double first = stage.in(new Stage.Cases<>() {
            @Override
            public Double tubes(Stage.Tubes tubes) {
                return tubes.tube().construction() == Construction.TRIODE ? 1.0 / 16 : 1.0 / 64;
            }

            @Override
            public Double transistors(Stage.Transistors transistors) {
                return 1.0 / 8;
            }

            @Override
            public Double switching(Stage.Switching switching) {
                return 1.0;
            }
        });
        boolean switches = stage instanceof Stage.Switching;
        return new TuneSettings(
                first,
                2,
                5,
                10,
                5,
                0.030,
                1.3,
                1,
                0.5,
                0.40,
                switches ? SWITCHING_MOST : 0.75,
                switches ? SWITCHING_LEAST : 0.45,
                0.15,
                InputMatch.ACCEPTABLE_SWR,
                0.5,
                1,
                Optional.empty());
    }

    /** Returns the output that is customary for a carrier that stands long, in watts: a share of what amplifier and licence allow. */
    public double longCarrierW(Amplifier amplifier, Station station) {
        return wideDutyFraction * Math.min(amplifier.ratedOutputW(), station.licenceLimitW());
    }

    /** Returns what is customary for levels into an exciter: a few watts need little rest, as long as they worked. */
    public static TuneSettings customaryForLevels(Stage bypassed) {
        TuneSettings settings = customaryFor(bypassed);
        return settings.with(
                settings.keyDownAimS, settings.keyDownStopS, LEVEL_REST_S, settings.warmUpSpeed, Optional.empty());
    }

    /** Returns the same with as much time as the operator is known to need; never less than is customary, or beyond what is allowed. */
    public TuneSettings atLeast(double keyDownS) {
        double aimS = Math.max(keyDownAimS, Math.min(keyDownStopS, keyDownS));
        return with(aimS, keyDownStopS, restS, warmUpSpeed, limitMargin);
    }

    /** Returns the same with the warm-up counted faster, for demonstration. */
    public TuneSettings withWarmUpSpeed(double speed) {
        return with(keyDownAimS, keyDownStopS, restS, speed, limitMargin);
    }

    /**
     * Returns the same at a pace of one's own.
     *
     * @param margin by which share the amplifier's limits are lowered; 0 for none
     */
    public TuneSettings at(double aimS, double stopS, double leastRestS, double margin) {
        return with(aimS, stopS, leastRestS, warmUpSpeed, Optional.of(margin).filter(share -> share > 0));
    }

    private TuneSettings with(double aimS, double stopS, double leastRestS, double speed, Optional<Double> margin) {
        return new TuneSettings(
                firstDriveFraction,
                driveRatio,
                aimS,
                stopS,
                leastRestS,
                trDelayUnknownS,
                saturationGrowth,
                loadNotchMarks,
                finishMarks,
                lightGridRatio,
                efficiencyHigh,
                efficiencyLow,
                sagHigh,
                inputSwrHigh,
                wideDutyFraction,
                speed,
                margin);
    }
}
