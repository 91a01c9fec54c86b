package org.tubrin.core.station;

/** Amateur bands by what operators call them, with their widest limits anywhere. */
public enum Band {
    KHZ_137(135.7e3, 137.8e3),
    KHZ_472(472e3, 479e3),
    MHZ_1_8(1.8e6, 2.0e6),
    MHZ_3_5(3.5e6, 4.0e6),
    MHZ_5(5.25e6, 5.45e6),
    MHZ_7(7.0e6, 7.3e6),
    MHZ_10(10.1e6, 10.15e6),
    MHZ_14(14.0e6, 14.35e6),
    MHZ_18(18.068e6, 18.168e6),
    MHZ_21(21.0e6, 21.45e6),
    MHZ_24(24.89e6, 24.99e6),
    MHZ_28(28.0e6, 29.7e6),
    MHZ_50(50.0e6, 54.0e6);

    private final double lowestHz;
    private final double highestHz;

    Band(double lowestHz, double highestHz) {
        this.lowestHz = lowestHz;
        this.highestHz = highestHz;
    }

    /** Returns the lower edge in hertz. */
    public double lowestHz() {
        return lowestHz;
    }

    /** Returns the upper edge in hertz. */
    public double highestHz() {
        return highestHz;
    }

    /** Returns whether a small move in frequency already asks for re-tuning: so on the bands below 10 MHz. */
    public boolean isLow() {
        return highestHz < 10e6;
    }
}
