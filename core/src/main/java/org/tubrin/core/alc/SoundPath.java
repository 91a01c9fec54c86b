package org.tubrin.core.alc;

import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * The way of the sound into an exciter, and at what its level is tried.
 *
 * @param program what makes the sound and which of its sliders is moved, 1 to 60 characters
 * @param device what carries it to the exciter, 1 to 60 characters
 * @param systemVolume where the computer's own volume stands, 0.01 to 1; absent where there is none
 * @param setPowerW power that the exciter is set to, 0.01 to 2000 W
 * @param otherPowerW a second one, at which the right gauge should be the same
 * @param lowHz a tone low in the passband, 50 to 5000 Hz
 * @param middleHz the tone of the whole series, above that
 * @param highHz a tone high in the passband, above that
 */
public record SoundPath(
        String program,
        String device,
        Optional<Double> systemVolume,
        double setPowerW,
        double otherPowerW,
        double lowHz,
        double middleHz,
        double highHz) {
    /** The lowest tone, in hertz. */
    public static final double LOWEST_HZ = 50;
    /** The highest tone, in hertz. */
    public static final double HIGHEST_HZ = 5000;

    /** No exciter gives more than this above what it is set to. */
    private static final double MOST_ABOVE_SET = 1.15;

    private static final double MOST_W = 2000;

    public SoundPath {
        Checks checks = new Checks()
                .text("program", program, 1, 60)
                .text("device", device, 1, 60)
                .range("setPowerW", setPowerW, 0.01, MOST_W, Unit.WATT)
                .range("otherPowerW", otherPowerW, 0.01, MOST_W, Unit.WATT)
                .range("lowHz", lowHz, LOWEST_HZ, HIGHEST_HZ, Unit.HERTZ)
                .range("middleHz", middleHz, lowHz, HIGHEST_HZ, Unit.HERTZ)
                .range("highHz", highHz, middleHz, HIGHEST_HZ, Unit.HERTZ);
        systemVolume.ifPresent(volume -> checks.range("systemVolume", volume, 0.01, 1, Unit.ONE));
        checks.done();
    }

    /** Returns the most that an exciter gives at a set power, in watts. */
    public static double mostW(double setPowerW) {
        return MOST_ABOVE_SET * setPowerW;
    }
}
