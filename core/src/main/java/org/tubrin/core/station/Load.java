package org.tubrin.core.station;

import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;

/**
 * A dummy load.
 *
 * @param name what it is called
 * @param resistanceColdOhm measured at DC when cold, 1 to 1000 Ω
 * @param powerLimitW highest power at any time, 1 to 10 000 W
 * @param thermal how it warms; absent where unknown
 */
public record Load(String name, double resistanceColdOhm, double powerLimitW, Optional<Thermal> thermal)
        implements Termination {
    public Load {
        new Checks()
                .name("name", name)
                .range("resistanceColdOhm", resistanceColdOhm, 1, 1000, Unit.OHM)
                .range("powerLimitW", powerLimitW, 1, 10_000, Unit.WATT)
                .done();
    }

    /** Returns the standing-wave ratio that it makes on a 50 Ω line: the greater of R/50 and 50/R. */
    public double swr() {
        return Mismatch.swr(resistanceColdOhm, 0);
    }

    @Override
    public ImpedancePoint at(double frequencyHz) {
        return new ImpedancePoint(frequencyHz, resistanceColdOhm, 0);
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.load(this);
    }
}
