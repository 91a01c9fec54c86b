package org.tubrin.core.hv;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleBiFunction;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;

/** The high-voltage supply against closed forms where they exist, and its laws elsewhere. */
public class HvTest {
    private static final Optional<Double> NONE = Optional.empty();
    private static final Bank BANK = new Bank(8, 220e-6, 450, 1e-3, 100e3, 0, 3, NONE);

    private static Bank bank(double resistorOhm, Optional<Double> bleederOhm) {
        return new Bank(8, 220e-6, 450, 1e-3, resistorOhm, 0.05, 3, bleederOhm);
    }

    private static Rectifier supply(Rectifier.Circuit circuit, double sourceOhm) {
        return new Rectifier(circuit, circuit == Rectifier.Circuit.BRIDGE ? 2050 : 1025, sourceOhm, 50, 4, 1600, 50);
    }

    @Test
    public void theRuleForEqualisingResistorsKeepsTheWorstCapacitorJustWithinItsRating() {
        Sharing sharing = Sharing.of(BANK, 2900);
        assertEquals(sharing.mostResistorOhm(), (8 * 450 - 2900) / (7 * 1e-3), 1e-6);
        Sharing atTheRule = Sharing.of(BANK.withResistorOhm(sharing.mostResistorOhm()), 2900);
        assertEquals(atTheRule.worstV(), 450, 1e-9);
        assertEquals(atTheRule.worstShare(), 1, 1e-12);
    }

    @Test
    public void toleranceAndLargerResistorsMakeSharingWorseAndSmallOnesGetHot() {
        double before = 0;
        for (double ohm : new double[] {10e3, 30e3, 100e3, 300e3}) {
            Sharing sharing = Sharing.of(bank(ohm, NONE), 2900);
            assertTrue(sharing.worstV() > before && sharing.worstV() >= sharing.evenV(), ohm + " ohm");
            before = sharing.worstV();
        }
        Sharing exact = Sharing.of(BANK.withResistorOhm(30e3), 2900);
        assertTrue(Sharing.of(bank(30e3, NONE), 2900).worstV() > exact.worstV(), "5 % of the resistors");
        assertTrue(Sharing.of(bank(30e3, NONE), 2900).resistorShare() > 0.5, "30 kilohm of 3 W run hot");
        assertEquals(Sharing.of(bank(100e3, NONE), 3700).mostResistorOhm(), 0.0, "too few capacitors");
    }

    @DataProvider
    public Object[][] bleeders() {
        // The last lets the whole bank go a hundred times faster than one capacitor through its resistor.
        return new Object[][] {{NONE}, {Optional.of(200e3)}, {Optional.of(50e3)}, {Optional.of(4e3)}};
    }

    @Test(dataProvider = "bleeders")
    public void capacitorsThatAreAlikeRunDownByTheClosedForm(Optional<Double> bleederOhm) {
        double string = 8 * 47e3;
        double ohm = bleederOhm.map(one -> string * one / (string + one)).orElse(string);
        double expected = ohm * 220e-6 / 8 * Math.log(2900.0 / 50);
        BleedDown down = BleedDown.of(bank(47e3, bleederOhm), 2900, 50, 0);
        assertEquals(down.terminalsS(), expected, 1e-4 * expected);
        assertEquals(down.everyCapacitorS(), expected, 1e-4 * expected, "each is far below when all are");
    }

    @Test
    public void oneOpenResistorLeavesItsCapacitorCharged() {
        BleedDown alone = BleedDown.of(bank(47e3, NONE), 2900, 50, 1);
        assertTrue(Double.isInfinite(alone.terminalsS()), "363 V stay on it for ever: " + alone);
        BleedDown whole = BleedDown.of(bank(47e3, Optional.of(200e3)), 2900, 50, 0);
        BleedDown bled = BleedDown.of(bank(47e3, Optional.of(200e3)), 2900, 50, 1);
        assertTrue(bled.terminalsS() > 1.2 * whole.terminalsS(), bled + " against " + whole);
        assertTrue(bled.everyCapacitorS() > bled.terminalsS(), "the terminals say less than one capacitor holds");
        assertTrue(bled.worstLeftV() > 50, bled.worstLeftV() + " V on one while the terminals are below");
    }

