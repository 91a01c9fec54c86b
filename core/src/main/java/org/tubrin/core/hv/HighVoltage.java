package org.tubrin.core.hv;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * An amplifier's high-voltage supply, whole.
 *
 * @param name what it is kept as
 * @param rectifier transformer and rectifier
 * @param bank its capacitors
 * @param loadA direct current at full output, 0 to 20 A
 * @param primaryRmsV voltage of the mains, 90 to 480 V
 * @param softStart absent where there is none
 */
public record HighVoltage(
        String name, Rectifier rectifier, Bank bank, double loadA, double primaryRmsV, Optional<SoftStart> softStart) {
    /** Below this a bank is left to be measured and shorted, in volts. */
    public static final double LOW_V = 50;

    private static final double HOT_SHARE = 0.5;
    private static final double IN_HAND = 0.8;
    /** By how much the capacitance of electrolytic capacitors may lie above its mark. */
    private static final double CAPACITOR_TOLERANCE = 0.2;

    private static final int COURSE_POINTS = 40;
    private static final double BEYOND_LOW = 1.25;

    public HighVoltage {
        new Checks()
                .name("name", name)
                .range("loadA", loadA, 0, 20, Unit.AMPERE)
                .range("primaryRmsV", primaryRmsV, 90, 480, Unit.VOLT)
                .done();
    }

    /**
     * A resistor in the primary at switch-on.
     *
     * @param ohm 0.1 to 1000 Ω
     * @param ratedJ energy that it bears at once, 1 to 100 000 J
     * @param bridgedAfterS when it is taken out, 0.05 to 30 s
     */
    public record SoftStart(double ohm, double ratedJ, double bridgedAfterS) {
        public SoftStart {
            new Checks()
                    .range("ohm", ohm, 0.1, 1000, Unit.OHM)
                    .range("ratedJ", ratedJ, 1, 100_000, Unit.JOULE)
                    .range("bridgedAfterS", bridgedAfterS, 0.05, 30, Unit.SECOND)
                    .done();
        }
    }

    /** What can be beyond what a part bears, the gravest first. */
    public enum Fault {
        /** One capacitor would stand above its rating in the worst case. */
        CAPACITOR_OVER,
        /** The equalising resistors are too large to hold the capacitors alike. */
        RESISTOR_LARGE,
        /** An equalising resistor works at more than half of what it bears. */
        RESISTOR_HOT,
        /** The diodes block with too little in hand. */
        DIODES_INVERSE,
        /** More flows at switch-on than the diodes bear for half a cycle. */
        DIODES_SURGE,
        /** The soft start's resistor takes more energy than it bears. */
        SOFT_START_ENERGY,
        /** The soft start ends before the capacitors are charged. */
        SOFT_START_SHORT
    }

    /**
     * A part beyond what it bears.
     *
     * @param fault which
     * @param found the figure, in the SI unit of what it is held against; a share for resistors and diodes
     * @param bound what it is held against
     */
    public record Finding(Fault fault, double found, double bound) {}

    /** A moment after switch-off. */
    public record Point(double atS, double volts) {}

    /**
     * What a supply comes to.
     *
     * @param sharing without load, where the voltage is highest
     * @param allWork how long it holds its voltage if every resistor works
     * @param oneOpen the same with one equalising resistor open
     * @param underLoad at full output
     * @param atOnce what flows at switch-on without a soft start
     * @param softly the same with it; absent where there is none
     * @param slowestS the same as the first, with capacitors at the top of their tolerance
     * @param course voltage after switch-off if every resistor works, in equal steps of time
     * @param findings the gravest first
     */
    public record Judgement(
            Sharing sharing,
            BleedDown allWork,
            BleedDown oneOpen,
            UnderLoad underLoad,
            Inrush atOnce,
            Optional<Inrush> softly,
            double slowestS,
            List<Point> course,
            List<Finding> findings) {
        public Judgement {
            course = List.copyOf(course);
            findings = List.copyOf(findings);
        }
    }

    /** Returns what it comes to. Cost: some hundred cycles of the mains, integrated. */
    public Judgement judged() {
        double openV = rectifier.openV();
        Sharing sharing = Sharing.of(bank, openV);
        Inrush atOnce = Inrush.of(rectifier, bank, 0, primaryRmsV);
        double ratio = rectifier.secondaryRmsV() / primaryRmsV;
        Optional<Inrush> softly =
                softStart.map(one -> Inrush.of(rectifier, bank, one.ohm() * ratio * ratio, primaryRmsV));
        BleedDown allWork = BleedDown.of(bank, openV, LOW_V, 0);
        return new Judgement(
                sharing,
                allWork,
                BleedDown.of(bank, openV, LOW_V, 1),
                UnderLoad.of(rectifier, bank, loadA),
                atOnce,
                softly,
                allWork.terminalsS() * (1 + CAPACITOR_TOLERANCE),
                course(openV, allWork.terminalsS()),
                findings(sharing, atOnce, softly));
    }

    /** With capacitors that are alike the whole bank falls as one exponential. */
    private List<Point> course(double openV, double lowAfterS) {
        List<Point> course = new ArrayList<>();
        for (int i = 0; i <= COURSE_POINTS; i++) {
            double share = BEYOND_LOW * i / COURSE_POINTS;
            course.add(new Point(share * lowAfterS, openV * Math.pow(LOW_V / openV, share)));
        }
        return course;
    }

    private List<Finding> findings(Sharing sharing, Inrush atOnce, Optional<Inrush> softly) {
        List<Finding> found = new ArrayList<>();
        above(found, Fault.CAPACITOR_OVER, sharing.worstV(), bank.eachRatedV());
        if (sharing.mostResistorOhm() > 0) {
            above(found, Fault.RESISTOR_LARGE, bank.resistorOhm(), sharing.mostResistorOhm());
        }
        above(found, Fault.RESISTOR_HOT, sharing.resistorShare(), HOT_SHARE);
        above(found, Fault.DIODES_INVERSE, rectifier.inverseShare(), IN_HAND);
        above(found, Fault.DIODES_SURGE, softly.orElse(atOnce).peakA(), rectifier.diodeSurgeA());
        softStart.ifPresent(resistor -> softly.ifPresent(inrush -> {
            above(found, Fault.SOFT_START_ENERGY, inrush.resistorEnergyJ(), resistor.ratedJ());
            above(found, Fault.SOFT_START_SHORT, inrush.chargedS(), resistor.bridgedAfterS());
        }));
        return found;
    }

    private static void above(List<Finding> found, Fault fault, double value, double bound) {
        if (value > bound) {
            found.add(new Finding(fault, value, bound));
        }
    }
}
