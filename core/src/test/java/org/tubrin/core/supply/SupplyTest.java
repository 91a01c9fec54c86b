package org.tubrin.core.supply;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Battery;
import org.tubrin.core.station.Envelope;
import org.tubrin.core.station.Mains;
import org.tubrin.core.station.Supply;

/** Supply, lead, circuit and battery: reference cases by hand, and laws that hold whatever the figures. */
public class SupplyTest {
    private static final MainsSide.Use USE = new MainsSide.Use(
            Quantity.exact(22.6, Unit.AMPERE, Standing.MEASURED),
            Quantity.exact(9.1, Unit.AMPERE, Standing.MEASURED),
            100,
            20,
            3);
    static final Supply WINDLASS = new Supply(
            "Windlass 40",
            Supply.Kind.SWITCHING,
            13.8,
            0.002,
            40,
            40,
            1,
            0.86,
            0.95,
            6,
            Optional.of(18.0),
            Optional.empty(),
            Optional.of(2.4),
            Optional.of(160.0));
    private static final Supply CAPSTAN = new Supply(
            "Capstan 25",
            Supply.Kind.LINEAR,
            13.8,
            0.004,
            20,
            25,
            0.5,
            0.55,
            0.7,
            12,
            Optional.empty(),
            Optional.empty(),
            Optional.of(11.0),
            Optional.of(240.0));

    private static Quantity amperes(double value, double uncertainty) {
        return Quantity.of(value, Unit.AMPERE, Standing.MEASURED, new ErrorSource("m", "I", ""), uncertainty);
    }

    private static Quantity volts(double value) {
        return Quantity.exact(value, Unit.VOLT, Standing.MEASURED);
    }

    @Test
    public void aLeadDropsByItsResistanceOutAndBack() {
        Conductor lead = new Conductor(2.5, 6e-6, 20);
        assertEquals(lead.oneWayOhm(), 2.5 * 0.0175 / 6, 1e-12);
        assertEquals(lead.dropV(22.6), 2 * 2.5 * 0.0175 / 6 * 22.6, 1e-9);
        assertEquals(new Conductor(2.5, 6e-6, 70).dropV(22.6) / lead.dropV(22.6), 1 + 0.0039 * 50, 1e-9);
        assertEquals(lead.heatW(10), 10 * lead.dropV(10), 1e-12);
    }

    @Test
    public void aLongerLeadNeverDropsLessNorNeedsLessCopper() {
        double before = 0;
        double area = 0;
        for (double lengthM = 0.5; lengthM <= 30; lengthM += 0.5) {
            Conductor lead = new Conductor(lengthM, 6e-6, 30);
            assertTrue(lead.dropV(20) > before);
            before = lead.dropV(20);
            Conductor.Choice choice = lead.choice(20, 9, 0.5, 30, 1);
            assertTrue(choice.areaM2() >= area, lengthM + " m");
            area = choice.areaM2();
            boolean keeps = lead.of(choice.areaM2()).dropV(20) <= 0.5;
            assertEquals(choice.serves(), keeps, "it serves when the drop is kept: " + lengthM);
        }
        Conductor.Choice shortOne = new Conductor(0.2, 6e-6, 30).choice(60, 55, 2, 30, 30);
        assertEquals(shortOne.governs(), Conductor.Rule.CURRENT, "a short lead is chosen by its heat");
        // 13.5 A·(2.5)^0.625 = 23.9 A is less than the fuse of 25 A; 4 mm² bears 32.1 A.
        Conductor.Choice fused = new Conductor(2, 0.75e-6, 30).choice(8, 4, 1.5, 30, 25);
        assertEquals(fused.areaM2(), 4e-6, 1e-12);
        assertEquals(fused.governs(), Conductor.Rule.FUSE);
        Conductor six = new Conductor(1, 6e-6, 30);
        assertTrue(six.carriesA(60).value() < six.carriesA(20).value());
        assertEquals(six.carriesA(80).value(), 0.0);
    }