    /** Capacitor by capacitor, by an integrator that knows nothing of groups and exponentials. */
    @Test
    public void capacitorByCapacitorRunsDownAlike() {
        for (int open : new int[] {0, 1, 3}) {
            Bank bank = bank(47e3, Optional.of(200e3));
            BleedDown down = BleedDown.of(bank, 2900, 50, open);
            OrdinaryDifferentialEquation law = new OrdinaryDifferentialEquation() {
                @Override
                public int getDimension() {
                    return bank.count();
                }

                @Override
                public double[] computeDerivatives(double t, double[] volts) {
                    double whole = Arrays.stream(volts).sum();
                    double[] slopes = new double[volts.length];
                    for (int i = 0; i < volts.length; i++) {
                        double own = i < open ? 0 : volts[i] / bank.resistorOhm();
                        slopes[i] = -(own + whole / 200e3) / bank.eachF();
                    }
                    return slopes;
                }
            };
            double[] even = new double[bank.count()];
            Arrays.fill(even, 2900.0 / bank.count());
            DormandPrince853Integrator integrator = new DormandPrince853Integrator(1e-6, 10, 1e-9, 1e-10);
            double[] then = integrator
                    .integrate(law, new ODEState(0, even), down.terminalsS())
                    .getPrimaryState();
            assertEquals(Math.abs(Arrays.stream(then).sum()), 50, 1e-3, open + " open");
            assertEquals(Arrays.stream(then).map(Math::abs).max().orElseThrow(), down.worstLeftV(), 1e-3);
            double[] last = integrator
                    .integrate(law, new ODEState(0, even), down.everyCapacitorS())
                    .getPrimaryState();
            assertTrue(Arrays.stream(last).map(Math::abs).max().orElseThrow() < 50.001, open + " open");
        }
    }

    @Test
    public void moreCapacitanceOrResistanceHoldsLonger() {
        double before = 0;
        for (double ohm : new double[] {22e3, 47e3, 100e3}) {
            double s = BleedDown.of(bank(ohm, Optional.of(200e3)), 2900, 50, 0).terminalsS();
            assertTrue(s > before);
            before = s;
        }
        assertEquals(BANK.energyJ(2900), 0.5 * 27.5e-6 * 2900 * 2900, 1e-9);
        assertEquals(BleedDown.of(BANK, 40, 50, 0).terminalsS(), 0.0, "already below");
    }

    @Test
    public void aStiffBridgeRipplesByTheClosedForm() {
        Bank large = new Bank(8, 2200e-6, 450, 1e-3, 100e3, 0, 3, NONE);
        UnderLoad load = UnderLoad.of(supply(Rectifier.Circuit.BRIDGE, 2), large, 0.5);
        assertTrue(load.settled(), load.toString());
        double closed = 0.5 / (2 * 50 * large.wholeF());
        assertEquals(load.ripplePeakToPeakV() / closed, 1, 0.12, "charging takes a part of each half cycle");
        assertTrue(load.ripplePeakToPeakV() < closed, "and shortens the time of discharge");
    }

    @Test
    public void rippleHalvesWhenCapacitanceDoubles() {
        for (Rectifier.Circuit circuit : Rectifier.Circuit.values()) {
            Rectifier rectifier = supply(circuit, 20);
            double one = UnderLoad.of(rectifier, new Bank(8, 470e-6, 450, 0, 100e3, 0, 3, NONE), 0.5)
                    .ripplePeakToPeakV();
            double two = UnderLoad.of(rectifier, new Bank(8, 940e-6, 450, 0, 100e3, 0, 3, NONE), 0.5)
                    .ripplePeakToPeakV();
            assertEquals(two / one, 0.5, 0.05, circuit.toString());
        }
    }

