package org.tubrin.core.hv;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
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
    static final double CAPACITOR_TOLERANCE = 0.2;

    /** By how much the mains may lie above its nominal voltage. Source: EN 50160, 4.2.2.2. */
    public static final double LINE_TOLERANCE = 0.1;

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
        CAPACITOR_OVER(Unit.VOLT),
        /** The equalising resistors are too large to hold the capacitors alike. */
        RESISTOR_LARGE(Unit.OHM),
        /** An equalising resistor works at more than half of what it bears. */
        RESISTOR_HOT(Unit.ONE),
        /** The diodes block with too little in hand. */
        DIODES_INVERSE(Unit.ONE),
        /** More flows at switch-on than the diodes bear for half a cycle. */
        DIODES_SURGE(Unit.AMPERE),
        /** The soft start's resistor takes more energy than it bears. */
        SOFT_START_ENERGY(Unit.JOULE),
        /** The soft start ends before the capacitors are charged. */
        SOFT_START_SHORT(Unit.SECOND);

        private final Unit unit;

        Fault(Unit unit) {
            this.unit = unit;
        }

        /** Returns the unit of the figure and of what it is held against; a share where it is one. */
        public Unit unit() {
            return unit;
        }

        /** Returns the figure and what it is held against; not a number where the supply has no such part. */
        public Held held(HighVoltage supply, Findings judged) {
            Sharing sharing = judged.sharing();
            return switch (this) {
                case CAPACITOR_OVER -> new Held(sharing.worstV(), supply.bank().eachRatedV());
                // Where no resistor would do, there are too few capacitors.
                case RESISTOR_LARGE ->
                    new Held(
                            sharing.mostResistorOhm() > 0 ? supply.bank().resistorOhm() : Double.NaN,
                            sharing.mostResistorOhm());
                case RESISTOR_HOT -> new Held(sharing.resistorShare(), HOT_SHARE);
                case DIODES_INVERSE -> new Held(supply.rectifier().inverseShare(), IN_HAND);
                case DIODES_SURGE ->
                    new Held(
                            judged.softly().orElse(judged.atOnce()).peakA(),
                            supply.rectifier().diodeSurgeA());
                case SOFT_START_ENERGY ->
                    new Held(
                            judged.softly().map(Inrush::resistorEnergyJ).orElse(Double.NaN),
                            supply.softStart().map(SoftStart::ratedJ).orElse(Double.NaN));
                case SOFT_START_SHORT ->
                    new Held(
                            judged.softly().map(Inrush::chargedS).orElse(Double.NaN),
                            supply.softStart().map(SoftStart::bridgedAfterS).orElse(Double.NaN));
            };
        }
    }

    /** A figure and what it is held against. */
    public record Held(double found, double bound) {
        boolean isBeyond() {
            return found > bound;
        }
    }

    /** A moment after switch-off. */
    public record Point(double atS, double volts) {}

    /**
     * What a supply comes to.
     *
     * @param sharing without load and with the line at the top of its tolerance, where the voltage is highest
     * @param allWork how long it holds its voltage if every resistor works
     * @param oneOpen the same with one equalising resistor open
     * @param underLoad at full output
     * @param atOnce what flows at switch-on without a soft start
     * @param softly the same with it; absent where there is none
     * @param slowestS the same as the first, with capacitors at the top of their tolerance
     * @param course voltage after switch-off if every resistor works, in equal steps of time
     */
    public record Findings(
            Sharing sharing,
            BleedDown allWork,
            BleedDown oneOpen,
            UnderLoad underLoad,
            Inrush atOnce,
            Optional<Inrush> softly,
            double slowestS,
            List<Point> course) {
        public Findings {
            course = List.copyOf(course);
        }
    }

    /** Returns the same with another transformer or bank. */
    HighVoltage with(Rectifier otherRectifier, Bank otherBank) {
        return new HighVoltage(name, otherRectifier, otherBank, loadA, primaryRmsV, softStart);
    }

    /** Returns what it comes to. Cost: some hundred cycles of the mains, integrated. */
    public Findings judged() {
        double openV = rectifier.openV();
        double ratio = rectifier.secondaryRmsV() / primaryRmsV;
        Optional<Inrush> softly =
                softStart.map(one -> Inrush.of(rectifier, bank, one.ohm() * ratio * ratio, primaryRmsV));
        BleedDown allWork = BleedDown.of(bank, openV, LOW_V, 0);
        return new Findings(
                Sharing.of(bank, (1 + LINE_TOLERANCE) * openV),
                allWork,
                BleedDown.of(bank, openV, LOW_V, 1),
                UnderLoad.of(rectifier, bank, loadA),
                Inrush.of(rectifier, bank, 0, primaryRmsV),
                softly,
                allWork.terminalsS() * (1 + CAPACITOR_TOLERANCE),
                course(openV, allWork.terminalsS()));
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

    /** Returns what is beyond what it bears, the gravest first. */
    public List<Fault> faults(Findings judged) {
        return Stream.of(Fault.values())
                .filter(fault -> fault.held(this, judged).isBeyond())
                .toList();
    }
}