    @Test
    public void theStairAddsUpAndKnowsItsSteepestTread() {
        VoltageStair.Path path = new VoltageStair.Path(0.002, new Conductor(2.5, 6e-6, 20), 0.003, 0.004);
        VoltageStair stair = VoltageStair.of(volts(13.8), amperes(22.6, 0.3), amperes(22.6, 0.3), path);
        double ohm = 0.002 + 2 * 2.5 * 0.0175 / 6 + 0.003 + 0.004;
        assertEquals(stair.atTheSetV().value(), 13.8 - 22.6 * ohm, 1e-9);
        assertEquals(stair.steepest().cause(), VoltageStair.Cause.LEAD_OUT);
        double before = Double.MAX_VALUE;
        for (VoltageStair.Tread tread : stair.treads()) {
            assertTrue(tread.behindV().value() <= before, tread.toString());
            before = tread.behindV().value();
        }
        double byCurrent = 0.3 * ohm;
        assertTrue(stair.atTheSetV().standardUncertainty() > byCurrent, "resistances are unsure too");
        VoltageStair thick = VoltageStair.of(
                volts(13.8), amperes(22.6, 0.3), amperes(22.6, 0.3), path.with(new Conductor(2.5, 16e-6, 20)));
        assertTrue(thick.atTheSetV().value() > stair.atTheSetV().value());
    }

    @Test
    public void schoolsOfSizingAskForWhatTheySay() {
        Sizing sizing = Sizing.of(Optional.of(amperes(24.5, 0.4)), Optional.of(amperes(9.1, 0.2)), Optional.of(25.0));
        assertEquals(sizing.needs().get(0).shortTermA().value(), 30.625, 1e-9);
        assertEquals(sizing.needs().get(0).shortTermA().standardUncertainty(), 0.5, 1e-9);
        assertEquals(sizing.needs().get(1).shortTermA().value(), 31.25, 1e-9);
        assertEquals(sizing.needs().get(1).atMostA().value(), 37.5, 1e-9);
        assertEquals(sizing.needs().get(2).continuousA().value(), 9.1, 1e-9);
        assertEquals(sizing.governs().orElseThrow().school(), Sizing.Rule.FUSE);
        assertEquals(sizing.nextStandardA(), Optional.of(40.0));
        assertEquals(sizing.metBy(WINDLASS).size(), 3);
        assertEquals(
                sizing.metBy(CAPSTAN), List.of(Sizing.Rule.TEN_MINUTE_DUTY), "printed amperes may be intermittent");
        assertEquals(
                Sizing.of(Optional.empty(), Optional.empty(), Optional.of(10.0))
                        .needs()
                        .size(),
                1);
        assertTrue(Sizing.of(Optional.empty(), Optional.empty(), Optional.empty())
                .governs()
                .isEmpty());
    }

    @Test
    public void theWallGivesWhatTheSetTakesAndWhatTheSupplyLoses() {
        MainsSide.Circuit circuit = new MainsSide.Circuit(230, 16, 0.8, 2);
        MainsSide side = MainsSide.of(WINDLASS, USE, circuit);
        double peakW = 6 + (13.8 - 0.002 * 22.6) * 22.6 / 0.86;
        assertEquals(side.peakW().value(), peakW, 1e-9);
        assertEquals(side.peakAcRmsA().value(), peakW / (0.95 * 230), 1e-9);
        assertEquals(side.mayContinuouslyA(), 0.8 * 16 - 2, 1e-9);
        assertEquals(side.peakHeatW().value(), peakW - 100, 1e-9);
        assertEquals(side.energyPerMonthJ().value(), side.averageW().value() * 3 * 3600 * 30.4, 1e-3);
        assertTrue(side.borneBy(circuit));
        MainsSide low = MainsSide.of(WINDLASS, USE, new MainsSide.Circuit(115, 16, 0.8, 2));
        assertEquals(
                low.peakAcRmsA().value(), 2 * side.peakAcRmsA().value(), 1e-9, "half the voltage, twice the current");
        assertFalse(side.borneBy(new MainsSide.Circuit(230, 3, 0.8, 2)), "a circuit that is nearly full");
    }