    @Test
    public void sagGrowsWithCurrentAndADoublerSagsMoreThanABridge() {
        Rectifier bridge = supply(Rectifier.Circuit.BRIDGE, 40);
        Rectifier doubler = supply(Rectifier.Circuit.DOUBLER, 40);
        assertEquals(bridge.openV(), doubler.openV(), 1e-9);
        double before = -1;
        for (double currentA : new double[] {0, 0.1, 0.3, 0.6}) {
            UnderLoad load = UnderLoad.of(bridge, BANK, currentA);
            assertTrue(load.settled() && load.sag(bridge) > before, currentA + " A: " + load);
            before = load.sag(bridge);
        }
        assertTrue(UnderLoad.of(doubler, BANK, 0.6).sag(doubler) > before, "each half is charged once a cycle");
    }

    @Test
    public void chargeInAndOutBalance() {
        // Through the source flows on average what the load takes; its resistance cannot drop less than that.
        Rectifier bridge = supply(Rectifier.Circuit.BRIDGE, 40);
        UnderLoad load = UnderLoad.of(bridge, BANK, 0.6);
        assertTrue(bridge.openV() - load.meanV() > 40 * 0.6, "peaks of charge drop more than the mean would");
        assertTrue(load.chargePeakA() > 2 * 0.6 && load.chargePeakA() < 20 * 0.6, load.toString());
    }

    @Test
    public void withoutASoftStartOnlyTheSourceHoldsTheInrush() {
        Rectifier bridge = supply(Rectifier.Circuit.BRIDGE, 20);
        Inrush hard = Inrush.of(bridge, BANK, 0, 230);
        assertEquals(hard.peakA(), bridge.peakV() / 20, 1e-6, "empty capacitors are a short");
        assertEquals(hard.primaryPeakA(), hard.peakA() * 2050 / 230, 1e-6);
        assertEquals(hard.resistorEnergyJ(), 0.0, 1e-12);
        Inrush soft = Inrush.of(bridge, BANK, 2000, 230);
        assertEquals(soft.peakA(), bridge.peakV() / 2020, 1e-6);
        assertTrue(soft.chargedS() > hard.chargedS() && soft.chargedS() < 5, soft.toString());
        double stored = BANK.energyJ(0.9 * bridge.openV());
        assertTrue(
                soft.resistorEnergyJ() > 0.8 * stored && soft.resistorEnergyJ() < 3 * stored,
                "about what is stored: " + soft.resistorEnergyJ() + " of " + stored);
    }

    @Test
    public void diodesOfADoublerBlockTwiceThePeak() {
        Rectifier doubler = supply(Rectifier.Circuit.DOUBLER, 20);
        assertEquals(doubler.inverseV(), 2 * Math.sqrt(2) * 1025, 1e-9);
        assertEquals(doubler.inverseShare(), doubler.inverseV() / 6400, 1e-12);
    }

    @Test
    public void impossibleFiguresAreRefusedByName() {
        Refused refused = refused(() -> new Bank(0, 1, 450, 1e-3, 47e3, 0, 3, NONE));
        assertEquals(refused.problems().size(), 2, refused.toString());
        assertEquals(refused.problems().get(0).path(), "count");
        assertEquals(refused.problems().get(1).path(), "eachF");
        assertFalse(
                refused(() -> supply(Rectifier.Circuit.BRIDGE, 0)).problems().isEmpty());
    }

    private static Refused refused(Runnable makes) {
        try {
            makes.run();
        } catch (Refused refused) {
            return refused;
        }
        throw new AssertionError("nothing was refused");
    }

    @Test
    public void aBleederThatIsNotThereIsNoBadFigure() {
        assertThrows(Refused.class, () -> bank(47e3, Optional.of(1.0)));
    }

    private static HighVoltage brigantine(double resistorOhm, double ratedV, Optional<HighVoltage.SoftStart> soft) {
        Rectifier bridge = new Rectifier(Rectifier.Circuit.BRIDGE, 1980, 60, 50, 6, 1000, 60);
        return new HighVoltage(
                "Brigantine", bridge, new Bank(8, 220e-6, ratedV, 1e-3, resistorOhm, 0.05, 10, NONE), 0.6, 230, soft);
    }

