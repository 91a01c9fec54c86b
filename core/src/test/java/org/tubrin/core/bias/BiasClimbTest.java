package org.tubrin.core.bias;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.tubrin.core.bias.NextBias.Because;
import org.tubrin.core.bias.NextBias.Purpose;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/** Idle current set over one resistor or by an ammeter, reading by reading. */
public class BiasClimbTest {
    private static final double IDLE_A = 0.08;
    private static final double STANDING_A = 0.0041;

    private final List<BiasPoint> points = new ArrayList<>();

    private static BiasPlan plan(int devices, boolean sensed) {
        return new BiasPlan(
                devices,
                IDLE_A,
                "maker's sheet",
                sensed ? Optional.of(new BiasPlan.Sense(2.2, 2.37, 0.005)) : Optional.empty(),
                10,
                false);
    }

    @BeforeMethod
    public void anew() {
        points.clear();
    }

    private static BiasPoint point(double amperes) {
        return new BiasPoint(
                Quantity.of(
                        amperes,
                        Unit.AMPERE,
                        Standing.MEASURED,
                        new ErrorSource("meter", "SENSE_VOLTAGE", ""),
                        0.002 * amperes),
                Optional.empty(),
                Optional.empty());
    }

    private BiasClimb climb(BiasPlan plan) {
        return BiasClimb.of(plan, points);
    }

    /** Answers each next reading until it is over; returns what was asked. */
    private List<NextBias> plays(BiasPlan plan, ToDoubleFunction<NextBias> shows) {
        List<NextBias> asked = new ArrayList<>();
        for (int i = 0; i < 300 && climb(plan).next().isPresent(); i++) {
            NextBias next = climb(plan).next().orElseThrow();
            asked.add(next);
            points.add(point(shows.applyAsDouble(next)));
        }
        return asked;
    }

    /** All come out as aimed, and draw no more once they are hot. */
    @Test
    public void overOneResistorEachTargetIsTheDifferenceFromWhatWasReached() {
        BiasPlan plan = plan(2, true);
        double[] total = {STANDING_A};
        List<NextBias> asked = plays(plan, next -> {
            total[0] = switch (next.purpose()) {
                case STANDING -> STANDING_A;
                // A hand that ends a little above what it aims for.
                case SET -> next.aimA() + 0.0004;
                case HOLD, SOAK -> total[0];
                case DOWN -> total[0] - IDLE_A - 0.0004;
            };
            return total[0];
        });
        assertEquals(
                asked.stream().map(NextBias::because).limit(8).toList(),
                List.of(
                        Because.STANDING,
                        Because.HALF,
                        Because.WATCH,
                        Because.THREE_QUARTERS,
                        Because.WATCH,
                        Because.FULL,
                        Because.WATCH,
                        Because.HALF));
        assertEquals(asked.get(1).aimA(), STANDING_A + IDLE_A / 2, 1e-12);
        assertEquals(asked.get(5).aimA(), STANDING_A + IDLE_A, 1e-12, "from the standing current on");
        // The second from where the first came to, not from where it was to come to.
        assertEquals(asked.get(7).aimA(), STANDING_A + IDLE_A + 0.0004 + IDLE_A / 2, 1e-12);
        assertEquals(climb(plan).end(), Optional.of(BiasEnd.DONE));
        List<BiasClimb.Taken> taken = climb(plan).taken();
        assertEquals(taken.size(), points.size());
        assertEquals(taken.get(0).offShare(), Optional.empty(), "nothing was aimed for");
        assertEquals(taken.get(1).device(), 1);
        assertEquals(taken.get(1).offShare().orElseThrow(), 0.0004 / IDLE_A, 1e-9);
        for (BiasDevice device : climb(plan).reached()) {
            assertEquals(device.currentA().value(), IDLE_A + 0.0004, 1e-9);
            assertTrue(device.isWithin(plan));
            // The gain of one meter on a difference, and what it may creep.
            assertEquals(
                    device.currentA().standardUncertainty(),
                    Math.hypot(0.002 * (IDLE_A + 0.0004), 0.0075 * IDLE_A / Math.sqrt(6)),
                    1e-9);
        }
    }

