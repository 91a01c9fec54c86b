package org.tubrin.benchmark;

import java.util.Locale;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;

/**
 * The stage at a setting as a netlist for a transient simulation: the same tube law, but every harmonic, real networks and
 * time. The cathode's resonant circuit has a loaded Q of 10.
 */
final class Netlist {
    private static final int CYCLES = 160;
    private static final int MEASURED_CYCLES = 20;
    private static final int STEPS_PER_CYCLE = 100;
    private static final double CATHODE_Q = 10;

    private final TubeTwin twin;
    private final Setting setting;
    private final double startV;
    private final double startA;
    private final StringBuilder lines = new StringBuilder();

    private Netlist(TubeTwin twin, Setting setting, double startV, double startA) {
        this.twin = twin;
        this.setting = setting;
        this.startV = startV;
        this.startA = startA;
    }

    /** Returns the netlist; the supply starts at a voltage and a current, to save settling. */
    static String of(TubeTwin twin, Setting setting, double startV, double startA) {
        Netlist netlist = new Netlist(twin, setting, startV, startA);
        netlist.line("* cathode- or grid-driven stage");
        if (twin.constants() instanceof TwinConstants.CathodeDriven triodes) {
            netlist.triodes(triodes);
        } else {
            netlist.tetrodes((TwinConstants.GridDriven) twin.constants());
        }
        netlist.tank();
        netlist.measures();
        return netlist.lines.toString();
    }

    private void triodes(TwinConstants.CathodeDriven constants) {
        TriodeLaw law = constants.tube();
        TankBand band = band();
        double omega = omega();
        double source = 2 * Math.sqrt(2 * band.driveShare() * setting.driveW() * constants.cathodeInputOhm());
        double tankOhm = constants.cathodeInputOhm() / 2 / CATHODE_Q;
        line(
                ".func rounded(p) {p >= %g ? p : (p > -%g ? (p + %g)*(p + %g)/%g : 0)}",
                s(law), s(law), s(law), s(law), 4 * s(law));
        line(".func onset(g) {g > 0 ? g*g/(g + %g) : 0}", law.gridOnsetV());
        line(
                ".func whole(g, p) {%g*pow(max(0, g + p/%g), 1.5)}",
                twin.tubes().tubeCount() * law.perveanceAPerV15(), law.amplificationFactor());
        line(
                ".func divided(u, ge) {(%g*u + 1e-9)/(%g*u + 1e-9 + sqrt(ge*(u + %g*ge)))}",
                law.division(), law.division(), law.kneeRatio());
        line("Bp t c I={whole(-V(c), V(d)+V(t)-V(c))*divided(rounded(V(d)+V(t)-V(c)), onset(-V(c)))}");
        line("Bg 0 c I={whole(-V(c), V(d)+V(t)-V(c))*(1-divided(rounded(V(d)+V(t)-V(c)), onset(-V(c))))}");
        line("Bd d 0 I={whole(-V(c), V(d)+V(t)-V(c))*divided(rounded(V(d)+V(t)-V(c)), onset(-V(c)))}");
        line("Bm gm 0 V={whole(-V(c), V(d)+V(t)-V(c))*(1-divided(rounded(V(d)+V(t)-V(c)), onset(-V(c))))}");
        line("Cpk t c %g", twin.tubes().tubeCount() * law.plateCathodeF());
        line("Vb b 0 %g", constants.biasV());
        line("Lk c b %g", tankOhm / omega);
        line("Ck c b %g", 1 / (omega * tankOhm));
        line("Vs s b SIN(0 %g %g 0 0 -90)", source, setting.frequencyHz());
        double reactance = band.inputReactanceOhm();
        if (reactance > 0) {
            line("Xs s s1 in");
            line(".subckt in a z\nL a z %g\n.ends", reactance / omega);
        } else if (reactance < 0) {
            line("Cs s s1 %g", -1 / (omega * reactance));
        } else {
            line("Vx s s1 0");
        }
        line("Rs s1 c %g", constants.cathodeInputOhm());
        supply(constants);
    }

