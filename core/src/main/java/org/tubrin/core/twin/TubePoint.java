package org.tubrin.core.twin;

import java.util.OptionalDouble;

/**
 * A tube stage at work: what each meter should show, where each watt goes, how parts are strained.
 *
 * @param powers flow of power
 * @param meters direct voltages and currents
 * @param input what the exciter sees
 * @param strain peaks, and margins
 * @param report how it was solved
 */
public record TubePoint(Powers powers, Meters meters, InputSide input, Strain strain, Report report) {

    /**
     * Flow of power, all tubes together unless said; all in watts, average over a cycle.
     *
     * @param plateInputW {@code Vdc·Ip}
     * @param driveW from the exciter, at the socket
     * @param driveTakenW of it what reaches cathode or grid
     * @param feedThroughW of it what goes through to the plate circuit
     * @param plateRfW into the tank
     * @param outputW into the load
     * @param tankLossW left in the coil
     * @param plateHeatPerTubeW plate dissipation of one tube
     * @param gridHeatPerTubeW control grid dissipation of one tube
     * @param screenHeatPerTubeW screen dissipation of one tube; 0 for a triode
     * @param screenInputW from the screen supply; 0 for a triode
     * @param biasHeatW in the bias element; for a driven grid what the bias supply takes up
     * @param balanceErrorW what does not add up, 0 but for rounding
     */
    public record Powers(
            double plateInputW,
            double driveW,
            double driveTakenW,
            double feedThroughW,
            double plateRfW,
            double outputW,
            double tankLossW,
            double plateHeatPerTubeW,
            double gridHeatPerTubeW,
            double screenHeatPerTubeW,
            double screenInputW,
            double biasHeatW,
            double balanceErrorW) {}

    /**
     * What panel meters show.
     *
     * @param plateVoltageDcV under this load
     * @param plateCurrentA all tubes
     * @param gridCurrentA control grids of all tubes
     * @param screenCurrentA screens of all tubes, positive into the tube; absent for a triode
     */
    public record Meters(
            double plateVoltageDcV, double plateCurrentA, double gridCurrentA, OptionalDouble screenCurrentA) {}

    /**
     * What the exciter sees.
     *
     * @param swr at the socket; absent without drive
     * @param reflectedW of the drive
     * @param drivePeakV peak drive voltage at cathode or grid
     */
    public record InputSide(OptionalDouble swr, double reflectedW, double drivePeakV) {}

    /**
     * Peaks.
     *
     * @param platePeakV peak RF voltage at the plate, across the PLATE capacitor
     * @param plateLeastV lowest instantaneous voltage from plate to cathode return; below 0 the swing exceeds the supply
     * @param loadPeakV peak voltage across the LOAD capacitor
     * @param plateCapacitorRmsA current in the PLATE capacitor
     * @param conductionDeg part of the cycle in which current flows, 0 to 360°
     */
    public record Strain(
            double platePeakV, double plateLeastV, double loadPeakV, double plateCapacitorRmsA, double conductionDeg) {}

    /**
     * How it was solved.
     *
     * @param rung which way led to it
     * @param iterations Newton steps
     * @param residualV what is left of the equations, below 1e-3 V
     */
    public record Report(Rung rung, int iterations, double residualV) {}

    /** Ways to a solution, quickest first. */
    public enum Rung {
        /** No drive: one equation. */
        REST,
        /** From a solution nearby. */
        WARM,
        /** From an estimate. */
        COLD,
        /** From a small load upward. */
        CONTINUED
    }

    /** Returns the power into the load, in watts. */
    public double outputW() {
        return powers.outputW;
    }

    /** Returns the standing-wave ratio at the input; absent without drive. */
    public OptionalDouble inputSwr() {
        return input.swr;
    }

    /** Returns what of the drive is neither reflected nor taken: the input network's, or a swamping resistor's, in watts. */
    public double inputNetworkLossW() {
        return powers.driveW - powers.driveTakenW - input.reflectedW;
    }

    /** Returns output over plate input; absent where there is no output. */
    public OptionalDouble efficiency() {
        return powers.outputW > 0 && powers.plateInputW > 0
                ? OptionalDouble.of(powers.outputW / powers.plateInputW)
                : OptionalDouble.empty();
    }
}
