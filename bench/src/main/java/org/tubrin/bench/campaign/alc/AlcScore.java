package org.tubrin.bench.campaign.alc;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.alc.Gauge;
import org.tubrin.core.alc.Knee;
import org.tubrin.core.alc.LevelLaw.Shows;
import org.tubrin.core.alc.LevelProfile;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.LevelSteps;
import org.tubrin.core.run.RunState;

/**
 * What one case came to by one procedure.
 *
 * @param procedure name
 * @param gauge what the exciter's gauge is
 * @param keyDowns until the level was known
 * @param offDb how far the level that was taken for the knee lies from it; empty where none was
 * @param kneeHeld whether the stated 95 % interval of the knee holds the truth; empty where none is stated
 * @param highDb how far the highest level to set lies above the lowest knee of both powers and all tones, below 0 where under it
 * @param gaugeKnown whether the gauge was taken for what it is; empty where it was not asked
 * @param story what came out
 */
record AlcScore(
        String procedure,
        Shows gauge,
        int keyDowns,
        OptionalDouble offDb,
        Optional<Boolean> kneeHeld,
        OptionalDouble highDb,
        Optional<Boolean> gaugeKnown,
        String story) {
    private static final double PLAIN_STEP = 0.05;
    private static final double PLAIN_GROWTH = 0.5;
    /** Nobody takes a level for the knee that brings less than this share of the set power. */
    private static final double PLAIN_LEAST = 0.5;

    private static final double PLAIN_BACK = 0.9;

    /** Returns what following the next move comes to. */
    static AlcScore tubrin(AlcCase given) {
        AlcShack shack = new AlcShack(given);
        RunState run = new AlcNovice(shack).run();
        LevelProfile profile = LevelSteps.profile(given.setup(), run.steps()).orElseThrow();
        double truth = trueKnee(shack);
        double lowest = given.lowestTrueKnee(shack.control);
        Optional<Knee> knee = profile.knee();
        return new AlcScore(
                "tubrin",
                given.model().gauge(),
                shack.keyDowns,
                knee.map(one -> OptionalDouble.of(Math.abs(dB(one.level() / truth))))
                        .orElse(OptionalDouble.empty()),
                knee.map(one -> Math.abs(one.level() - truth) <= one.halfWidth()),
                profile.window()
                        .map(window -> OptionalDouble.of(dB(window.high() / lowest)))
                        .orElse(OptionalDouble.empty()),
                profile.gauge().map(gauge -> isIt(gauge, given.model().gauge())),
                String.format(
                        Locale.ROOT,
                        "case %d, %s, %.0f W: knee %.3f (true %.3f), set up to %.3f (lowest %.3f), %s",
                        given.number(),
                        given.model().gauge(),
                        given.path().setPowerW(),
                        knee.map(Knee::level).orElse(0.0),
                        truth,
                        profile.window().map(LevelProfile.Window::high).orElse(0.0),
                        lowest,
                        run.reached().map(Enum::name).orElse("not at its end")));
    }

    private static boolean isIt(Gauge gauge, Shows kind) {
        return switch (kind) {
            case BARS_THAT_FALL -> gauge.kind() == Gauge.Kind.RESTS && !gauge.rises();
            case DECIBELS_THAT_RISE -> gauge.kind() == Gauge.Kind.RESTS && gauge.rises();
            case ALL_THE_WAY -> gauge.kind() == Gauge.Kind.MOVES_THROUGHOUT && gauge.rises();
        };
    }

    /**
     * Returns what is usual: at the set power and one tone the slider goes up by a twentieth until a step brings less than half of
     * what it should with half of the set power there, and is set a tenth below the step before.
     */
    static AlcScore plain(AlcCase given) {
        AlcShack shack = new AlcShack(given);
        shack.turn(Control.DRIVE, given.path().setPowerW());
        shack.range(given.setup()
                .channelFor(ReadingRole.OUTPUT)
                .orElseThrow()
                .rangeFor(SoundPath.mostW(given.path().setPowerW()))
                .name());
        double level = 2 * PLAIN_STEP;
        double before = plainReads(shack, level);
        double grewW = 1;
        double wantedW = 0;
        while (level < 1 && (before < PLAIN_LEAST * given.path().setPowerW() || grewW >= PLAIN_GROWTH * wantedW)) {
            level += PLAIN_STEP;
            wantedW = before * (Math.pow(level / (level - PLAIN_STEP), 2) - 1);
            double now = plainReads(shack, level);
            grewW = now - before;
            before = now;
        }
        double taken = level - PLAIN_STEP;
        return new AlcScore(
                "until it grows no more",
                given.model().gauge(),
                shack.keyDowns,
                OptionalDouble.of(Math.abs(dB(taken / trueKnee(shack)))),
                Optional.empty(),
                OptionalDouble.of(dB(PLAIN_BACK * taken / given.lowestTrueKnee(shack.control))),
                Optional.empty(),
                "");
    }

    private static double plainReads(AlcShack shack, double level) {
        shack.turn(Control.LEVEL, level);
        shack.keyDowns++;
        return shack.reads(ReadingRole.OUTPUT);
    }

    private static double trueKnee(AlcShack shack) {
        return shack.control.kneeLevel(
                shack.given.path().setPowerW(), shack.given.path().middleHz());
    }

    private static double dB(double ratio) {
        return 20 * Math.log10(ratio);
    }
}
