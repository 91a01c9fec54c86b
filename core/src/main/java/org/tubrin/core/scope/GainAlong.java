package org.tubrin.core.scope;

/**
 * Gain along the drive of two tones: where it is lost.
 *
 * @param compressionDb gain at the peak below the greatest, in decibels, 0 or more
 * @param straight output over drive on the lower part, past the tip: what a straight amplifier would keep to
 * @param tipDb gain near no drive below the greatest, in decibels, 0 or more
 */
record GainAlong(double straight, double compressionDb, double tipDb) {
    /** Windows of drive, as shares of its peak; the first is the tip, the last the peak. */
    private static final double[][] WINDOWS = {
        {0.08, 0.25}, {0.3, 0.45}, {0.45, 0.6}, {0.6, 0.75}, {0.75, 0.9}, {0.96, 1.0}
    };

    /** Returns it for drives and what came out of each; of equal length, in any order. */
    static GainAlong of(double[] drive, double[] output) {
        double peak = Trace.peak(drive);
        double greatest = 0;
        double[] gains = new double[WINDOWS.length];
        for (int i = 0; i < WINDOWS.length; i++) {
            double in = 0;
            double out = 0;
            boolean isLast = i == WINDOWS.length - 1;
            for (int k = 0; k < drive.length; k++) {
                double share = drive[k] / peak;
                if (share >= WINDOWS[i][0] && (isLast || share < WINDOWS[i][1])) {
                    in += drive[k];
                    out += output[k];
                }
            }
            gains[i] = in > 0 ? out / in : 0;
            greatest = Math.max(greatest, gains[i]);
        }
        return new GainAlong(gains[1], below(greatest, gains[WINDOWS.length - 1]), below(greatest, gains[0]));
    }

    private static double below(double greatest, double gain) {
        double floor = 1e-3;
        return 20 * Math.log10(greatest / Math.max(floor * greatest, gain));
    }
}