    private static List<HighVoltage.Fault> faults(HighVoltage supply) {
        return supply.faults(supply.judged());
    }

    @Test
    public void aSoundHighVoltageSupplyHasNothingAgainstItAndEachWeakPartIsNamed() {
        Optional<HighVoltage.SoftStart> soft = Optional.of(new HighVoltage.SoftStart(22, 500, 3));
        assertEquals(faults(brigantine(47e3, 500, soft)), List.of());
        // At +10 % 3080 V: (3080 + 7·1 mA·44.65 kΩ)/(49.35 + 7·44.65 kΩ)·49.35 kΩ = 463 V on 450 V parts.
        HighVoltage tight = brigantine(47e3, 450, soft);
        assertEquals(faults(tight), List.of(HighVoltage.Fault.CAPACITOR_OVER));
        assertEquals(
                HighVoltage.Fault.CAPACITOR_OVER.held(tight, tight.judged()).found(), 462.7, 0.5);
        assertEquals(tight.judged().underLoad().chargePeakA(), 3.59, 0.01);
        assertEquals(faults(brigantine(47e3, 350, soft)).get(0), HighVoltage.Fault.CAPACITOR_OVER);
        assertTrue(faults(brigantine(400e3, 450, soft)).contains(HighVoltage.Fault.RESISTOR_LARGE));
        assertTrue(faults(brigantine(22e3, 450, soft)).contains(HighVoltage.Fault.RESISTOR_HOT));
        assertTrue(faults(brigantine(47e3, 450, Optional.of(new HighVoltage.SoftStart(22, 20, 3))))
                .contains(HighVoltage.Fault.SOFT_START_ENERGY));
        assertTrue(faults(brigantine(47e3, 450, Optional.of(new HighVoltage.SoftStart(220, 500, 0.1))))
                .contains(HighVoltage.Fault.SOFT_START_SHORT));
    }

    @Test
    public void aSoftStartHoldsTheInrushDownAndAnOpenResistorKeepsItsCapacitorCharged() {
        HighVoltage.Findings with = brigantine(47e3, 450, Optional.of(new HighVoltage.SoftStart(22, 500, 3)))
                .judged();
        double peakV = Math.sqrt(2) * 1980;
        assertEquals(with.atOnce().peakA(), peakV / 60, 0.02 * peakV / 60);
        assertTrue(with.softly().orElseThrow().peakA() < with.atOnce().peakA() / 10, with.toString());
        assertTrue(Double.isInfinite(with.oneOpen().everyCapacitorS())
                && with.oneOpen().worstLeftV() > 300);
        assertTrue(with.underLoad().meanV() < 2800 && with.underLoad().settled());
    }

    @Test
    public void theCourseAfterSwitchOffMeetsTheIntegratorWhereFiftyVoltsAreLeft() {
        HighVoltage supply = brigantine(47e3, 450, Optional.empty());
        HighVoltage.Findings judged = supply.judged();
        double lowAfterS = judged.allWork().terminalsS();
        for (HighVoltage.Point point : judged.course()) {
            double volts = Math.sqrt(2) * 1980 * Math.exp(-point.atS() / (47e3 * 220e-6));
            assertEquals(point.volts(), volts, 0.01 * volts, "at " + point.atS() + " s");
        }
        assertTrue(judged.slowestS() > lowAfterS, "capacitors above their mark hold longer");
        assertTrue(judged.softly().isEmpty());
    }

