package org.tubrin.bench.campaign;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleSupplier;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Stop;
import org.tubrin.core.run.TuneSetup;

/** A person's hand and eye: turns a knob while watching a meter, at human speed, with human slips. */
final class Hand {
    private static final double TURN_S = 0.12;
    private static final double READ_S = 0.35;
    private static final double OVERSHOOT = 0.03;
    private static final double WRONG_DIVISION = 0.015;
    /** Output below this share of the most seen has begun to fall. */
    private static final double OUTPUT_KEPT = 0.97;

    private static final int MOST_TURNS = 40;
    /** A change on the scale that is seen, as a share of it. */
    private static final double SEEN_SHARE = 0.001;

    private final Shack shack;
    private final Random random;
    private final TuneSetup setup;
    private List<Stop> stops = List.of();
    private final Map<ReadingRole, Double> nearness = new EnumMap<>(ReadingRole.class);
    private MeterRange outputRange;

    Hand(Shack shack, Random random) {
        this.shack = shack;
        this.random = random;
        setup = shack.setup();
        outputRange =
                setup.channelFor(ReadingRole.OUTPUT).orElseThrow().ranges().get(0);
    }

    /** A meter that was seen at its stop, and what it showed. */
    record Seen(ReadingRole role, double shows) {}

    /** Turns no knob beyond these from now on. */
    void minds(List<Stop> all) {
        stops = all;
        nearness.clear();
    }

    /** Goes over the meters that have a stop; returns the first that stands at it. */
    Optional<Seen> atStop() {
        for (Stop stop : stops) {
            Optional<Seen> seen = atStop(stop);
            if (seen.isPresent()) {
                return seen;
            }
        }
        return Optional.empty();
    }

    private Optional<Seen> atStop(Stop stop) {
        double shows = Math.abs(glance(stop.role()));
        nearness.put(stop.role(), shows / stop.shows());
        return shows >= stop.shows() ? Optional.of(new Seen(stop.role(), shows)) : Optional.empty();
    }

    /** While turning, the eye goes back to the meter that is nearest to its stop. */
    private boolean comesToStop() {
        return stops.stream()
                .max(Comparator.comparingDouble(stop -> nearness.getOrDefault(stop.role(), 0.0)))
                .flatMap(this::atStop)
                .isPresent();
    }

    void range(MeterRange to) {
        outputRange = to;
    }

    MeterRange range(ReadingRole role) {
        return role == ReadingRole.OUTPUT
                ? outputRange
                : setup.channelFor(role).orElseThrow().ranges().get(0);
    }

    /** Sets a knob by its scale, to what the eye can place it at. */
    void set(Control control, double to) {
        double grain = control == Control.DRIVE ? 0 : shack.dial(control).markStep() * 0.02;
        shack.pass(1);
        shack.turn(control, to + grain * random.nextGaussian());
    }

    /** Reads a meter, now and then a division wrong. */
    double reads(ReadingRole role) {
        shack.pass(READ_S);
        Channel channel = setup.channelFor(role).orElseThrow();
        double shown = shack.shows(role, range(role));
        double division = range(role).fullScale() / 50;
        double slip = random.nextDouble() < WRONG_DIVISION ? division * (random.nextBoolean() ? 1 : -1) : 0;
        double least = channel.role().mayBeNegative() ? -1e6 : 0;
        return Math.max(least, shown + slip);
    }

    /** Turns PLATE for what a school turns it for, no longer than until a moment. */
    void plateFor(School.Aim aim, double untilS) {
        double mark = shack.dial(Control.PLATE).markStep();
        switch (aim) {
            case OUTPUT -> climb(Control.PLATE, 0.06 * mark, ReadingRole.OUTPUT, 1, untilS);
            case DIP -> climb(Control.PLATE, 0.06 * mark, ReadingRole.PLATE_CURRENT, -1, untilS);
            case GRID -> climb(Control.PLATE, 0.06 * mark, ReadingRole.GRID_CURRENT, 1, untilS);
        }
    }

    void loadForOutput(double untilS) {
        climb(Control.LOAD, 0.25 * shack.dial(Control.LOAD).markStep(), ReadingRole.OUTPUT, 1, untilS);
    }

