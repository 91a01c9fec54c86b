package org.tubrin.bench.campaign;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.TuneSetup;

/** Meters anywhere within their class, each range for itself, and the eye that reads them. */
public final class MeterLuck {
    private static final double EYE_SHARE = 0.005;

    private final TuneSetup setup;
    private final Random random;
    private final Map<String, Double> errors = new HashMap<>();

    /** The meters of a setup. */
    public MeterLuck(TuneSetup setup, Random random) {
        this.setup = setup;
        this.random = random;
        for (ReadingRole role : ReadingRole.values()) {
            setup.channelFor(role)
                    .ifPresent(channel -> channel.ranges()
                            .forEach(range -> errors.put(role + range.name(), 2 * random.nextDouble() - 1)));
        }
    }

    private Channel channel(ReadingRole role) {
        return setup.channelFor(role).orElseThrow();
    }

    /** Returns the widest range of a role. */
    public MeterRange widest(ReadingRole role) {
        return channel(role).rangeFor(Double.MAX_VALUE);
    }

    /** Returns what a meter's class makes of a true value on a range, before an eye reads it. */
    public double classed(ReadingRole role, double truth, MeterRange range) {
        double error = errors.getOrDefault(role + range.name(), 0.0);
        return truth + error * bound(channel(role).accuracy(), truth, range);
    }

    private static double bound(Accuracy accuracy, double truth, MeterRange range) {
        return accuracy instanceof Accuracy.OfReading digits
                ? digits.fraction() * Math.abs(truth) + digits.digit()
                : ((Accuracy.OfFullScale) accuracy).fraction() * range.fullScale();
    }

    /** Returns what an eye reads of a meter: half a hundredth of a scale either way, digits as they are; no more than its range. */
    public double reads(ReadingRole role, double truth, MeterRange range) {
        double shown = classed(role, truth, range);
        double eye = channel(role).hasPointer() ? EYE_SHARE * range.fullScale() * (2 * random.nextDouble() - 1) : 0;
        double least = role == ReadingRole.PHASE ? -range.fullScale() : 0;
        return Math.max(least, Math.min(range.fullScale(), shown + eye));
    }
}
