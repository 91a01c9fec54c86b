package org.tubrin.core.twin;

import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.station.TwinConstants.BroadbandBand;
import org.tubrin.core.tank.Mismatch;

/**
 * The twin of a transistor amplifier.
 *
 * <p>Method: {@code x = g(Pin)·Pin/Psat} with a gain that expands in class AB, {@code Pout = Psat·x/√(1 + x²)}, {@code Idc = √(I0² + Pout·Psat/(ηmax·V)²)};
 * {@code Psat} goes with the square of the voltage less the knee, falls with {@code 1 − |Γ|²} of the load, and is held back
 * by heat in a straight line from fold-back to half at the trip. Source: {@link Rapp}; the current is that of a class-B stage
 * with a resting current.
 *
 * @param constants its figures
 */
public record TransistorTwin(TwinConstants.Broadband constants) {
    private static final double COLD_C = 20;

    /** Returns the twin of an amplifier with transistors, where its record has one. */
    public static Optional<TransistorTwin> of(Amplifier amplifier) {
        return amplifier
                .twin()
                .filter(TwinConstants.Broadband.class::isInstance)
                .map(constants -> new TransistorTwin((TwinConstants.Broadband) constants));
    }

    /** Returns the operating point at a setting, with the supply at its nominal voltage and the heat sink cold. */
    public Outcome<TransistorPoint> at(Setting setting) {
        return at(setting, constants.nominalV(), COLD_C);
    }

    /** Returns the operating point at a supply voltage in volts and a heat-sink temperature in °C. */
    public Outcome<TransistorPoint> at(Setting setting, double supplyV, double heatSinkC) {
        BroadbandBand band = constants.on(setting.band()).orElse(null);
        if (band == null) {
            return new Outcome.Unsettled<>(Outcome.Why.BAND_UNKNOWN, 0, 0);
        }
        double reflected = Mismatch.reflectedShare(setting.loadOhm(), setting.loadReactanceOhm());
        double size = Math.sqrt(reflected);
        if (heatSinkC >= constants.tripC() || (1 + size) > constants.tripSwr() * (1 - size)) {
            return new Outcome.Unsettled<>(Outcome.Why.TRIPPED, 0, 0);
        }
        double swing = Math.max(0.01, (supplyV - constants.kneeV()) / (constants.nominalV() - constants.kneeV()));
        boolean foldedBack = heatSinkC > constants.foldBackC();
        double held = foldedBack
                ? 1 - 0.5 * (heatSinkC - constants.foldBackC()) / (constants.tripC() - constants.foldBackC())
                : 1;
        double saturatedW = band.saturatedW() * swing * swing * (1 - reflected) * held;
        double expanded = constants
                .expansion()
                .map(expansion -> expansion.share(setting.driveW()))
                .orElse(1.0);
        double gain = Math.pow(10, band.gainDb() / 10) * expanded;
        double x = gain * setting.driveW() / saturatedW;
        double outputW = saturatedW * Rapp.output(x);
        double signalA = Math.sqrt(outputW * saturatedW) / (constants.bestEfficiency() * supplyV);
        double currentA = Math.hypot(constants.restingA(), signalA);
        return new Outcome.Settled<>(new TransistorPoint(
                setting.driveW(),
                outputW,
                supplyV,
                currentA,
                supplyV * currentA + setting.driveW() - outputW,
                Rapp.compressionDb(x),
                setting.driveW() > 0 ? OptionalDouble.of(band.inputSwr()) : OptionalDouble.empty(),
                foldedBack));
    }
}