    @Test
    public void hotEachIsSeenByWhatIsLeftWithoutIt() {
        BiasPlan plan = plan(2, true);
        double[] device = {0, 0};
        boolean[] hot = {false};
        List<NextBias> asked = plays(plan, next -> {
            if (next.purpose() == Purpose.SOAK && !hot[0]) {
                hot[0] = true;
                device[0] *= 1.2;
                device[1] *= 1.05;
            } else if (next.purpose() == Purpose.DOWN) {
                device[next.device() - 1] = 0;
                assertEquals(climb(plan).reached().size(), 2);
            } else if (next.purpose() == Purpose.SET) {
                device[next.device() - 1] = next.aimA() - STANDING_A - device[2 - next.device()];
            }
            return STANDING_A + device[0] + device[1];
        });
        int down = asked.indexOf(asked.stream()
                .filter(next -> next.purpose() == Purpose.DOWN)
                .findFirst()
                .orElseThrow());
        assertEquals(
                BiasClimb.of(plan, points.subList(0, down + 1)).reached().stream()
                        .map(BiasDevice::number)
                        .toList(),
                List.of(2),
                "the one that is down came to nothing yet");
        assertEquals(device[0], IDLE_A, 1e-9);
        assertEquals(device[1], IDLE_A, 1e-9);
        assertEquals(
                asked.stream().filter(next -> next.purpose() == Purpose.SOAK).count(),
                2,
                "far off: once more when hot");
        assertEquals(climb(plan).end(), Optional.of(BiasEnd.DONE));
    }

    /** An ammeter tells each by itself: who is off when hot is turned, nobody else. */
    @Test
    public void anAmmeterTellsEachByItself() {
        BiasPlan plan = plan(4, false);
        double[] device = new double[4];
        boolean[] hot = {false};
        List<NextBias> asked = plays(plan, next -> {
            int number = next.device() - 1;
            if (next.purpose() == Purpose.SOAK && !hot[0]) {
                hot[0] = true;
                device[2] *= 1.1;
            } else if (next.purpose() == Purpose.SET) {
                device[number] = next.aimA();
            }
            return device[number];
        });
        List<NextBias> hotSets =
                asked.stream().filter(next -> next.because() == Because.HOT).toList();
        assertEquals(hotSets.stream().map(NextBias::device).toList(), List.of(3, 3), "ahead of its cooling, and back");
        assertEquals(hotSets.get(0).aimA(), IDLE_A * 1.01, 1e-9, "a tenth too much: a tenth of a tenth ahead");
        assertEquals(climb(plan).end(), Optional.of(BiasEnd.DONE));
    }

    @Test
    public void whoIsBeyondGoesBackBelow() {
        BiasPlan plan = plan(1, true);
        points.addAll(List.of(point(STANDING_A), point(STANDING_A + 0.09)));
        NextBias next = climb(plan).next().orElseThrow();
        assertEquals(next.because(), Because.OVERSHOT);
        assertEquals(next.aimA(), STANDING_A + IDLE_A / 2, 1e-12);
    }

    @Test
    public void whatRisesByItselfGoesBackAndAJumpEndsIt() {
        BiasPlan plan = plan(1, true);
        points.addAll(List.of(point(STANDING_A), point(STANDING_A + 0.04), point(STANDING_A + 0.0425)));
        assertEquals(climb(plan).next().orElseThrow().because(), Because.ROSE, "6 % in thirty seconds");
        assertEquals(climb(plan).end(), Optional.empty());
        points.set(2, point(STANDING_A + 0.0415));
        assertEquals(climb(plan).next().orElseThrow().because(), Because.THREE_QUARTERS, "4 % is only warming");
        points.set(2, point(STANDING_A + 0.05));
        assertEquals(climb(plan).end(), Optional.of(BiasEnd.RUNS_AWAY));
    }

