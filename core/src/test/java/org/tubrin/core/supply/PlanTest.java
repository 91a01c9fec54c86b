package org.tubrin.core.supply;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Battery;
import org.tubrin.core.station.Envelope;
import org.tubrin.core.station.Supply;

/** Whole plans: one that carries, and each fault where it is and a near case where it is not. */
public class PlanTest {
    private static final Supply WINDLASS = SupplyTest.WINDLASS;
    private static final Plan.Lead LEAD = new Plan.Lead(1.5, 10e-6, 30, 25, 0.003, 0.003);

    private static Plan plan(Supply supply, Plan.Lead lead, double peakEnvelopeW) {
        Box halyard = new Box.Transmitting(
                "Halyard 100", ProfileTest.halyard(), 12.42, 15, Optional.of(25.0), Optional.empty());
        Box computer = new Box.Steady("computer", 1.9, Optional.of(3.0), Optional.empty());
        return new Plan(
                "Skerry",
                supply,
                List.of(halyard, computer),
                List.of(
                        new Stretch("Halyard 100", 0, 300, Envelope.slotted(), 0.5 * peakEnvelopeW),
                        new Stretch("Halyard 100", 320, 120, Envelope.speech(), peakEnvelopeW)),
                lead,
                new MainsSide.Circuit(230, 16, 0.8, 0),
                3,
                0.3,
                Optional.of(new Plan.Standby(
                        new Battery("Keel 100", Battery.Chemistry.LITHIUM_IRON_PHOSPHATE, 4, 360_000, 20, 0.012),
                        0,
                        20)),
                List.of());
    }

