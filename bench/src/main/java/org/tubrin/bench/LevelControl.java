package org.tubrin.bench;

import java.util.Random;
import org.tubrin.core.alc.LevelLaw;

/**
 * The level control of an exciter as it really is: where it acts, how far its set power is off, the ripple of its passband, and
 * what its gauge makes of all that.
 */
public final class LevelControl {
    private static final double MIDDLE_HZ = 1500;
    private static final double REACH_HZ = 1200;
    private static final double MOST_RIPPLE_DB = 1.5;
    private static final double MOST_LAG_MARKS = 2;

    /**
     * An exciter on paper.
     *
     * @param leastW lowest power that can be set
     * @param mostW highest power
     * @param gauge what its gauge shows
     */
    public record Model(double leastW, double mostW, LevelLaw.Shows gauge) {}

    private static final double NARROW_HZ = 180;

    private final Model model;
    private final double kneeLevel;
    private final double powerShare;
    private final double kneeDrift;
    private final double tiltDb;
    private final double bowDb;
    private final double lagMarks;
    private double lastLevel;
    private boolean fell;

    /** An exciter whose truth belongs to a seed. */
    public LevelControl(Model model, long seed) {
        this.model = model;
        Random random = new Random(seed);
        kneeLevel = 0.42 + 0.28 * random.nextDouble();
        powerShare = 0.9 + 0.2 * random.nextDouble();
        kneeDrift = 0.05 * (2 * random.nextDouble() - 1);
        tiltDb = MOST_RIPPLE_DB / 2 * (2 * random.nextDouble() - 1);
        bowDb = MOST_RIPPLE_DB / 2 * (2 * random.nextDouble() - 1);
        lagMarks = MOST_LAG_MARKS * random.nextDouble();
    }

    /** Returns the level at which it begins to act, as a share of the slider's way. */
    public double kneeLevel(double setW, double toneHz) {
        double share = Math.log(setW / model.leastW) / Math.log(model.mostW / model.leastW);
        return kneeLevel * (1 + kneeDrift * (2 * share - 1)) * Math.pow(10, -rippleDb(toneHz) / 20);
    }

    private double rippleDb(double toneHz) {
        double off = (toneHz - MIDDLE_HZ) / REACH_HZ;
        return tiltDb * off + bowDb * off * off;
    }

    private LevelLaw law(double setW, double toneHz) {
        return new LevelLaw(kneeLevel(setW, toneHz), powerShare);
    }

    /** Returns the output in watts. */
    public double outputW(double setW, double level, double toneHz) {
        return law(setW, toneHz).outputW(setW, level);
    }

    /** Lets the slider go to a level: a gauge lags where it was come to from above. */
    public void level(double to) {
        fell = to < lastLevel || (fell && to == lastLevel);
        lastLevel = to;
    }

    /** Returns what the gauge shows while it sends, in its marks. */
    public double gauge(double setW, double level, double toneHz) {
        return law(setW, toneHz).gauge(model.gauge, level, fell ? lagMarks : 0);
    }

    /** Returns how wide the signal is on a display, in hertz. */
    public double widthHz(double setW, double level, double toneHz) {
        return law(setW, toneHz).widthHz(level, NARROW_HZ);
    }

    /** Returns what the gauge shows while nothing is sent. */
    public double restMarks() {
        return LevelLaw.restMarks(model.gauge);
    }
}
