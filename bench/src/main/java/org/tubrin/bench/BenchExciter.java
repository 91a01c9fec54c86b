package org.tubrin.bench;

import org.tubrin.bench.LevelControl.Model;
import org.tubrin.core.alc.LevelLaw.Shows;

/** The exciters of the bench; a newer firmware has another gauge. */
public enum BenchExciter {
    HALYARD(1, 100, "2.4", 3.0, Shows.BARS_THAT_FALL, Shows.DECIBELS_THAT_RISE),
    SKIFF(0.1, 10, "1.8", 2.0, Shows.BARS_THAT_FALL, Shows.ALL_THE_WAY);

    private final double leastW;
    private final double mostW;
    private final String firmware;
    private final double newFrom;
    private final Shows old;
    private final Shows renewed;

    BenchExciter(double leastW, double mostW, String firmware, double newFrom, Shows old, Shows renewed) {
        this.leastW = leastW;
        this.mostW = mostW;
        this.firmware = firmware;
        this.newFrom = newFrom;
        this.old = old;
        this.renewed = renewed;
    }

    /** Returns the firmware that it comes with. */
    String firmware() {
        return firmware;
    }

    /** Returns its level control with a firmware; its truth belongs to a seed. */
    public LevelControl control(String version, long seed) {
        return new LevelControl(model(version), seed + name().hashCode());
    }

    /** Returns what it is with a firmware; what is no version is an old one. */
    private Model model(String version) {
        return new Model(leastW, mostW, isRenewed(version) ? renewed : old);
    }

    private boolean isRenewed(String version) {
        try {
            return Double.parseDouble(version) >= newFrom;
        } catch (NumberFormatException noVersion) {
            return false;
        }
    }
}
