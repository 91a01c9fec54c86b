package org.tubrin.core.station;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A battery.
 *
 * @param name its name
 * @param chemistry what its cells are
 * @param cells in series, 1 to 200
 * @param capacityC at the rate of its rated hours, at 25 °C, 360 to 3.6e7 C (0.1 to 10 000 Ah)
 * @param ratedHours in which that capacity is drawn, 1 to 100 h; 20 by custom
 * @param internalOhm of all cells in series when full at 25 °C, 0 to 5 Ω
 */
public record Battery(
        String name, Chemistry chemistry, int cells, double capacityC, double ratedHours, double internalOhm)
        implements Equipment {

    /** What a battery's cells are made of. */
    public enum Chemistry {
        LEAD_FLOODED,
        LEAD_SEALED,
        LITHIUM_IRON_PHOSPHATE,
        LITHIUM_ION,
        NICKEL_METAL_HYDRIDE
    }

    public Battery {
        new Checks()
                .name("name", name)
                .range("cells", cells, 1, 200, Unit.ONE)
                .range("capacityC", capacityC, 360, 3.6e7, Unit.COULOMB)
                .range("ratedHours", ratedHours, 1, 100, Unit.ONE)
                .range("internalOhm", internalOhm, 0, 5, Unit.OHM)
                .done();
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.battery(this);
    }
}