    private void tetrodes(TwinConstants.GridDriven constants) {
        TetrodeLaw law = constants.tube();
        double peak = Math.sqrt(2 * constants.swampOhm() * setting.driveW());
        double rounding = law.plateRoundingV();
        line(
                ".func rounded(p) {p >= %g ? p : (p > -%g ? (p + %g)*(p + %g)/%g : 0)}",
                rounding, rounding, rounding, rounding, 4 * rounding);
        line(".func onset(g) {g > 0 ? g*g/(g + %g) : 0}", law.gridOnsetV());
        line(
                ".func whole(g, p) {%g*pow(max(0, g + %g + p/%g), 1.5)}",
                twin.tubes().tubeCount() * law.perveanceAPerV15(),
                constants.screenV() / law.screenFactor(),
                law.plateFactor());
        line(
                ".func divided(u, ge) {(%g*u + 1e-9)/(%g*u + 1e-9 + sqrt(ge*(u + %g*ge)))}",
                law.gridDivision(), law.gridDivision(), law.gridKneeRatio());
        line(
                ".func split(u) {%g*(u/%g)**2/((u/%g)**1.5 + %g)}",
                law.screenDivision(), constants.screenV(), constants.screenV(), law.kneeOffset());
        line(
                ".func toplate(g, p) {whole(g, p)*divided(rounded(p), onset(g))*split(rounded(p))/(1 + split(rounded(p)))}");
        line("Vg g 0 SIN(%g %g %g 0 0 90)", constants.gridBiasV(), peak, setting.frequencyHz());
        line("Bp t 0 I={toplate(V(g), V(d)+V(t))}");
        line("Bd d 0 I={toplate(V(g), V(d)+V(t))}");
        line("Bm gm 0 V={whole(V(g), V(d)+V(t))*(1-divided(rounded(V(d)+V(t)), onset(V(g))))}");
        supply(constants);
    }

    private static double s(TriodeLaw law) {
        return law.plateRoundingV();
    }

    /** The supply's resistance with a capacitor that holds over a cycle and settles within the run. */
    private void supply(TwinConstants.Tuned constants) {
        line("Vo o 0 %g", constants.supplyOpenV());
        line("Ro o d1 %g", constants.supplySourceOhm());
        line("Vi d1 d 0");
        line("Cd d 0 %g IC=%g", 30 / setting.frequencyHz() / constants.supplySourceOhm(), startV);
    }

    /** The pi network; a choke takes the direct current, and PLATE's capacitor makes up for its reactance. */
    private void tank() {
        TwinConstants.Tuned constants = twin.constants();
        TankBand band = band();
        double omega = omega();
        double coilOhm = omega * band.inductanceH();
        double plateF = constants.plate().capacitanceF(twin.tubes().plate(), setting.plate()) + band.platePadF();
        double loadF = constants.load().capacitanceF(twin.tubes().load(), setting.load()) + band.loadPadF();
        double chokeOhm = 200_000;
        line("Lc t 0 %g IC=%g", chokeOhm / omega, -startA);
        line("C1 t 0 %g", plateF + 1 / (omega * chokeOhm));
        line("L1 t x %g", band.inductanceH());
        line("R1 x y %g", coilOhm / band.unloadedQ());
        line("C2 y 0 %g", loadF);
        line("Rl y 0 %g", parallelOhm());
        double susceptance = -setting.loadReactanceOhm() / (setting.loadOhm() * parallelOhm());
        if (susceptance < 0) {
            line("Ll y 0 %g", -1 / (omega * susceptance));
        } else if (susceptance > 0) {
            line("Cl y 0 %g", susceptance / omega);
        }
    }

    /** Returns the resistance of the load's parallel form, which leaves no slow resonance with the choke. */
    private double parallelOhm() {
        double reactance = setting.loadReactanceOhm();
        return setting.loadOhm() + reactance * reactance / setting.loadOhm();
    }

    private void measures() {
        double period = 1 / setting.frequencyHz();
        double end = CYCLES * period;
        double from = (CYCLES - MEASURED_CYCLES) * period;
        line(".options reltol=1e-5 method=trap");
        line(".control");
        line("tran %g %g %g %g uic", period / STEPS_PER_CYCLE, end, from, period / STEPS_PER_CYCLE);
        line("let load = V(y)*V(y)/%g", parallelOhm());
        line("meas tran output AVG load from=%g to=%g", from, end);
        line("meas tran plate AVG i(Vi) from=%g to=%g", from, end);
        line("meas tran grid AVG V(gm) from=%g to=%g", from, end);
        line("meas tran supply AVG V(d) from=%g to=%g", from, end);
        line("quit");
        line(".endc");
        line(".end");
    }

    private TankBand band() {
        return twin.constants().tank(setting.band()).orElseThrow();
    }

    private double omega() {
        return 2 * Math.PI * setting.frequencyHz();
    }

    private void line(String format, Object... values) {
        lines.append(String.format(Locale.ROOT, format.replace("%g", "%.12g"), values))
                .append('\n');
    }
}
