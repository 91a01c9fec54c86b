package org.tubrin.core.station;

/**
 * A region of the allocation of frequencies: where in it a band begins and ends. What a country allows may be less, or more.
 *
 * <p>Source: ITU Radio Regulations (2020), article 5; 5 MHz as the countries allow it that allow most.
 */
public enum Region {
    /** Europe, Africa, the Middle East, northern Asia. */
    ONE,
    /** The Americas. */
    TWO,
    /** The rest of Asia, Oceania. */
    THREE;

    /** Returns the lower edge of a band in hertz. */
    public double lowestHz(Band band) {
        return this == ONE && band == Band.MHZ_1_8 ? 1.81e6 : band.lowestHz();
    }

    /** Returns the upper edge of a band in hertz. */
    public double highestHz(Band band) {
        return switch (band) {
            case MHZ_3_5 -> this == ONE ? 3.8e6 : this == THREE ? 3.9e6 : band.highestHz();
            case MHZ_7 -> this == TWO ? band.highestHz() : 7.2e6;
            case MHZ_50 -> this == ONE ? 52e6 : band.highestHz();
            default -> band.highestHz();
        };
    }
}