    /** Over one resistor the first one's rise looks like the second's, whose pot is in hand. */
    @Test
    public void whatCannotBeTurnedDownIsSoughtAmongThoseSetBefore() {
        for (int devices : new int[] {2, 4}) {
            points.clear();
            BiasPlan plan = plan(devices, true);
            double[] device = new double[devices];
            List<NextBias> asked = plays(plan, next -> {
                if (next.device() > 0 && next.purpose() == Purpose.SET) {
                    double othersA = Arrays.stream(device).sum() - device[next.device() - 1];
                    device[next.device() - 1] = Math.max(0, next.aimA() - STANDING_A - othersA);
                } else if (next.purpose() == Purpose.DOWN) {
                    device[next.device() - 1] = 0;
                }
                if (next.device() == devices) {
                    device[0] += 0.02;
                }
                return STANDING_A + Arrays.stream(device).sum();
            });
            assertEquals(climb(plan).end(), Optional.of(BiasEnd.RUNS_AWAY), asked.toString());
            assertEquals(climb(plan).runaway(), devices == 2 ? 1 : 0);
        }
        // An unsteady hand is no runaway.
        BiasPlan plan = plan(2, true);
        points.clear();
        List<NextBias> asked = new ArrayList<>();
        double[] above = {0.1, 0.1, 0.1, 0};
        int[] tries = {0};
        for (NextBias next = climb(plan).next().orElseThrow();
                points.size() < 17;
                next = climb(plan).next().orElseThrow()) {
            asked.add(next);
            boolean turns = next.device() == 2 && next.purpose() == Purpose.SET;
            points.add(point(
                    switch (next.purpose()) {
                        case STANDING -> STANDING_A;
                        case DOWN -> STANDING_A + IDLE_A;
                        case SET -> next.aimA() + (turns ? above[Math.min(3, tries[0]++)] : 0);
                        case HOLD, SOAK -> points.get(points.size() - 1).amperes();
                    }));
        }
        assertTrue(asked.stream().anyMatch(next -> next.purpose() == Purpose.DOWN), asked.toString());
        assertEquals(climb(plan).end(), Optional.empty());
        assertEquals(climb(plan).reached().size(), 2);
    }

    @Test
    public void itSaysWhatIsTooMuchWhileItIsLeftAlone() {
        points.addAll(List.of(point(STANDING_A), point(STANDING_A + 0.04)));
        NextBias hold = climb(plan(1, true)).next().orElseThrow();
        assertEquals(hold.purpose(), Purpose.HOLD);
        assertEquals(hold.stopA(), STANDING_A + 0.04 * 1.05, 1e-12);
    }

    @Test
    public void aPotThatOnlyJumpsIsTooCoarse() {
        BiasPlan plan = plan(1, false);
        points.addAll(List.of(point(0.04), point(0.04), point(0.06), point(0.06)));
        for (int i = 0; i < 4; i++) {
            assertFalse(climb(plan).end().isPresent(), "try " + i);
            points.add(point(0.075));
            points.add(point(0.085));
        }
        assertEquals(climb(plan).end(), Optional.of(BiasEnd.TOO_COARSE));
    }

    @Test
    public void aGateThatIsDrivenEndsIt() {
        points.add(new BiasPoint(point(0.02).currentA(), Optional.of(5.4), Optional.empty()));
        assertEquals(climb(plan(1, false)).end(), Optional.of(BiasEnd.GATE_HIGH));
    }

    @Test
    public void whatATurnDoesIsSeenWhereThePotIsKnown() {
        BiasPlan plan = plan(1, false);
        double turns = 0;
        for (int i = 0; i < 40 && climb(plan).next().isPresent(); i++) {
            NextBias next = climb(plan).next().orElseThrow();
            turns = next.purpose() == Purpose.SET ? 6 + next.aimA() / 0.4 : turns;
            points.add(new BiasPoint(point((turns - 6) * 0.4).currentA(), Optional.of(3.4), Optional.of(turns)));
        }
        BiasDevice device = climb(plan).reached().get(0);
        assertEquals(device.amperesPerTurn().orElseThrow(), 0.4, 1e-9);
        assertEquals(device.gateV(), Optional.of(3.4));
    }

    @Test
    public void aPlanIsHeldToItsRange() {
        assertEquals(plan(4, true).shown(0.08), 0.1896, 1e-12);
        assertEquals(plan(4, false).shown(0.08), 0.08);
        assertEquals(plan(4, true).supplyLimitA(), 0.64, 1e-12);
        assertEquals(plan(1, true).sense().orElseThrow().printOffShare(), -0.0717, 1e-4);
        assertThrows(Refused.class, () -> new BiasPlan(9, 0.08, "sheet", Optional.empty(), 10, false));
        assertThrows(Refused.class, () -> new BiasPlan.Sense(2.2, 0, 0.005));
    }
}
