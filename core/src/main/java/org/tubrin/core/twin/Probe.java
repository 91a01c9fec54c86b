package org.tubrin.core.twin;

import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.PiNetwork;

/**
 * A tube twin at work on one band, frequency and load: asked again and again at neighbouring settings, each answer found from
 * the last. Allocates nothing while it settles; one thread.
 */
public final class Probe {
    private static final double INPUT_Q = 2;

    private final TwinConstants.Tuned constants;
    private final Stage.Tubes tubes;
    private final TankBand tank;
    private final double frequencyHz;
    private final double driveShare;
    private final double loadOhm;
    private final double loadReactanceOhm;
    private final TubeSolver solver;
    private final PiNetwork network = new PiNetwork();

    Probe(TwinConstants.Tuned constants, Stage.Tubes tubes, TankBand tank, Setting setting, TubeSolver solver) {
        this.constants = constants;
        this.tubes = tubes;
        this.tank = tank;
        frequencyHz = setting.frequencyHz();
        driveShare = tank.driveShare() * passed(tank.band(), frequencyHz);
        loadOhm = setting.loadOhm();
        loadReactanceOhm = setting.loadReactanceOhm();
        this.solver = solver;
    }

    /**
     * Returns the share of the drive that the input network of a band passes: all within the band, beyond its edges what a
     * single circuit of Q 2 does. So a wrong band leaves the meters nearly still.
     */
    private static double passed(Band band, double frequencyHz) {
        double edgeHz = Math.max(band.lowestHz(), Math.min(band.highestHz(), frequencyHz));
        double detuning = INPUT_Q * (frequencyHz / edgeHz - edgeHz / frequencyHz);
        return 1 / (1 + detuning * detuning);
    }

    /** Returns whether the stage settled at a drive in watts and two dial positions; its figures may then be read. */
    public boolean settle(double driveW, double plate, double load) {
        return settleAt(driveW, plateF(plate), loadF(load));
    }

    /** Returns the PLATE position at which the tank is in resonance for a LOAD position, stopped at the dial's ends. */
    public double resonantPlate(double load) {
        network.set(frequencyHz, tank.inductanceH(), tank.unloadedQ(), 0, loadF(load), loadOhm, loadReactanceOhm);
        return constants.plate().position(tubes.plate(), network.resonantPlateF() - tank.platePadF());
    }

    /** Returns the share of the plate's RF that leaves the tank at a LOAD position, with PLATE at resonance. */
    public double tankEfficiency(double load) {
        network.set(
                frequencyHz,
                tank.inductanceH(),
                tank.unloadedQ(),
                plateF(resonantPlate(load)),
                loadF(load),
                loadOhm,
                loadReactanceOhm);
        return network.efficiency();
    }

    boolean settleAt(double driveW, double plateF, double loadF) {
        network.set(frequencyHz, tank.inductanceH(), tank.unloadedQ(), plateF, loadF, loadOhm, loadReactanceOhm);
        return solver.settle(
                network.resistanceOhm(),
                network.reactanceOhm(),
                driveShare,
                tank.inputReactanceOhm(),
                frequencyHz,
                driveW);
    }

    double plateF(double plate) {
        return constants.plate().capacitanceF(tubes.plate(), plate) + tank.platePadF();
    }

    double loadF(double load) {
        return constants.load().capacitanceF(tubes.load(), load) + tank.loadPadF();
    }

    Stage.Tubes tubes() {
        return tubes;
    }

    /** Says that the settings to come are equal strides apart. */
    void stride() {
        solver.stride();
    }

    /** Settles from now on where what does not balance is below so many volts. */
    void settleWithin(double volt) {
        solver.settleWithin(volt);
    }

    /** Forgets the last answer. */
    public void forget() {
        solver.forget();
    }

    /** Holds the plate voltage from now on, in volts; lets the supply sag again for 0. */
    void holdPlateVoltage(double volt) {
        solver.holdPlateVoltage(volt);
    }

    /** Returns what the supply gives at a plate current in amperes, in volts. */
    double supplyV(double plateCurrentA) {
        return constants.supplyOpenV() - constants.supplySourceOhm() * plateCurrentA;
    }

    /** Returns the power into the load, in watts. */
    public double outputW() {
        return network.efficiency() * solver.plateRfW();
    }

    /** Returns the loaded plate voltage, in volts. */
    public double plateVoltageDcV() {
        return solver.plateVoltageDcV();
    }

    /** Returns the plate current of all tubes, in amperes. */
    public double plateCurrentA() {
        return solver.plateCurrentA();
    }

    /** Returns the control-grid current of all tubes, in amperes. */
    public double gridCurrentA() {
        return solver.gridCurrentA();
    }

    /** Returns the screen current of all tubes, in amperes. */
    public double screenCurrentA() {
        return solver.screenCurrentA();
    }

    /** Returns the plate dissipation of one tube, in watts. */
    public double plateHeatPerTubeW() {
        return solver.plateHeatPerTubeW();
    }

    /** Returns the peak RF voltage across the PLATE capacitor, in volts. */
    public double platePeakV() {
        return solver.platePeakV();
    }

    /** Returns the peak voltage across the LOAD capacitor, in volts. */
    public double loadPeakV() {
        return solver.platePeakV() * network.voltageRatio();
    }

    /** Returns the angle of the output's voltage against the source's, in radians. */
    double outputAngleRad() {
        return solver.plateAngleRad() + network.voltageAngleRad();
    }

    /** Returns the point last settled, in full. */
    public TubePoint point() {
        return solver.point(network.efficiency(), network.voltageRatio(), network.plateCapacitorRmsA(1));
    }

    <T> Outcome.Unsettled<T> unsettled() {
        TubePoint.Report report = solver.report();
        return new Outcome.Unsettled<>(Outcome.Why.NO_CONVERGENCE, report.iterations(), report.residualV());
    }
}
