package org.tubrin.core.bias;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.bias.NextBias.Because;
import org.tubrin.core.bias.NextBias.Purpose;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * Where a bias climb stands after its readings. First device by device: half, three quarters, all of the current, each left alone
 * for a while, so that none is ever taken far above what it was seen to bear. Then all of them hot, since they warm the sink that
 * they stand on: whoever was set first has risen most.
 *
 * <p>Over one resistor each target is the difference from what was reached so far. Hot, each is turned down once, so that what it
 * draws by itself is seen, and set anew; and once more after they got hot again, where any had been far off.
 */
public final class BiasClimb {
    /** How long a pot is left alone before the current is read again, in seconds. */
    public static final double HOLD_S = 30;
    /** How long all is left alone before it counts as hot, in seconds. */
    public static final double SOAK_S = 600;
    /** How long a die is keyed before it counts as warm, in seconds. */
    public static final double WARM_S = 80;

    private static final double[] SHARES = {0.5, 0.75, 1};
    private static final int ALL_OF_IT = SHARES.length - 1;
    /** On the way a current may be this far from its share. */
    private static final double ON_THE_WAY = 0.15;
    /** What is set cold is set anew hot. */
    private static final double COLD = 0.04;
    /** What is set hot is set nearer than it must be: it creeps, and the meter errs. */
    private static final double NEAR = 0.0075;

    /** Who was this far off has changed what the others stand on. */
    private static final double FAR = 0.03;

    /** A smaller turn of the pot says nothing of it: the current creeps. */
    private static final double LEAST_TURN_SHARE = 0.002;

    /** What gate voltages of a pair may differ. */
    public static final double PAIR_SHARE = 0.1;
    /** What a current may rise by itself while its pot is left alone. */
    public static final double RISE_STOP = 0.05;

    private static final double RISE_JUMP = 0.15;
    /** Who warms too fast goes back and up again; not for ever. */
    private static final int MOST_RISES = 3;

    private static final double HOT_FIRST = 0.6;
    private static final double HOT_AGAIN = 0.12;
    private static final double MOST_AHEAD = 0.1;
    private static final int MOST_TRIES = 4;
    private static final int COARSE_TRIES = 8;
    /** After so many tries that end above, it may be another device that rises. */
    private static final int DOUBTFUL_TRIES = 3;

    private static final int MOST_HOLDS = 4;
    private static final int MOST_ROUNDS = 3;

    private enum Phase {
        STANDING,
        CLIMB,
        SOAK,
        /** Each is turned to what it is to draw. */
        EACH,
        OVER
    }

    private final BiasPlan plan;
    private final boolean sensed;
    private final List<Device> devices = new ArrayList<>();
    private final List<Taken> taken = new ArrayList<>();
    private Phase phase;
    private int at = 1;
    private int stage;
    private double share = SHARES[0];
    private int tries;
    private int holds;
    private int rounds;
    private boolean holding;
    private boolean isDown;
    /** Whether another than the one in hand may be what rises. */
    private boolean doubts;

    private int runaway;
    /** How far the one was off that was furthest, when each was seen by itself. */
    private double wasOff;

    private Because because = Because.HALF;
    private Quantity standing = none();
    private Quantity last = none();
    private @Nullable BiasEnd end;

    private static final class Device {
        private Quantity currentA = none();
        private boolean isSet;
        private int rises;
        private @Nullable Double gateV;
        private @Nullable BiasPoint before;
        private @Nullable Double perTurn;

        private void looksAt(BiasPoint point, boolean onTheWay, double leastTurns) {
            point.gateV().ifPresent(volts -> gateV = volts);
            if (onTheWay
                    && before != null
                    && point.potTurns().isPresent()
                    && before.potTurns().isPresent()) {
                double turns = point.potTurns().get() - before.potTurns().get();
                if (Math.abs(turns) >= leastTurns) {
                    perTurn = (point.amperes() - before.amperes()) / turns;
                }
            }
            before = point;
        }
    }

    private BiasClimb(BiasPlan plan) {
        this.plan = plan;
        sensed = plan.sense().isPresent();
        phase = sensed ? Phase.STANDING : Phase.CLIMB;
        for (int i = 0; i < plan.deviceCount(); i++) {
            devices.add(new Device());
        }
    }

    private static Quantity none() {
        return Quantity.exact(0, Unit.AMPERE, Standing.MEASURED);
    }

    /** Returns where a climb stands after so many readings, in their order. */
    public static BiasClimb of(BiasPlan plan, List<BiasPoint> points) {
        BiasClimb climb = new BiasClimb(plan);
        points.forEach(climb::takes);
        return climb;
    }

