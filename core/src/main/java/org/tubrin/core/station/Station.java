package org.tubrin.core.station;

import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * The station as a whole.
 *
 * @param name what it is called
 * @param callSign 0 to 16 characters
 * @param licenceLimitW highest output that the licence allows, 1 to 10 000 W
 * @param ambientC temperature of the room, −20 to 50 °C
 * @param region whose band edges hold; absent for the widest anywhere
 */
public record Station(String name, String callSign, double licenceLimitW, double ambientC, Optional<Region> region) {
    public Station {
        new Checks()
                .name("name", name)
                .text("callSign", callSign, 0, 16)
                .range("licenceLimitW", licenceLimitW, 1, 10_000, Unit.WATT)
                .range("ambientC", ambientC, -20, 50, Unit.CELSIUS)
                .done();
    }

    /** Returns the lower edge of a band here, in hertz. */
    public double lowestHz(Band band) {
        return region.map(one -> one.lowestHz(band)).orElse(band.lowestHz());
    }

    /** Returns the upper edge of a band here, in hertz. */
    public double highestHz(Band band) {
        return region.map(one -> one.highestHz(band)).orElse(band.highestHz());
    }
}