    /** Turns LOAD until a current stands at a target, but no dip heavier than the output bears; heavier raises plate current and lowers grid current. */
    void loadTo(ReadingRole role, double targetA, double untilS) {
        double mark = 0.2 * shack.dial(Control.LOAD).markStep();
        double mostW = 0;
        for (int i = 0; i < MOST_TURNS && shack.nowS() < untilS && shack.keyed(); i++) {
            double now = glance(role);
            if (Math.abs(now / targetA - 1) < 0.03) {
                return;
            }
            boolean heavier = (now < targetA) == (role == ReadingRole.PLATE_CURRENT);
            double outputW = role == ReadingRole.PLATE_CURRENT && heavier ? glance(ReadingRole.OUTPUT) : 0;
            mostW = Math.max(mostW, outputW);
            if (outputW < OUTPUT_KEPT * mostW) {
                return;
            }
            int sign = setup.tubes().loadSense().heavierSign() * (heavier ? 1 : -1);
            double from = shack.shown(Control.LOAD);
            shack.turn(Control.LOAD, from + sign * mark);
            if (shack.shown(Control.LOAD) == from) {
                return;
            }
            if (comesToStop()) {
                shack.turn(Control.LOAD, from);
                return;
            }
            if (role == ReadingRole.PLATE_CURRENT && i % 2 == 1) {
                plateFor(School.Aim.DIP, Math.min(untilS, shack.nowS() + 1));
            }
        }
    }

    /** Sees a meter for a moment while turning. */
    private double glance(ReadingRole role) {
        shack.pass(TURN_S);
        return shack.shows(role, range(role));
    }

    /**
     * Turns one way while a meter rises (falls, for an up of −1), the other way where it does not, and comes back to the middle of what
     * looked best, from the side it was found from: so it stands there whatever play the gear has.
     */
    private void climb(Control control, double step, ReadingRole role, int up, double untilS) {
        DoubleSupplier figure = () -> up * glance(role);
        double seen = SEEN_SHARE * range(role).fullScale();
        double start = shack.shown(control);
        double play = shack.knownPlay(control);
        double first = figure.getAsDouble();
        Sweep there = sweep(control, new Sweep(false, false, first, start, start), step, figure, seen, untilS);
        if (there.rose() || there.cut()) {
            comesBack(control, there, play);
            return;
        }
        shack.turn(control, start - play);
        Sweep back = new Sweep(false, false, there.best(), there.low() - play, there.high() - play);
        comesBack(control, sweep(control, back, -step, figure, seen, untilS), -play);
    }

    /** What was seen while a knob was turned: whether the meter rose, whether a stop or the time cut it short, and where it was best. */
    private record Sweep(boolean rose, boolean cut, double best, double low, double high) {
        Sweep ended(boolean isCut) {
            return new Sweep(rose, isCut, best, low, high);
        }
    }

    /** Turns one way until the meter falls, the knob is at its end, a stop is met or the time is over. */
    private Sweep sweep(Control control, Sweep from, double step, DoubleSupplier figure, double seen, double untilS) {
        Sweep sweep = from;
        int worse = 0;
        int patience = random.nextDouble() < OVERSHOOT ? 4 : 1;
        for (int i = 0; i < MOST_TURNS && worse < patience && inTime(untilS); i++) {
            double before = shack.shown(control);
            shack.turn(control, before + step);
            double at = shack.shown(control);
            if (at == before) {
                return sweep;
            }
            double now = figure.getAsDouble();
            if (i % 2 == 1 && comesToStop()) {
                return sweep.ended(true);
            }
            if (now > sweep.best() + seen) {
                sweep = new Sweep(true, false, now, at, at);
            } else if (now >= sweep.best() - seen) {
                sweep = new Sweep(
                        sweep.rose(), false, sweep.best(), Math.min(sweep.low(), at), Math.max(sweep.high(), at));
            } else {
                worse++;
            }
        }
        return sweep.ended(!inTime(untilS));
    }

    /** Turns to the middle of what was best, from so many marks behind it. */
    private void comesBack(Control control, Sweep found, double play) {
        double to = (found.low() + found.high()) / 2;
        if (play != 0 && shack.shown(control) != to) {
            shack.turn(control, to - play);
        }
        shack.turn(control, to);
    }

    private boolean inTime(double untilS) {
        return shack.nowS() < untilS && shack.keyed();
    }
}