    private static TenMinutes tenMinutes() {
        Box halyard = new Box.Transmitting(
                "Halyard 100", ProfileTest.halyard(), 12.42, 15, Optional.of(25.0), Optional.empty());
        Box computer = new Box.Steady("computer", 1.9, Optional.empty(), Optional.empty());
        return TenMinutes.of(
                List.of(halyard, computer),
                List.of(
                        new Stretch("Halyard 100", 300, 300, Envelope.slotted(), 50),
                        new Stretch("Halyard 100", 700, 120, Envelope.speech(), 100),
                        new Stretch("Halyard 100", 900, 120, Envelope.processed(), 100)));
    }

    @Test
    public void anAverageOverALongerTimeIsNeverMoreWherePiecesFitAndAMinuteOfCarrierIsItsPeak() {
        List<Stretch> pattern = List.of(
                new Stretch("H", 30, 90, new Envelope.Constant(), 100),
                new Stretch("H", 900, 1500, Envelope.speech(), 100),
                new Stretch("H", 3000, 600, Envelope.slotted(), 100));
        List<Box> boxes =
                List.of(new Box.Transmitting("H", ProfileTest.halyard(), 11, 15, Optional.empty(), Optional.empty()));
        List<TenMinutes.Window> windows = TenMinutes.windows(boxes, pattern);
        assertEquals(windows.stream().map(TenMinutes.Window::lengthS).toList(), List.of(60, 300, 600, 1800, 3600));
        assertEquals(
                windows.get(0).averageA().value(),
                ProfileTest.halyard().currentA(100).value(),
                1e-9);
        assertEquals(
                windows.get(2).averageA().value(),
                TenMinutes.of(boxes, pattern).averageA().value(),
                1e-12);
        // Each of 60, 300, 600 and of 600, 1800, 3600 is a whole number of the one before: some part of it is no less.
        for (int i = 1; i < windows.size(); i++) {
            assertTrue(
                    windows.get(i).averageA().value()
                            <= windows.get(i - 1).averageA().value() + 1e-9,
                    windows.toString());
        }
        assertEquals(TenMinutes.windows(boxes, pattern.subList(0, 1)).size(), 3, "no longer than ten minutes");
    }

    @Test
    public void theWorstTenMinutesHoldTheMostChargeAndTheStripShowsTheirAverage() {
        TenMinutes ten = tenMinutes();
        assertEquals(ten.restingA(), 1.3 + 1.9, 1e-12);
        assertEquals(ten.peakA().value(), 21 + 1.9, 1e-9);
        assertTrue(ten.fromS() >= 300 && ten.fromS() <= 420, "it slides to where the sending is: " + ten.fromS());
        double drawn = ten.strips().stream()
                        .flatMap(strip -> strip.currentA().stream())
                        .mapToDouble(Double::doubleValue)
                        .sum()
                / TenMinutes.WINDOW_S;
        assertEquals(drawn, ten.averageA().value(), 0.25, "the picture has the average that is stated");
        double most = 0;
        for (double current : ten.strips().get(0).currentA()) {
            most = Math.max(most, current);
        }
        assertTrue(most <= 21 + 1e-9 && most > 15, "no second above the peak: " + most);
    }

    @Test
    public void slotsAreDrawnAsSlotsAndRestIsRest() {
        TenMinutes ten = TenMinutes.of(
                List.of(new Box.Transmitting(
                        "Halyard 100", ProfileTest.halyard(), 12.42, 15, Optional.empty(), Optional.empty())),
                List.of(new Stretch("Halyard 100", 0, 300, Envelope.slotted(), 100)));
        List<Double> current = ten.strips().get(0).currentA();
        assertEquals(current.get(0), 21, 1e-9);
        assertEquals(current.get(14), 21, 1e-9);
        assertEquals(current.get(15), 2.0, 1e-9, "keyed without output");
        assertEquals(current.get(30), 21, 1e-9);
        assertEquals(current.get(599), 1.3, 1e-9, "listening");
        assertEquals(ten.averageA().value(), (300 * 11.5 + 300 * 1.3) / 600, 1e-9);
        TenMinutes none = TenMinutes.of(List.of(), List.of());
        assertEquals(none.peakA().value(), 0.0, "an empty station draws nothing");
    }

