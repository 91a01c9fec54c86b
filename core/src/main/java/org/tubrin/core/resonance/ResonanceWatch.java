package org.tubrin.core.resonance;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.metering.Steadied;
import org.tubrin.core.resonance.NextAct.Because;

/**
 * A watch over an antenna: its looks, each from place to place of the motor until it is in tune, and what they tell of the way
 * it wanders.
 *
 * <p>A phase meter's departure near resonance goes with the motor: {@code off = gain·(motor − resonance)}, so that each place
 * tells where resonance is. Volts over amperes are least there, which only the end of a look tells.
 *
 * @param witness what it is watched by
 * @param looks in their order, each at least one place
 * @param scatter what wind does to one reading; empty while no place was read often enough
 * @param gain what a short step of the motor does; of phase only, empty while it is not told
 */
public record ResonanceWatch(Witness witness, List<List<Place>> looks, Optional<Scatter> scatter, Optional<Gain> gain) {
    /** A reading that comes later than this after the last is another look. */
    private static final Duration SAME_LOOK = Duration.ofSeconds(60);

    private static final int ENOUGH = 3;
    private static final int MOST_READINGS = 5;
    private static final int MOST_FLAT = 3;
    private static final int MOST_MOVES = 30;
    private static final double SHORTEST_WAIT_S = 60;
    private static final double LONGEST_WAIT_S = 1200;
    private static final double USUAL_WAIT_S = 300;
    private static final double SECONDS_PER_HOUR = 3600;
    /** Drift is told from what this long ago was. */
    private static final Duration RECENT = Duration.ofMinutes(90);

    private static final int LEAST_FOR_DRIFT = 3;
    private static final double LEAST_OPEN = 1e-6;

    public ResonanceWatch {
        looks = looks.stream().map(List::copyOf).toList();
    }

    /**
     * What a short step of the motor does.
     *
     * @param perStep departure per step, with its sign
     * @param halfWidth95 what is left open of that
     */
    public record Gain(double perStep, double halfWidth95) {}

    /** Where resonance was, in short steps of the motor, with what is left open of it. */
    public record Found(Place place, double motor, double halfWidth95) {}

    /** Returns the watch over some readings in their order. */
    public static ResonanceWatch of(Witness witness, List<ResonancePoint> points) {
        List<List<List<ResonancePoint>>> looks = looks(points);
        Optional<Scatter> scatter = scatter(looks);
        List<List<Place>> placed = looks.stream()
                .map(look ->
                        look.stream().map(place -> Place.of(place, scatter)).toList())
                .toList();
        return new ResonanceWatch(witness, placed, scatter, witness.hasSide() ? gain(placed) : Optional.empty());
    }

    private static List<List<List<ResonancePoint>>> looks(List<ResonancePoint> points) {
        List<List<List<ResonancePoint>>> looks = new ArrayList<>();
        Optional<ResonancePoint> before = Optional.empty();
        for (ResonancePoint point : points) {
            boolean isOfLook = before.filter(last -> last.keyDown() == point.keyDown()
                            && Duration.between(last.at(), point.at()).compareTo(SAME_LOOK) <= 0)
                    .isPresent();
            if (!isOfLook) {
                looks.add(new ArrayList<>());
            }
            List<List<ResonancePoint>> look = looks.get(looks.size() - 1);
            boolean stays = isOfLook
                    && before.filter(last -> last.motor() == point.motor()).isPresent();
            if (!stays) {
                look.add(new ArrayList<>());
            }
            look.get(look.size() - 1).add(point);
            before = Optional.of(point);
        }
        return looks;
    }

    /** Readings of one place depart from their mean through wind alone; all places tell of one scatter. */
    private static Optional<Scatter> scatter(List<List<List<ResonancePoint>>> looks) {
        double squares = 0;
        int free = 0;
        for (List<List<ResonancePoint>> look : looks) {
            for (List<ResonancePoint> place : look) {
                double mean = place.stream()
                        .mapToDouble(point -> point.off().value())
                        .average()
                        .orElseThrow();
                for (ResonancePoint point : place) {
                    squares += Math.pow(point.off().value() - mean, 2);
                }
                free += place.size() - 1;
            }
        }
        return free < ENOUGH - 1 ? Optional.empty() : Optional.of(new Scatter(Math.sqrt(squares / free), free));
    }