    @Test
    public void eachFigureIsAsUnsureAsThePartsThatItHangsOn() {
        HighVoltage supply = brigantine(47e3, 450, Optional.of(new HighVoltage.SoftStart(22, 500, 3)));
        Spread spread = Spread.of(supply);
        double capacitors = 0.2 / Math.sqrt(3);
        Quantity energy = figure(
                spread,
                Unit.JOULE,
                (of, judged) -> of.bank().energyJ(of.rectifier().openV()));
        assertEquals(share(energy), Math.hypot(capacitors, 1.03 * 1.03 - 1), 1e-9, "C and V squared");
        Quantity bleed =
                figure(spread, Unit.SECOND, (of, judged) -> judged.allWork().terminalsS());
        double byLine = Math.log(1.03) / Math.log(Math.sqrt(2) * 1980 / 50);
        double closed = Math.hypot(byLine, Math.hypot(capacitors, 0.05 / Math.sqrt(3)));
        assertEquals(share(bleed), closed, 0.001, "R, C and the line's logarithm");
        Quantity inrush =
                figure(spread, Unit.AMPERE, (of, judged) -> judged.atOnce().peakA());
        assertEquals(share(inrush), Math.hypot(0.03, 1 - 1 / 1.1), 0.001, "only line and source hold it");
        assertTrue(
                spread.figure(Unit.SECOND, (of, judged) -> judged.oneOpen().everyCapacitorS())
                        .isEmpty(),
                "never is not a figure");
        Quantity worst = spread.figure(HighVoltage.Fault.CAPACITOR_OVER).orElseThrow();
        assertEquals(worst.value(), spread.judged().sharing().worstV());
        assertTrue(share(worst) > 0.02 && share(worst) < 0.04, worst.toString());
        assertTrue(spread.figure(HighVoltage.Fault.SOFT_START_ENERGY).isPresent());
    }

    @Test
    public void aTimeThatAPartOffWouldMakeEndlessIsNotTold() {
        // Charged just before the end of what is looked at; with more capacitance it would not be.
        double ohm = 1;
        HighVoltage supply = slow(ohm);
        while (Double.isFinite(supply.judged().softly().orElseThrow().chargedS())) {
            ohm *= 1.1;
            supply = slow(ohm);
        }
        Spread spread = Spread.of(slow(ohm / 1.1));
        assertTrue(Double.isFinite(spread.judged().softly().orElseThrow().chargedS()));
        assertTrue(
                spread.figure(Unit.SECOND, (of, as) -> as.softly().orElseThrow().chargedS())
                        .isEmpty());
        assertTrue(spread.figure(
                        Unit.JOULE, (of, as) -> of.bank().energyJ(of.rectifier().openV()))
                .isPresent());
    }

    private static HighVoltage slow(double softStartOhm) {
        return new HighVoltage(
                "Slow",
                new Rectifier(Rectifier.Circuit.BRIDGE, 1980, 60, 50, 6, 1000, 60),
                new Bank(2, 0.025, 450, 1e-3, 47e3, 0.05, 10, NONE),
                0.6,
                230,
                Optional.of(new HighVoltage.SoftStart(softStartOhm, 500, 3)));
    }

    @Test
    public void aSpreadIsToldAtTheEndOfARangeToo() {
        Rectifier most = new Rectifier(Rectifier.Circuit.BRIDGE, 10_000, 10_000, 50, 40, 20_000, 60);
        HighVoltage supply = new HighVoltage(
                "Most", most, new Bank(40, 1e-4, 450, 1e-3, 1e7, 0.05, 10, NONE), 20, 480, Optional.empty());
        Quantity open = figure(
                Spread.of(supply), Unit.VOLT, (of, judged) -> of.rectifier().openV());
        assertEquals(share(open), 0.03, 1e-9);
    }

    private static Quantity figure(Spread spread, Unit unit, ToDoubleBiFunction<HighVoltage, HighVoltage.Findings> of) {
        return spread.figure(unit, of).orElseThrow();
    }

    private static double share(Quantity figure) {
        return figure.standardUncertainty() / figure.value();
    }

    @Test
    public void whatAHighVoltageSupplyCannotBeIsRefusedByName() {
        Refused refused = refused(() -> new HighVoltage(
                "",
                new Rectifier(Rectifier.Circuit.BRIDGE, 1980, 60, 50, 6, 1000, 60),
                bank(47e3, NONE),
                -1,
                12,
                Optional.empty()));
        assertEquals(
                refused.problems().stream().map(problem -> problem.path()).toList(),
                List.of("name", "loadA", "primaryRmsV"));
    }
}