    /** Returns why it is over; empty while it goes on. */
    public Optional<BiasEnd> end() {
        return Optional.ofNullable(end);
    }

    /** Returns the devices that stand where they came to, in their order. */
    public List<BiasDevice> reached() {
        List<BiasDevice> reached = new ArrayList<>();
        for (int i = 0; i < devices.size(); i++) {
            Device one = devices.get(i);
            if (one.isSet) {
                reached.add(new BiasDevice(
                        i + 1, one.currentA, Optional.ofNullable(one.gateV), Optional.ofNullable(one.perTurn)));
            }
        }
        return reached;
    }

    /**
     * One device's step of the stair, in amperes through what is read.
     *
     * @param device from 1
     * @param baseA what is read without it
     * @param aimA what is to be read with it
     * @param toleranceA what it may be off
     * @param isA what is read with it; empty before it was turned
     */
    public record Rung(int device, double baseA, double aimA, double toleranceA, Optional<Double> isA) {}

    /** Returns the stair: over one resistor each device stands on those before it. */
    public List<Rung> rungs() {
        List<Rung> rungs = new ArrayList<>();
        double baseA = standing.value();
        for (int i = 1; i <= devices.size(); i++) {
            double ownA = device(i).currentA.value();
            Optional<Double> isA = ownA > 0 ? Optional.of(baseA + ownA) : Optional.empty();
            rungs.add(new Rung(i, baseA, baseA + plan.idleA(), BiasPlan.TOLERANCE * plan.idleA(), isA));
            baseA = sensed ? baseA + (ownA > 0 ? ownA : plan.idleA()) : 0;
        }
        return rungs;
    }

    /** Returns pairs of devices, the first of each, that draw the same at gate voltages further apart than they should be. */
    public List<Integer> unequalPairs() {
        List<Integer> pairs = new ArrayList<>();
        for (int i = 1; i < devices.size(); i += 2) {
            Double one = device(i).gateV;
            Double other = device(i + 1).gateV;
            if (one != null && other != null && Math.abs(one - other) > PAIR_SHARE * Math.max(one, other)) {
                pairs.add(i);
            }
        }
        return pairs;
    }

    /** Returns the device whose pot was turned last, from 1. */
    public int device() {
        return Math.min(at, devices.size());
    }

    /** Returns the device that does not hold its current, from 1; 0 for one of those set before, or none. */
    public int runaway() {
        return runaway;
    }

    /**
     * One reading that was taken.
     *
     * @param device whose pot was in hand, from 1; 0 for none
     * @param readA what was read
     * @param offShare how far that was off its aim, as a share of the idle current; empty where nothing was aimed for
     */
    public record Taken(int device, double readA, Optional<Double> offShare) {}

    /** Returns what was read, in its order. */
    public List<Taken> taken() {
        return List.copyOf(taken);
    }

    private Taken taken(NextBias asked, BiasPoint point) {
        boolean aimed = asked.purpose() == Purpose.SET || asked.purpose() == Purpose.HOLD;
        return new Taken(
                asked.device(),
                point.amperes(),
                aimed ? Optional.of((point.amperes() - asked.aimA()) / plan.idleA()) : Optional.empty());
    }

    /** Returns the next reading; empty where it is over. */
    public Optional<NextBias> next() {
        return switch (phase) {
            case STANDING -> Optional.of(down(Purpose.STANDING, 0, Because.STANDING));
            case CLIMB -> Optional.of(doubts ? down(Purpose.DOWN, at, Because.ALONE) : holding ? hold() : set());
            case SOAK -> Optional.of(soak());
            case EACH ->
                Optional.of(sensed && !isDown ? down(Purpose.DOWN, at, Because.ALONE) : holding ? hold() : set());
            case OVER -> Optional.empty();
        };
    }

    /** Reads without a device: nothing can be too much. */
    private NextBias down(Purpose purpose, int device, Because why) {
        return new NextBias(purpose, device, 0, (1 + RISE_JUMP) * Math.max(last.value(), plan.idleA()), 0, 0, why);
    }

    private NextBias set() {
        double baseA = base().value();
        double stopA = (1 + RISE_JUMP) * Math.max(baseA + plan.idleA(), last.value());
        return new NextBias(
                Purpose.SET, at, baseA + share * plan.idleA(), stopA, 0, phase == Phase.EACH ? WARM_S : 0, because);
    }