    /** Weighted least squares over all pairs of neighbouring places, through the origin: each pair tells of one gain. */
    private static Optional<Gain> gain(List<List<Place>> looks) {
        double weighed = 0;
        double weight = 0;
        for (List<Place> look : looks) {
            for (int i = 1; i < look.size(); i++) {
                Place from = look.get(i - 1);
                Place to = look.get(i);
                double steps = to.motor() - from.motor();
                double open = Math.max(LEAST_OPEN, Math.hypot(from.halfWidth95(), to.halfWidth95()));
                weighed += steps * (to.off() - from.off()) / (open * open);
                weight += steps * steps / (open * open);
            }
        }
        double perStep = weighed / weight;
        double halfWidth95 = 1 / Math.sqrt(weight);
        return weight > 0 && Math.abs(perStep) > halfWidth95
                ? Optional.of(new Gain(perStep, halfWidth95))
                : Optional.empty();
    }

    /** Returns the place read last; empty before anything was read. */
    public Optional<Place> last() {
        return looks.isEmpty() ? Optional.empty() : Optional.of(last(lastLook()));
    }

    private static Place last(List<Place> look) {
        return look.get(look.size() - 1);
    }

    private List<Place> lastLook() {
        return looks.get(looks.size() - 1);
    }

    /** Returns what follows from the last look. */
    public NextAct next() {
        if (looks.isEmpty()) {
            return NextAct.read(Because.FIRST);
        }
        List<Place> look = lastLook();
        Place here = last(look);
        boolean windIsKnown = scatter.isPresent();
        if (!windIsKnown && here.count() < ENOUGH) {
            return NextAct.read(Because.WIND);
        }
        boolean beenHere = look.stream().limit(look.size() - 1).anyMatch(place -> place.motor() == here.motor());
        if (Math.abs(here.off()) <= witness.leave()) {
            boolean told =
                    here.halfWidth95() <= witness.alarm() - Math.abs(here.off()) || here.count() >= MOST_READINGS;
            return told ? NextAct.leave(Because.IN_TUNE) : NextAct.read(Because.WIND);
        }
        if (look.size() > MOST_MOVES) {
            return NextAct.stop(Because.FAR);
        }
        return witness.hasSide() ? bySide(look, here, beenHere) : byLeast(look, here, beenHere);
    }

    /** Towards the middle until the sign turns; then the nearer of the last two places. */
    private NextAct bySide(List<Place> look, Place here, boolean beenHere) {
        if (!here.isSure()) {
            return here.count() < MOST_READINGS ? NextAct.read(Because.WIND) : NextAct.leave(Because.AS_WELL_AS_WIND);
        }
        if (look.size() > 1) {
            Place before = look.get(look.size() - 2);
            if (before.isSure() && Math.signum(before.off()) != Math.signum(here.off())) {
                boolean nearer = Math.abs(here.off()) <= Math.abs(before.off());
                return nearer || beenHere
                        ? NextAct.leave(Because.TURNED)
                        : NextAct.move(way(here, before), Because.BACK);
            }
            if (isStuck(look)) {
                return NextAct.stop(Because.STUCK);
            }
        }
        int way = gain.map(one -> here.off() * one.perStep > 0 ? -1 : 1).orElseGet(() -> onwards(look));
        boolean wrongWay = look.size() > 1
                && here.isApartFrom(look.get(look.size() - 2))
                && Math.abs(here.off()) > Math.abs(look.get(look.size() - 2).off());
        return NextAct.move(way, wrongWay ? Because.WRONG_WAY : beyond(here));
    }

    /** Onwards while it falls; one back once it has risen. */
    private NextAct byLeast(List<Place> look, Place here, boolean beenHere) {
        if (beenHere) {
            return atLeast(here);
        }
        if (look.size() == 1) {
            return NextAct.move(onwards(look), beyond(here));
        }
        Place before = look.get(look.size() - 2);
        if (!here.isApartFrom(before)) {
            if (here.count() < MOST_READINGS) {
                return NextAct.read(Because.WIND);
            }
            if (isStuck(look)) {
                return NextAct.stop(Because.STUCK);
            }
            return Math.abs(here.off()) > witness.alarm() ? NextAct.move(onwards(look), beyond(here)) : atLeast(here);
        }
        if (here.off() < before.off()) {
            return NextAct.move(onwards(look), beyond(here));
        }
        // The first step went up: past the place where it began, to its other side.
        return look.size() == 2
                ? NextAct.move(2 * way(here, before), Because.WRONG_WAY)
                : NextAct.move(way(here, before), Because.BACK);
    }