    private static Supply rated(double continuousA, double intermittentA, double voltageV) {
        return new Supply(
                "S",
                Supply.Kind.LINEAR,
                voltageV,
                0.002,
                continuousA,
                intermittentA,
                0.5,
                0.55,
                0.7,
                10,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static List<PlanJudgement.Fault> faults(Plan plan) {
        return PlanJudgement.of(plan, Optional.empty()).findings().stream()
                .map(PlanJudgement.Finding::fault)
                .collect(Collectors.toList());
    }

    @Test
    public void aSoundPlanHasNothingAgainstItAndEveryAnswer() {
        PlanJudgement judgement = PlanJudgement.of(plan(WINDLASS, LEAD, 100), Optional.empty());
        assertTrue(judgement.findings().isEmpty(), judgement.findings().toString());
        assertEquals(judgement.tenMinutes().peakA().value(), 21 + 1.9, 1e-9);
        assertEquals(judgement.sizing().needs().size(), 3);
        assertTrue(judgement.stair().orElseThrow().atTheSetV().value() > 13, judgement.toString());
        assertTrue(judgement.outputKeptShare().orElseThrow().value() > 0.9);
        assertTrue(judgement.runDown().orElseThrow().runtimeS() > 3600, "an hour at least");
        assertTrue(judgement.mains().averageHeatW().value() > 0);
    }

    @DataProvider
    public Object[][] faultsAndNearCases() {
        return new Object[][] {
            {PlanJudgement.Fault.SUPPLY_PEAK, rated(20, 21, 13.8), LEAD, rated(20, 25, 13.8), LEAD},
            {PlanJudgement.Fault.SUPPLY_AVERAGE, rated(5, 40, 13.8), LEAD, rated(12, 40, 13.8), LEAD},
            {
                PlanJudgement.Fault.VOLTAGE_LOW,
                WINDLASS,
                new Plan.Lead(4, 2.5e-6, 30, 25, 0.003, 0.003),
                WINDLASS,
                new Plan.Lead(4, 25e-6, 30, 25, 0.003, 0.003)
            },
            {
                PlanJudgement.Fault.LEAD_THIN,
                WINDLASS,
                new Plan.Lead(2.5, 4e-6, 30, 25, 0.002, 0.002),
                WINDLASS,
                new Plan.Lead(2.5, 16e-6, 30, 25, 0.002, 0.002)
            },
            {
                PlanJudgement.Fault.LEAD_HOT,
                WINDLASS,
                new Plan.Lead(0.2, 0.3e-6, 50, 25, 0.002, 0.002),
                WINDLASS,
                new Plan.Lead(0.2, 2.5e-6, 50, 25, 0.002, 0.002)
            },
            {PlanJudgement.Fault.FUSE_SMALL, WINDLASS, new Plan.Lead(1.5, 10e-6, 30, 20, 0.003, 0.003), WINDLASS, LEAD},
            {PlanJudgement.Fault.FUSE_LARGE, WINDLASS, new Plan.Lead(1.5, 10e-6, 30, 80, 0.003, 0.003), WINDLASS, LEAD},
            {PlanJudgement.Fault.VOLTAGE_HIGH, rated(40, 40, 16), LEAD, rated(40, 40, 14.5), LEAD},
        };
    }

    @Test(dataProvider = "faultsAndNearCases")
    public void eachFaultIsFoundWhereItIsAndNotNearby(
            PlanJudgement.Fault fault, Supply supply, Plan.Lead lead, Supply near, Plan.Lead nearLead) {
        assertTrue(
                faults(plan(supply, lead, 100)).contains(fault),
                faults(plan(supply, lead, 100)).toString());
        assertTrue(
                !faults(plan(near, nearLead, 100)).contains(fault),
                faults(plan(near, nearLead, 100)).toString());
        assertTrue(
                !faults(plan(supply, lead, 100))
                        .containsAll(List.of(PlanJudgement.Fault.VOLTAGE_LOW, PlanJudgement.Fault.LEAD_THIN)),
                "a lead with which the set does not work is not merely thin");
    }

    @Test
    public void theLeadItNamesMendsAThinOne() {
        Plan.Lead thin = new Plan.Lead(4, 2.5e-6, 30, 25, 0.003, 0.003);
        PlanJudgement before = PlanJudgement.of(plan(WINDLASS, thin, 100), Optional.empty());
        Conductor.Choice choice = before.lead().orElseThrow();
        assertEquals(choice.governs(), Conductor.Rule.DROP);
        assertEquals(before.stair().orElseThrow().steepest().cause(), VoltageStair.Cause.LEAD_OUT);
        Plan.Lead mended = new Plan.Lead(4, choice.areaM2(), 30, 25, 0.003, 0.003);
        List<PlanJudgement.Fault> after = faults(plan(WINDLASS, mended, 100));
        assertTrue(after.isEmpty(), "with " + choice.areaM2() + ": " + after);
        assertTrue(PlanJudgement.of(plan(WINDLASS, mended, 100), Optional.empty())
                        .outputKeptShare()
                        .orElseThrow()
                        .value()
                > before.outputKeptShare().orElseThrow().value());
    }

    @Test
    public void lessDriveNeverMakesAPlanWorse() {
        double peak = 0;
        double wall = 0;
        double runtime = Double.MAX_VALUE;
        double atSet = Double.MAX_VALUE;
        for (double watt = 10; watt <= 100; watt += 10) {
            PlanJudgement judgement = PlanJudgement.of(plan(WINDLASS, LEAD, watt), Optional.empty());
            assertTrue(judgement.tenMinutes().peakA().value() >= peak);
            assertTrue(judgement.mains().peakW().value() >= wall);
            assertTrue(judgement.runDown().orElseThrow().runtimeS() <= runtime);
            assertTrue(judgement.stair().orElseThrow().atTheSetV().value() <= atSet);
            peak = judgement.tenMinutes().peakA().value();
            wall = judgement.mains().peakW().value();
            runtime = judgement.runDown().orElseThrow().runtimeS();
            atSet = judgement.stair().orElseThrow().atTheSetV().value();
        }
    }

    @Test
    public void anEmptyPlanIsJudgedAndNothingIsWrongWithIt() {
        Plan empty = new Plan(
                "New",
                WINDLASS,
                List.of(),
                List.of(),
                LEAD,
                new MainsSide.Circuit(230, 16, 0.8, 0),
                1,
                0.3,
                Optional.empty(),
                List.of());
        PlanJudgement judgement = PlanJudgement.of(empty, Optional.empty());
        assertTrue(judgement.findings().isEmpty()
                && judgement.stair().isEmpty()
                && judgement.sizing().needs().isEmpty());
    }

    @Test
    public void stretchesThatOverlapOrNameNobodyAreRefused() {
        Box halyard = new Box.Transmitting(
                "Halyard 100", ProfileTest.halyard(), 12.42, 15, Optional.empty(), Optional.empty());
        try {
            new Plan(
                    "P",
                    WINDLASS,
                    List.of(halyard),
                    List.of(
                            new Stretch("Halyard 100", 0, 100, Envelope.speech(), 100),
                            new Stretch("Halyard 100", 50, 100, Envelope.speech(), 100),
                            new Stretch("Nobody", 300, 100, Envelope.speech(), 100)),
                    LEAD,
                    new MainsSide.Circuit(230, 16, 0.8, 0),
                    1,
                    0.3,
                    Optional.empty(),
                    List.of());
        } catch (Refused refused) {
            assertEquals(refused.problems().get(0).path(), "pattern.1.fromS");
            assertEquals(refused.problems().get(1).path(), "pattern.2.box");
            return;
        }
        throw new AssertionError("nothing was refused");
    }

    @Test
    public void aVoltageThatRoseOnTransmissionIsTheGravestOfAll() {
        Quantity rise =
                Quantity.of(0.4, Unit.VOLT, Standing.MEASURED, new ErrorSource("supply", "voltage", "keyed"), 0.05);
        Plan thin = plan(WINDLASS, new Plan.Lead(4, 2.5e-6, 30, 25, 0.003, 0.003), 100);
        List<PlanJudgement.Finding> findings =
                PlanJudgement.of(thin, Optional.of(rise)).findings();
        assertEquals(findings.get(0).fault(), PlanJudgement.Fault.SUPPLY_RISES);
        assertEquals(findings.size(), faults(thin).size() + 1);
    }

    @Test
    public void aSecondProfileAtALowerVoltageSaysHowMuchOutputTheLeadCosts() {
        CurrentProfile high = ProfileTest.halyard();
        CurrentProfile low = new CurrentProfile(
                high.set(),
                12,
                high.listeningA(),
                high.points().stream()
                        .map(point -> new CurrentPoint(0.55 * point.outputW(), point.currentA(), 0.1, 0))
                        .toList());
        Box.Transmitting set = new Box.Transmitting("H", high, 11, 15, Optional.empty(), Optional.of(low));
        assertEquals(set.fall().exponent().standing(), Standing.MEASURED);
        Quantity twelve = Quantity.exact(12, Unit.VOLT, Standing.ASSUMED);
        assertEquals(set.fall().shareAt(twelve).value() * high.greatestW(), low.greatestW(), 1e-9);
    }

    @Test
    public void theHeatOfAModeIsWhatTheWallGivesLessWhatIsRadiated() {
        PlanJudgement judgement = PlanJudgement.of(plan(WINDLASS, LEAD, 100), Optional.empty());
        assertEquals(judgement.modes().size(), DrawMode.values().length);
        ModeUse key = judgement.modes().get(DrawMode.CONSTANT.ordinal());
        assertEquals(key.mains().averageHeatW().value(), key.mains().averageW().value() - 100, 1e-9);
        for (ModeUse use : judgement.modes()) {
            assertTrue(use.mains().averageW().value() <= key.mains().averageW().value(), use.mode() + " at the wall");
        }
    }

    @Test
    public void onItsBatteryASetLosesOutputAndAChargerAddsTime() {
        Plan plain = plan(WINDLASS, LEAD, 100);
        Plan.Standby standby = plain.battery().orElseThrow();
        Plan charged = new Plan(
                plain.name(),
                plain.supply(),
                plain.boxes(),
                plain.pattern(),
                plain.lead(),
                plain.circuit(),
                plain.hoursPerDay(),
                plain.pricePerKilowattHour(),
                Optional.of(new Plan.Standby(standby.battery(), 4, 20)),
                List.of());
        PlanJudgement judgement = PlanJudgement.of(charged, Optional.empty());
        PlanJudgement.OnBattery on = judgement.standby().orElseThrow();
        assertTrue(on.outputEndShare().value() < on.outputFullShare().value(), on.toString());
        assertTrue(on.outputFullShare().value() < 1 && on.outputFullShare().standardUncertainty() > 0, on.toString());
        double aloneS = on.aloneS().orElseThrow().value();
        assertTrue(aloneS < judgement.runDown().orElseThrow().runtimeS());
        double alone = PlanJudgement.of(plain, Optional.empty())
                .runDown()
                .orElseThrow()
                .runtimeS();
        assertEquals(aloneS, alone, 1e-6);
    }

    @Test
    public void ownDutyGivesBackTheShareThatMadeTheAverage() {
        CurrentProfile profile = ProfileTest.halyard();
        for (double share : new double[] {0.1, 0.45, 1}) {
            Quantity average =
                    Draw.of(profile, new Envelope.Keyed(share, 0.06), 80).averageA();
            assertEquals(OwnDuty.of(profile, 80, average).value(), share, 1e-9);
        }
    }

    @Test
    public void aMeasuredSetNeedsWhatSuchSetsNeed() {
        Box.Transmitting mobile = Box.Transmitting.customary(ProfileTest.halyard());
        assertEquals(mobile.leastV(), 11.7);
        assertEquals(mobile.mostV(), 15.8);
        CurrentProfile fifty =
                new CurrentProfile("Ketch 600", 50, 0.6, ProfileTest.halyard().points());
        Box.Transmitting large = Box.Transmitting.customary(fifty);
        assertEquals(large.leastV(), 44, 1e-9);
        assertEquals(large.mostV(), 52.5, 1e-9);
    }

    @Test
    public void aSupplySuitsBySetsVoltageAndItsPriceIsToldByTheAmpere() {
        Plan plan = plan(WINDLASS, LEAD, 100);
        assertTrue(plan.suits(rated(5, 5, 13.8)) && !plan.suits(rated(20, 20, 24)) && !plan.suits(rated(20, 20, 12)));
        assertTrue(rated(20, 20, 13.8).pricePerAmpere().isEmpty());
        assertTrue(plan.suits(SupplyTest.settable(18, 13, 20)), "it can be turned down");
        assertTrue(!plan.suits(rated(20, 20, 18)));
    }

    @DataProvider
    public Object[][] widths() {
        return new Object[][] {{1.5e-6}, {2.5e-6}, {6e-6}, {16e-6}};
    }

    @Test(dataProvider = "widths")
    public void aLongerLeadAlwaysDropsMoreAndKeepsLessOutputAndTheSizeItNeedsNeverShrinks(double areaM2) {
        double drop = 0;
        double kept = 1;
        double size = 0;
        for (double lengthM : new double[] {0.5, 1, 2, 4, 8, 16}) {
            PlanJudgement judgement = PlanJudgement.of(
                    plan(WINDLASS, new Plan.Lead(lengthM, areaM2, 30, 25, 0.003, 0.003), 100), Optional.empty());
            double now = WINDLASS.voltageV()
                    - judgement.stair().orElseThrow().atTheSetV().value();
            assertTrue(now > drop, lengthM + " m");
            assertTrue(judgement.outputKeptShare().orElseThrow().value() <= kept);
            assertTrue(judgement.lead().orElseThrow().areaM2() >= size);
            drop = now;
            kept = judgement.outputKeptShare().orElseThrow().value();
            size = judgement.lead().orElseThrow().areaM2();
        }
    }

    @Test
    public void theRuntimeIsAsUnsureAsItsAverageAndCapacityAndNeverMoreThanWithLessDraw() {
        double before = Double.POSITIVE_INFINITY;
        for (double watt : new double[] {10, 30, 60, 100}) {
            PlanJudgement judgement = PlanJudgement.of(plan(WINDLASS, LEAD, watt), Optional.empty());
            Quantity runtime = judgement.runtimeS().orElseThrow();
            assertTrue(runtime.value() < before, watt + " W");
            double share = runtime.standardUncertainty() / runtime.value();
            assertTrue(share >= 0.099 && share < 0.3, "a tenth of capacity at least, not " + share);
            before = runtime.value();
        }
    }
}