    @Test
    public void sendersAtOnceAddUpAndSendersInTurnDoNot() {
        List<Box> boxes = List.of(
                new Box.Transmitting("Halyard 100", ProfileTest.halyard(), 12, 15, Optional.empty(), Optional.empty()),
                new Box.Transmitting(
                        "Skiff 10",
                        ProfileTest.profile(13.8, 0.2, 0.5, 10, 0.5, 2, 10),
                        12,
                        15,
                        Optional.empty(),
                        Optional.empty()));
        Stretch first = new Stretch("Halyard 100", 0, 100, new Envelope.Constant(), 100);
        double together = TenMinutes.of(
                        boxes, List.of(first, new Stretch("Skiff 10", 50, 100, new Envelope.Constant(), 10)))
                .peakA()
                .value();
        double inTurn = TenMinutes.of(
                        boxes, List.of(first, new Stretch("Skiff 10", 100, 100, new Envelope.Constant(), 10)))
                .peakA()
                .value();
        double skiff = 0.5 + 10 * Math.sqrt(0.1);
        assertEquals(together, 21 + skiff, 1e-6);
        assertEquals(inTurn, 21 + 0.2, 1e-6);
    }

    private static final Battery KEEL =
            new Battery("Keel 100", Battery.Chemistry.LITHIUM_IRON_PHOSPHATE, 4, 360_000, 20, 0.012);

    private static RunDown.Use use(double averageA, double peakA, double chargingA, double endV) {
        return new RunDown.Use(averageA, peakA, chargingA, endV, 0.01, 25);
    }

    @Test
    public void withoutAnEndVoltageABatteryLastsByPeukert() {
        Battery lead = new Battery("Lead", Battery.Chemistry.LEAD_FLOODED, 6, 360_000, 20, 0.005);
        for (double amperes : new double[] {5, 10, 25}) {
            RunDown down = RunDown.of(lead, use(amperes, amperes, 0, 1));
            double closed = 20 * Math.pow(100 / (amperes * 20), 1.25) * 3600;
            assertEquals(down.runtimeS(), 0.5 * closed, 1e-6 * closed, amperes + " A, half of it usable");
            assertEquals(down.end(), RunDown.End.CHARGE);
        }
    }

    @DataProvider
    public Object[][] chemistries() {
        Battery.Chemistry[] all = Battery.Chemistry.values();
        Object[][] rows = new Object[all.length][];
        for (int i = 0; i < all.length; i++) {
            rows[i] = new Object[] {all[i]};
        }
        return rows;
    }

    @Test(dataProvider = "chemistries")
    public void moreDrawColdOrAHigherEndNeverLastsLonger(Battery.Chemistry chemistry) {
        int cells =
                chemistry.name().startsWith("LEAD") ? 6 : chemistry == Battery.Chemistry.NICKEL_METAL_HYDRIDE ? 10 : 4;
        Battery battery = new Battery("B", chemistry, cells, 360_000, 20, 0.02);
        double before = Double.MAX_VALUE;
        for (double averageA = 0.5; averageA < 30; averageA += 0.5) {
            double now =
                    RunDown.of(battery, use(averageA, averageA + 15, 0, 11)).runtimeS();
            assertTrue(now <= before, averageA + " A");
            before = now;
        }
        double warm = RunDown.of(battery, use(5, 20, 0, 11)).runtimeS();
        double cold =
                RunDown.of(battery, new RunDown.Use(5, 20, 0, 11, 0.01, -10)).runtimeS();
        double picky = RunDown.of(battery, use(5, 20, 0, 12)).runtimeS();
        assertTrue(cold < warm && picky <= warm, chemistry + ": " + cold + ", " + picky + ", " + warm);
    }