    private NextAct atLeast(Place here) {
        return Math.abs(here.off()) > witness.alarm() && here.isSure()
                ? NextAct.stop(Because.RESISTANCE)
                : NextAct.leave(Because.AS_WELL_AS_WIND);
    }

    private Because beyond(Place here) {
        return Math.abs(here.off()) > witness.alarm() ? Because.ALARM : Because.OFF;
    }

    private static int way(Place from, Place to) {
        return to.motor() > from.motor() ? 1 : -1;
    }

    /** Returns the way of the last step of the look, else of the last step that helped in one before; up where there was none. */
    private int onwards(List<Place> look) {
        if (look.size() > 1) {
            return way(look.get(look.size() - 2), last(look));
        }
        int way = 1;
        for (List<Place> one : looks) {
            for (int i = 1; i < one.size(); i++) {
                if (Math.abs(one.get(i).off()) < Math.abs(one.get(i - 1).off())) {
                    way = way(one.get(i - 1), one.get(i));
                }
            }
        }
        return way;
    }

    /** Returns whether the last steps, each read often enough, changed nothing. */
    private static boolean isStuck(List<Place> look) {
        return look.size() > MOST_FLAT
                && !last(look).isApartFrom(look.get(look.size() - 1 - MOST_FLAT))
                && look.get(look.size() - 1 - MOST_FLAT).isSure();
    }

    /** Returns whether the last reading is beyond what an alarm is due for. */
    public boolean isAlarmed() {
        return last().filter(place -> Math.abs(place.off()) - place.halfWidth95() > witness.alarm())
                .isPresent();
    }

    /**
     * Returns where resonance was, in the order of time: of phase by each place, once it is known what a step does; of volts over
     * amperes by the end of each look that came to one.
     */
    public List<Found> found() {
        List<Found> found = new ArrayList<>();
        for (int i = 0; i < looks.size(); i++) {
            List<Place> look = looks.get(i);
            if (gain.isPresent()) {
                look.forEach(place -> found.add(found(place, gain.get())));
            } else if (!witness.hasSide() && (i < looks.size() - 1 || next().act() == NextAct.Act.LEAVE)) {
                found.add(new Found(last(look), last(look).motor(), 1));
            }
        }
        return List.copyOf(found);
    }

    private static Found found(Place place, Gain gain) {
        double steps = place.off() / gain.perStep;
        double open = Math.hypot(place.halfWidth95(), steps * gain.halfWidth95) / Math.abs(gain.perStep);
        return new Found(place, place.motor() - steps, open);
    }

    /**
     * Returns how fast resonance wanders, in short steps of the motor an hour, by three looks or more
     * of 90 minutes: the middle of the slopes between each two of them (H. Theil, P. K. Sen). Empty while there are too few.
     */
    public OptionalDouble stepsPerHour() {
        List<Found> ends = endsOfLooks();
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < ends.size(); i++) {
            for (int j = i + 1; j < ends.size(); j++) {
                double seconds = Duration.between(
                                        ends.get(i).place.at(),
                                        ends.get(j).place.at())
                                .toMillis()
                        / 1000.0;
                if (seconds > 0) {
                    slopes.add(SECONDS_PER_HOUR * (ends.get(j).motor - ends.get(i).motor) / seconds);
                }
            }
        }
        return ends.size() < LEAST_FOR_DRIFT || slopes.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(Steadied.of(
                                slopes.stream().mapToDouble(Double::doubleValue).toArray())
                        .median());
    }

    private List<Found> endsOfLooks() {
        List<Found> found = found();
        if (found.isEmpty()) {
            return List.of();
        }
        Instant since = found.get(found.size() - 1).place.at().minus(RECENT);
        return found.stream()
                .filter(one -> !one.place.at().isBefore(since))
                .filter(one -> looks.stream().anyMatch(look -> last(look).equals(one.place)))
                .toList();
    }

    /** Returns how long the motor may be left alone after a look, in seconds: until drift takes it to half of what an alarm is due for. */
    public double waitS() {
        OptionalDouble drift = stepsPerHour();
        if (drift.isEmpty() || gain.isEmpty()) {
            return USUAL_WAIT_S;
        }
        double perSecond = Math.abs(drift.getAsDouble() * gain.get().perStep) / SECONDS_PER_HOUR;
        double leftS = (witness.alarm() / 2) / Math.max(perSecond, 1e-12);
        return Math.max(SHORTEST_WAIT_S, Math.min(LONGEST_WAIT_S, leftS));
    }
}