    private NextBias hold() {
        double stopA = last.value() + RISE_STOP * flowingA(last.value());
        return new NextBias(Purpose.HOLD, at, last.value(), stopA, HOLD_S, HOLD_S, Because.WATCH);
    }

    private NextBias soak() {
        double seenA = sensed ? last.value() : device(at).currentA.value();
        return new NextBias(
                Purpose.SOAK,
                sensed ? 0 : at,
                seenA,
                seenA + plan.supplyLimitA() / 2,
                sensed || at == 1 ? SOAK_S : 0,
                WARM_S,
                rounds == 0 ? Because.SOAK : Because.AGAIN);
    }

    /** What devices draw of a current that is read. */
    private double flowingA(double seenA) {
        return seenA - standing.value();
    }

    /** What the instrument shows without the device in hand. */
    private Quantity base() {
        return sensed ? last.minus(device(at).currentA) : none();
    }

    private Device device(int number) {
        return devices.get(number - 1);
    }

    private void takes(BiasPoint point) {
        next().ifPresent(asked -> taken.add(taken(asked, point)));
        if (phase == Phase.OVER) {
            return;
        }
        if (point.gateV().filter(volts -> volts > BiasPlan.GATE_LIMIT_V).isPresent()) {
            ends(BiasEnd.GATE_HIGH);
            return;
        }
        switch (phase) {
            case STANDING -> {
                standing = point.currentA();
                phase = Phase.CLIMB;
            }
            case CLIMB -> climbs(point);
            case SOAK -> soaks(point);
            case EACH -> setsEach(point);
            case OVER -> {}
        }
        last = point.currentA();
    }

    private void reads(Device device, BiasPoint point) {
        device.currentA = point.currentA().minus(base());
        device.looksAt(point, phase == Phase.CLIMB, LEAST_TURN_SHARE * plan.potTurns());
    }

    private void climbs(BiasPoint point) {
        Device device = device(at);
        if (doubts) {
            leaves(device, point);
            return;
        }
        reads(device, point);
        if (!holding) {
            tries++;
            double off = off(device);
            boolean below = off < share - 1 - (stage < ALL_OF_IT ? ON_THE_WAY : BiasPlan.TOLERANCE);
            boolean beyond = off > BiasPlan.TOLERANCE;
            holding = (!below && !beyond) || (tries >= MOST_TRIES && Math.abs(off) <= COLD);
            turnsAgain(off);
            doubts = sensed && at > 1 && beyond && !holding && tries == DOUBTFUL_TRIES;
        } else if (bears(device, point)) {
            if (stage < ALL_OF_IT) {
                boolean tooFar = off(device) + 1 + ON_THE_WAY / 2 >= SHARES[1];
                begins(tooFar ? ALL_OF_IT : 1, tooFar ? Because.FULL : Because.THREE_QUARTERS);
            } else if (Math.abs(off(device)) > COLD) {
                begins(ALL_OF_IT, off(device) > 0 ? Because.OVERSHOT : Because.BELOW);
            } else {
                device.isSet = true;
                takesUp(at + 1);
            }
        }
    }

    /** Without the one in hand: what is more than before rose by itself. */
    private void leaves(Device device, BiasPoint point) {
        double beforeA = flowingA(base().value());
        doubts = false;
        device.currentA = none();
        if (flowingA(point.amperes()) - beforeA > RISE_JUMP * beforeA) {
            ends(BiasEnd.RUNS_AWAY);
            runaway = at == 2 ? 1 : 0;
        }
    }

    /** Whether a device bore to be left alone; else it goes back, or all is over. */
    private boolean bears(Device device, BiasPoint point) {
        double riseA = point.amperes() - last.value();
        double flowedA = flowingA(last.value());
        if (phase == Phase.CLIMB && riseA < -ON_THE_WAY * plan.idleA()) {
            // It was turned down, as one is told to when it rises by itself.
            begins(0, Because.ROSE);
            return false;
        }
        if (riseA <= RISE_STOP * flowedA) {
            return true;
        }
        device.rises++;
        if (device.rises > MOST_RISES || riseA > RISE_JUMP * flowedA) {
            ends(BiasEnd.RUNS_AWAY);
            return false;
        }
        if (phase == Phase.CLIMB) {
            begins(0, Because.ROSE);
        }
        // Hot it was seen to bear all of it: it is only warming again.
        return phase == Phase.EACH;
    }

    private void takesUp(int device) {
        at = device;
        if (at > devices.size()) {
            at = 1;
            phase = Phase.SOAK;
        } else {
            begins(0, Because.HALF);
        }
    }