    @Test
    public void peaksEndItBeforeItIsEmptyAndAPanelMayCarryIt() {
        RunDown mild = RunDown.of(KEEL, use(5, 10, 0, 12));
        RunDown hard = RunDown.of(KEEL, use(5, 45, 0, 12));
        assertEquals(hard.end(), RunDown.End.VOLTAGE_AT_PEAK);
        assertTrue(hard.runtimeS() < mild.runtimeS());
        RunDown.Point last = hard.course().get(hard.course().size() - 1);
        assertEquals(last.peakV(), 12, 1e-3);
        assertTrue(last.restingV() > 12.5, "at rest it still looks full");
        assertEquals(RunDown.of(KEEL, use(5, 20, 8, 11)).end(), RunDown.End.NEVER);
        assertTrue(RunDown.of(KEEL, use(5, 20, 2, 11)).runtimeS()
                > RunDown.of(KEEL, use(5, 20, 0, 11)).runtimeS());
        assertEquals(RunDown.of(KEEL, use(5, 200, 0, 12)).end(), RunDown.End.AT_ONCE);
    }

    static Supply settable(double voltageV, double lowestV, double highestV) {
        return new Supply(
                "Set",
                Supply.Kind.LINEAR,
                voltageV,
                0.01,
                20,
                20,
                1,
                0.55,
                0.7,
                10,
                Optional.empty(),
                Optional.of(new Supply.Adjustable(lowestV, highestV)),
                Optional.empty(),
                Optional.empty());
    }

    @Test
    public void aSupplyStandsWithinWhatItCanBeSetTo() {
        Refused refused = expectThrows(Refused.class, () -> settable(15.5, 12, 15));
        assertEquals(refused.problems().get(0).path(), "voltageV");
        assertEquals(refused.problems().get(0).allowed(), new Allowed.Range(12, 15, Unit.VOLT));
        assertEquals(WINDLASS.lowestV(), WINDLASS.highestV(), "one that cannot be set has one voltage");
        assertEquals(
                expectThrows(Refused.class, () -> new Supply.Adjustable(15, 12))
                        .problems()
                        .get(0)
                        .path(),
                "highestV");
    }

    @Test
    public void seriesDiodesTakeAboutTheirRuleAndTheirHeat() {
        SeriesDiodes two = new SeriesDiodes(2);
        double atHalfV = two.dropV(0.5).value();
        double atTwoV = two.dropV(2).value();
        assertTrue(atHalfV > 1.4 && atTwoV > atHalfV && atTwoV < 2.0, atHalfV + " V, " + atTwoV + " V");
        assertEquals(2 * two.heatEachW(2).value(), atTwoV * 2, 1e-12);
    }

    @Test
    public void ofFourWishesThreeCanBeHad() {
        for (Supply.Kind kind : Supply.Kind.values()) {
            long best = Stream.of(KindChoice.Merit.values())
                    .filter(merit -> KindChoice.merit(kind, merit) >= 2)
                    .count();
            assertTrue(best <= 3, kind + " has everything");
        }
        for (KindChoice.Merit wish : KindChoice.Merit.values()) {
            List<KindChoice> ranked = KindChoice.ranked(List.of(wish));
            assertEquals(ranked.size(), Supply.Kind.values().length);
            int before = 3;
            for (KindChoice choice : ranked) {
                int now = KindChoice.merit(choice.kind(), wish);
                assertTrue(now <= before, wish + ": " + ranked);
                before = now;
            }
        }
        KindChoice quiet = KindChoice.ranked(List.of(KindChoice.Merit.QUIETNESS, KindChoice.Merit.CAPACITY))
                .get(0);
        assertEquals(quiet.kind(), Supply.Kind.BATTERY);
        KindChoice light = KindChoice.ranked(List.of(KindChoice.Merit.CAPACITY)).get(0);
        assertEquals(light.kind(), Supply.Kind.SWITCHING);
        assertEquals(light.givesUp(), KindChoice.Merit.QUIETNESS);
    }

    @Test
    public void aLargeAmplifiersCircuitBearsItWithTheContinuousShareInHand() {
        OwnCircuit circuit = OwnCircuit.of(new Mains(230, 8.5), 0.8);
        assertEquals(circuit.breakerA().orElseThrow(), 13.0, "0.8 of 10 A are 8 A");
        assertEquals(circuit.halfVoltageA(), 17.0);
        assertTrue(OwnCircuit.of(new Mains(120, 60), 0.8).breakerA().isEmpty());
    }
}
