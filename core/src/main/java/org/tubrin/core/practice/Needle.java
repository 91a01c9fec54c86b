package org.tubrin.core.practice;

import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;

/** A meter's movement: errs within its class, and stops at the end of its scale. */
final class Needle {
    private static final double FOLLOWS_S = 0.15;
    private static final double STEADY_S = 0.7;
    private static final double END = 1.02;
    /** Of its class, what gain and zero err by. */
    private static final double GAIN_SHARE = 0.5;

    private static final double ZERO_SHARE = 0.25;

    private final String meter;
    private final Channel channel;
    private final boolean isSecond;
    private final Movement movement;

    Needle(String meter, Channel channel, boolean isSecond) {
        this.meter = meter;
        this.channel = channel;
        this.isSecond = isSecond;
        movement = new Movement(isSecond ? STEADY_S : FOLLOWS_S);
    }

    String meter() {
        return meter;
    }

    Channel channel() {
        return channel;
    }

    boolean isSecond() {
        return isSecond;
    }

    /** Lets it follow a true value for so many seconds. */
    void follow(double value, double seconds) {
        movement.follow(value, seconds);
    }

    /** Returns what it shows on a range, by a truth that says how it errs. */
    double shows(MeterRange range, HiddenTruth truth, boolean holds) {
        double classShare = ((Accuracy.OfFullScale) channel.accuracy()).fraction();
        double[] errors = truth.errors(channel.role());
        double value = (holds ? movement.peak() : movement.at()) * truth.lie(channel.role(), isSecond);
        double wrong = value * (1 + GAIN_SHARE * classShare * errors[0])
                + ZERO_SHARE * classShare * errors[1] * range.fullScale();
        double grain = Panel.division(range);
        double least = channel.role().mayBeNegative() ? -range.fullScale() : 0;
        return Math.max(least, Math.min(END * range.fullScale(), Math.rint(wrong / grain) * grain));
    }

    /** Returns whether so much stands at the end of a scale. */
    static boolean isAtStop(double shown, MeterRange range) {
        return shown >= range.fullScale();
    }
}
