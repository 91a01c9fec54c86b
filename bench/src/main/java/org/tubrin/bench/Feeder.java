package org.tubrin.bench;

/** What can feed the exciter of the bench. */
enum Feeder {
    CAPSTAN(0.012, 0),
    WINDLASS(0.004, 0),
    /** Made for lighting, without a screen: RF gets into its regulator. */
    BILGE(0.01, 0.06);

    private static final double OPEN_V = 13.8;

    private final double sourceOhm;
    private final double riseVPerRootW;

    Feeder(double sourceOhm, double riseVPerRootW) {
        this.sourceOhm = sourceOhm;
        this.riseVPerRootW = riseVPerRootW;
    }

    /** Returns the voltage at its terminals at a current, with RF of a power in watts in the room. */
    double voltage(double currentA, double outputW) {
        return OPEN_V - sourceOhm * currentA + riseVPerRootW * Math.sqrt(outputW);
    }
}
