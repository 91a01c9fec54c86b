package org.tubrin.core.practice;

/**
 * The ALC gauge of the simulated exciter: it moves throughout with what the exciter gives, is right at its window, and goes hard
 * beyond the drive that the amplifier may have. Source of the marks: a gauge that is right near 16 of 100 and hard near 80.
 */
final class LevelGauge {
    /** End of its scale, in marks. */
    static final double MOST = 100;

    private static final double RIGHT = 16;
    private static final double HARD = 80;

    private LevelGauge() {}

    /**
     * Returns the marks.
     *
     * @param watt what the exciter gives, 0 without a carrier
     * @param topW what the amplifier may have
     * @param mostW the exciter's highest power, above that
     * @param reversed whether its firmware counts from the other end
     */
    static double marks(double watt, double topW, double mostW, boolean reversed) {
        double beyond = Math.max(0, watt - topW) / (mostW - topW);
        double marks = RIGHT * Math.min(1, watt / topW) + (HARD - RIGHT) * Math.min(1, beyond);
        return reversed ? MOST - marks : marks;
    }
}
