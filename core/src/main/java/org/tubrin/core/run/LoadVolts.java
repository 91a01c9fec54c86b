package org.tubrin.core.run;

import java.util.Optional;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Load;

/** Volts from peak to peak over a dummy load, beside what a wattmeter says. */
public final class LoadVolts {
    private LoadVolts() {}

    /** Returns the output that volts from peak to peak over the load tell, with what each look at them leaves open for itself. */
    public static Optional<Quantity> outputW(Step step) {
        return step.setup().termination() instanceof Load load
                ? step.measured(ReadingRole.OUTPUT_VPP)
                        .map(volts -> PowerEntry.watts(
                                volts, PowerEntry.Form.PP, PowerEntry.measuredOhm(load.resistanceColdOhm())))
                        .map(watt -> watt.with(
                                new ErrorSource("eye", ReadingRole.OUTPUT_VPP.name(), "at " + watt.value()),
                                eyeShare(step) * watt.value()))
                : Optional.empty();
    }

    /** Returns the volts from peak to peak that a power in watts has over the run's load; empty where that is no dummy load. */
    public static Optional<Double> ofW(TuneSetup setup, double watt) {
        return setup.termination() instanceof Load load
                ? Optional.of(PowerEntry.voltageV(watt, load.resistanceColdOhm(), PowerEntry.Form.PP))
                : Optional.empty();
    }

    /**
     * By how much volts from peak to peak tell more watts than the wattmeter.
     *
     * @param byVoltsW what the volts tell
     * @param byMeterW what the wattmeter tells
     */
    public record Disagreement(Quantity byVoltsW, Quantity byMeterW) {}

    /** Returns how volts and wattmeter disagree; empty where one was not read, or their 95 % intervals touch. */
    public static Optional<Disagreement> disagreement(Step step) {
        return outputW(step)
                .flatMap(byVolts -> step.measured(ReadingRole.OUTPUT)
                        .filter(byVolts::isApartFrom)
                        .map(byMeter -> new Disagreement(byVolts, byMeter)));
    }

    private static double eyeShare(Step step) {
        return Optional.ofNullable(step.readings().get(ReadingRole.OUTPUT_VPP))
                .filter(reading -> reading.rawValue() > 0)
                .map(reading -> 2 * reading.spread().orElse(0) / reading.rawValue())
                .orElse(0.0);
    }
}