    private void begins(int with, Because why) {
        stage = with;
        share = SHARES[with];
        because = why;
        tries = 0;
        holds = 0;
        holding = false;
    }

    private double off(Device device) {
        return device.currentA.value() / plan.idleA() - 1;
    }

    private boolean isNear(double off) {
        return Math.abs(off) <= NEAR || (tries >= MOST_TRIES && Math.abs(off) <= BiasPlan.TOLERANCE);
    }

    private void turnsAgain(double off) {
        if (!holding) {
            because = off > share - 1 ? Because.OVERSHOT : Because.BELOW;
            if (tries >= COARSE_TRIES) {
                ends(BiasEnd.TOO_COARSE);
            }
        }
    }

    private void soaks(BiasPoint point) {
        if (sensed) {
            goesOn(1);
            return;
        }
        Device device = device(at);
        reads(device, point);
        endsIfHot(off(device));
        if (phase == Phase.SOAK && at++ == devices.size()) {
            goesOn(rounds < MOST_ROUNDS ? nextOff(1) : 0);
        }
    }

    /** A device that draws far more hot, or another current again after it was set, does not get rid of its heat. */
    private void endsIfHot(double off) {
        if (rounds == 0 ? off > HOT_FIRST : Math.abs(off) > HOT_AGAIN) {
            ends(BiasEnd.RUNS_AWAY);
        }
    }

    /** Turned down they cool, and draw less still: by as much of the step as they rose by when they warmed. */
    private void hot() {
        begins(ALL_OF_IT, Because.HOT);
        double off = off(device(at));
        share = sensed ? 1 : 1 + Math.max(-MOST_AHEAD, Math.min(MOST_AHEAD, off * Math.abs(off)));
    }

    private void setsEach(BiasPoint point) {
        Device device = device(at);
        if (sensed && !isDown) {
            // What is left is the others'.
            double off = (last.value() - point.amperes()) / plan.idleA() - 1;
            wasOff = Math.max(wasOff, Math.abs(off));
            device.currentA = none();
            device.isSet = false;
            isDown = true;
            endsIfHot(off);
            return;
        }
        reads(device, point);
        if (!holding) {
            tries++;
            boolean near = isNear(off(device) - (share - 1));
            holding = near && sensed;
            if (!near) {
                turnsAgain(off(device));
            } else if (!sensed) {
                goesOn(nextOff(at + 1));
            }
        } else if (bears(device, point)) {
            double crept = (point.amperes() - last.value()) / plan.idleA();
            boolean creeps = Math.abs(crept) > NEAR;
            boolean off = Math.abs(off(device)) > NEAR;
            if ((off || creeps) && ++holds < MOST_HOLDS) {
                holding = !off;
                tries = 0;
                // It goes on creeping, by less.
                share = 1 - Math.max(0, Math.min(NEAR, crept / 2));
                because = off(device) > 0 ? Because.OVERSHOT : Because.BELOW;
            } else if (crept > 2 * NEAR) {
                // Set again and again, it still rises.
                ends(BiasEnd.RUNS_AWAY);
            } else {
                isDown = false;
                device.isSet = true;
                goesOn(at < devices.size() ? at + 1 : 0);
            }
        }
    }

    /** Sets a device by itself; with none of them everything is left to get hot again, or was. */
    private void goesOn(int device) {
        if (device > 0) {
            phase = Phase.EACH;
            at = device;
            hot();
        } else if (phase == Phase.EACH && rounds++ < MOST_ROUNDS && (!sensed || wasOff > FAR)) {
            at = 1;
            wasOff = 0;
            phase = Phase.SOAK;
        } else {
            closes();
            ends(BiasEnd.DONE);
        }
    }

    /** What is left alone may creep by as much as was let pass, and mostly does by little. */
    private void closes() {
        for (int i = 0; i < devices.size(); i++) {
            Device device = devices.get(i);
            device.currentA = device.currentA.with(
                    new ErrorSource("creep", "", Integer.toString(i + 1)), NEAR * plan.idleA() / Math.sqrt(6));
        }
    }

    /** Returns the first device from one on that is off; 0 where none is. */
    private int nextOff(int from) {
        for (int i = from; i <= devices.size(); i++) {
            if (Math.abs(off(device(i))) > NEAR) {
                return i;
            }
        }
        return 0;
    }

    private void ends(BiasEnd with) {
        end = with;
        phase = Phase.OVER;
        runaway = with == BiasEnd.RUNS_AWAY ? device() : 0;
    }
}
