package org.tubrin.bench;

import java.util.Random;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.TubeTwin;

/**
 * What the bench knows and the operator does not: an amplifier a little off its record, and by how much its surroundings are.
 *
 * @param twin the amplifier as it really is, at nominal line voltage
 * @param lineShare line voltage over nominal
 * @param driveShare drive at the amplifier over what the exciter's setting says
 * @param loadOhm resistance of the dummy load when cold
 * @param loadDriftPerK share by which it rises per kelvin
 * @param padErrorDb what a pad attenuates beyond what is written on it
 */
public record Truth(
        TubeTwin twin, double lineShare, double driveShare, double loadOhm, double loadDriftPerK, double padErrorDb) {

    private static final double LEAST_EMISSION = 1e-5;

    /** Returns the amplifiers' and the station's truth that belongs to a seed: parts a few per cent off, a tube a little soft. */
    public static Truth of(TubeTwin record, long seed) {
        Random random = new Random(seed);
        double emission = 0.95 + 0.03 * random.nextGaussian();
        double line = 1 + 0.012 * random.nextGaussian();
        TwinConstants.Tuned moved = record.constants() instanceof TwinConstants.CathodeDriven triodes
                ? moved(triodes, emission, line, random)
                : moved((TwinConstants.GridDriven) record.constants(), emission, line, random);
        return new Truth(
                new TubeTwin(record.tubes(), moved),
                line,
                1 + 0.02 * random.nextGaussian(),
                51.6 * (1 + 0.004 * random.nextGaussian()),
                2.5e-4,
                0.08 * random.nextGaussian());
    }

    /** Returns the same with tubes that give a share of their emission. */
    public TubeTwin withEmission(double share) {
        if (share >= 1) {
            return twin;
        }
        double least = LEAST_EMISSION / perveance(twin.constants());
        TwinConstants.Tuned cold = twin.constants().scaled(Band.MHZ_7, Math.max(share, least), 1, 1, 1);
        return new TubeTwin(twin.tubes(), cold);
    }

    private static double perveance(TwinConstants.Tuned constants) {
        return constants instanceof TwinConstants.CathodeDriven triodes
                ? triodes.tube().perveanceAPerV15()
                : ((TwinConstants.GridDriven) constants).tube().perveanceAPerV15();
    }

    private static TwinConstants.CathodeDriven moved(
            TwinConstants.CathodeDriven from, double emission, double line, Random random) {
        TriodeLaw tube = from.tube().withEmission(emission);
        TriodeLaw moved = new TriodeLaw(
                tube.perveanceAPerV15(),
                tube.amplificationFactor() * (1 + 0.015 * random.nextGaussian()),
                tube.division() * (1 + 0.03 * random.nextGaussian()),
                tube.kneeRatio(),
                tube.plateRoundingV(),
                tube.gridOnsetV(),
                tube.plateCathodeF(),
                tube.softCutOffV());
        return with(from, moved, from.supplyOpenV() * line);
    }

    private static TwinConstants.GridDriven moved(
            TwinConstants.GridDriven from, double emission, double line, Random random) {
        return from.scaled(Band.MHZ_7, emission + 0.03 * random.nextGaussian(), line, 1, 1);
    }

    private static TwinConstants.CathodeDriven with(TwinConstants.CathodeDriven from, TriodeLaw tube, double openV) {
        return new TwinConstants.CathodeDriven(
                tube,
                from.biasV(),
                openV,
                from.supplySourceOhm(),
                from.cathodeInputOhm(),
                from.plate(),
                from.load(),
                from.tanks());
    }
}
