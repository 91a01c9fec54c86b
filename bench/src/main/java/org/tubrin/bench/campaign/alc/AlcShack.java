package org.tubrin.bench.campaign.alc;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import org.tubrin.bench.LevelControl;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;

/**
 * The exciter as it is, before a wattmeter whose scale is off by up to half of its class and whose zero by a quarter of it.
 */
final class AlcShack {
    private static final double EYE_SHARE = 0.005;

    final AlcCase given;
    final LevelControl control;
    private final Map<Control, Double> stands = new EnumMap<>(Control.class);
    private final Map<String, double[]> errors = new HashMap<>();
    private final Random random;
    private MeterRange range;
    double nowS;
    int keyDowns;

    AlcShack(AlcCase given) {
        this.given = given;
        control = new LevelControl(given.model(), given.truth());
        random = new Random(given.seed());
        Channel channel = wattmeter();
        range = channel.ranges().get(channel.ranges().size() - 1);
        for (MeterRange one : channel.ranges()) {
            errors.put(one.name(), new double[] {2 * random.nextDouble() - 1, 2 * random.nextDouble() - 1});
        }
        stands.put(Control.TONE, given.path().middleHz());
    }

    private Channel wattmeter() {
        return given.setup().channelFor(ReadingRole.OUTPUT).orElseThrow();
    }

    void range(String name) {
        range = wattmeter().range(name).orElseThrow();
    }

    void turn(Control which, double to) {
        nowS += 1;
        stands.put(which, to);
        if (which == Control.LEVEL) {
            control.level(to);
        }
    }

    private double at(Control which) {
        return Objects.requireNonNull(stands.get(which), which.name());
    }

    /** Returns what an eye reads with the key down. */
    double reads(ReadingRole role) {
        double setW = at(Control.DRIVE);
        double level = at(Control.LEVEL);
        double toneHz = at(Control.TONE);
        return role == ReadingRole.ALC_GAUGE
                ? control.gauge(setW, level, toneHz)
                : readsW(control.outputW(setW, level, toneHz));
    }

    private double readsW(double truthW) {
        double[] error = Objects.requireNonNull(errors.get(range.name()));
        if (wattmeter().accuracy() instanceof Accuracy.OfFullScale scale) {
            double shown = truthW * (1 + scale.fraction() / 2 * error[0])
                    + scale.fraction() / 4 * error[1] * range.fullScale()
                    + EYE_SHARE * range.fullScale() * (2 * random.nextDouble() - 1);
            return Math.max(0, Math.min(range.fullScale(), shown));
        }
        Accuracy.OfReading digits = (Accuracy.OfReading) wattmeter().accuracy();
        double shown = truthW * (1 + digits.fraction() * error[0]);
        return Math.min(range.fullScale(), Math.rint(shown / digits.digit()) * digits.digit());
    }
}
