package org.tubrin.bench.foreign;

import java.util.Locale;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.Setting;

/**
 * A foreign amplifier, cold, as a netlist for a transient simulation: its own tube law, every harmonic, networks and time. The coil's loss
 * is that of the fundamental at all harmonics, which is all that the two have not in common.
 */
final class ForeignNetlist {
    private static final int CYCLES = 160;
    private static final int MEASURED_CYCLES = 20;
    private static final int STEPS_PER_CYCLE = 100;
    private static final double CHOKE_OHM = 200_000;
    private static final int HELD_CYCLES = 30;

    private final StringBuilder lines = new StringBuilder();

    private ForeignNetlist() {}

    /** Returns the netlist of a stage at a drive in watts, with the capacitors of PLATE and LOAD in farads; it starts at a voltage and a current. */
    static String of(
            TwinConstants.CathodeDriven record,
            Stage.Tubes tubes,
            Setting setting,
            ForeignStage.Difference differs,
            double driveW,
            double plateF,
            double loadF,
            double startV,
            double startA) {
        ForeignNetlist netlist = new ForeignNetlist();
        TankBand tank = record.tank(setting.band()).orElseThrow();
        double omega = 2 * Math.PI * setting.frequencyHz();
        netlist.line("* a stage that the twin cannot express");
        netlist.tubes(record, tubes, tank, setting, differs, driveW);
        netlist.supply(record, tubes, differs, setting.frequencyHz(), startV);
        netlist.tank(tank, setting, differs, omega, plateF, loadF, startA);
        netlist.measures(setting);
        return netlist.lines.toString();
    }

    private void tubes(
            TwinConstants.CathodeDriven record,
            Stage.Tubes tubes,
            TankBand tank,
            Setting setting,
            ForeignStage.Difference differs,
            double driveW) {
        double omega = 2 * Math.PI * setting.frequencyHz();
        double cathodeOhm = record.cathodeInputOhm() / 2 / differs.cathodeQ();
        lines.append(differs.tube().functions(tubes.tubeCount()));
        line("Bp t c I={whole(-V(c), V(d)+V(t)-V(c))*(1-share(-V(c), V(d)+V(t)-V(c)))}");
        line("Bg 0 c I={whole(-V(c), V(d)+V(t)-V(c))*share(-V(c), V(d)+V(t)-V(c))}");
        line("Bd d 0 I={whole(-V(c), V(d)+V(t)-V(c))*(1-share(-V(c), V(d)+V(t)-V(c)))}");
        line("Bm gm 0 V={whole(-V(c), V(d)+V(t)-V(c))*share(-V(c), V(d)+V(t)-V(c))}");
        line("Cpk t c %g", tubes.tubeCount() * differs.tube().plateCathodeF());
        line("Vb b 0 %g", differs.biasV());
        line("Lk c b %g", cathodeOhm / omega);
        line("Ck c b %g", 1 / (omega * cathodeOhm));
        line(
                "Vs s b SIN(0 %g %g 0 0 -90)",
                2 * Math.sqrt(2 * tank.driveShare() * driveW * record.cathodeInputOhm()), setting.frequencyHz());
        double reactance = tank.inputReactanceOhm();
        if (reactance > 0) {
            line("Ls s s1 %g", reactance / omega);
        } else if (reactance < 0) {
            line("Cs s s1 %g", -1 / (omega * reactance));
        } else {
            line("Vx s s1 0");
        }
        line("Rs s1 c %g", record.cathodeInputOhm());
    }

    /** A source that gives way with a power of its current, with a capacitor that holds over a cycle. */
    private void supply(
            TwinConstants.CathodeDriven record,
            Stage.Tubes tubes,
            ForeignStage.Difference differs,
            double frequencyHz,
            double startV) {
        double wholeA = ForeignStage.SAME_SAG_A * tubes.tubeCount();
        double sagV = differs.sagShare() * record.supplySourceOhm() * wholeA;
        line(
                "Bo 0 d1 I={%g*pow(max(0, %g - V(d))/%g, %g)}",
                wholeA, record.supplyOpenV() * differs.supplyShare(), sagV, 1 / ForeignStage.SAG_POWER);
        line("Vi d1 d 0");
        line("Cd d 0 %g IC=%g", HELD_CYCLES / frequencyHz / record.supplySourceOhm(), startV);
    }

    /** The pi network with a coil that has a capacitance of its own; a choke takes the direct current, which PLATE's capacitor makes up for. */
    private void tank(
            TankBand tank,
            Setting setting,
            ForeignStage.Difference differs,
            double omega,
            double plateF,
            double loadF,
            double startA) {
        double self = 1 / (differs.coilSelfShare() * differs.coilSelfShare());
        double coilH = tank.inductanceH() * differs.coilShare() * (1 - self);
        line("Lc t 0 %g IC=%g", CHOKE_OHM / omega, -startA);
        line("C1 t 0 %g", plateF + 1 / (omega * CHOKE_OHM));
        line("L1 t x %g", coilH);
        line("Cself t x %g", self / (omega * omega * coilH));
        line(
                "R1 x y %g",
                omega * tank.inductanceH() * differs.coilShare() / (tank.unloadedQ() * differs.qualityShare()));
        line("C2 y 0 %g", loadF);
        line("Rl y z %g", setting.loadOhm());
        if (setting.loadReactanceOhm() > 0) {
            line("Ll z 0 %g", setting.loadReactanceOhm() / omega);
        } else {
            line("Vl z 0 0");
        }
    }

    private void measures(Setting setting) {
        double period = 1 / setting.frequencyHz();
        double end = CYCLES * period;
        double from = (CYCLES - MEASURED_CYCLES) * period;
        line(".options reltol=1e-5 method=trap");
        line(".control");
        line("tran %g %g %g %g uic", period / STEPS_PER_CYCLE, end, from, period / STEPS_PER_CYCLE);
        line("let load = (V(y)-V(z))*(V(y)-V(z))/%g", setting.loadOhm());
        line("meas tran output AVG load from=%g to=%g", from, end);
        line("meas tran plate AVG i(Vi) from=%g to=%g", from, end);
        line("meas tran grid AVG V(gm) from=%g to=%g", from, end);
        line("meas tran supply AVG V(d) from=%g to=%g", from, end);
        line("quit");
        line(".endc");
        line(".end");
    }

    private void line(String format, Object... values) {
        lines.append(String.format(Locale.ROOT, format.replace("%g", "%.12g"), values))
                .append('\n');
    }
}
