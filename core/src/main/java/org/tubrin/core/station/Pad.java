package org.tubrin.core.station;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * An attenuator between exciter and amplifier.
 *
 * @param name what it is called
 * @param attenuationDb as measured, 0.1 to 60 dB
 * @param powerLimitW what may be fed into it, 0.1 to 2000 W
 */
public record Pad(String name, double attenuationDb, double powerLimitW) implements Equipment {
    public Pad {
        new Checks()
                .name("name", name)
                .range("attenuationDb", attenuationDb, 0.1, 60, Unit.DECIBEL)
                .range("powerLimitW", powerLimitW, 0.1, 2000, Unit.WATT)
                .done();
    }

    /** Returns what comes out of it for a power that is fed in, in watts: {@code P·10^(−A/10)}. */
    public double outputW(double inputW) {
        return inputW * Math.pow(10, -attenuationDb / 10);
    }

    /** Returns what must be fed in for a power to come out, in watts. */
    public double inputW(double outputW) {
        return outputW * Math.pow(10, attenuationDb / 10);
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.pad(this);
    }
}
