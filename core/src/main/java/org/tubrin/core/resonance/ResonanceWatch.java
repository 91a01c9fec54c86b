package org.tubrin.core.resonance;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
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
    private static final int WELL_KNOWN = 6;
    /** Wind changes: so many looks tell of it. */
    private static final int RECENT_LOOKS = 12;

    private static final int MOST_READINGS = 5;
    private static final int MOST_FLAT = 3;
    private static final int MOST_MOVES = 30;
    private static final double SHORTEST_WAIT_S = 60;
    private static final double LONGEST_WAIT_S = 1200;
    private static final double USUAL_WAIT_S = 300;
    private static final double SECONDS_PER_HOUR = 3600;
    /** Drift is told from what this long ago was. */
    private static final Duration RECENT = Duration.ofMinutes(90);

    private static final int LEAST_FOR_DRIFT = 4;
    private static final double MILLIS_PER_HOUR = 3.6e6;
    private static final double LEAST_OPEN = 1e-9;
    /** A slope whose sign is told with three standard uncertainties. */
    private static final double SURELY = 1.5;

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
        return new ResonanceWatch(
                witness, placed, scatter, witness.hasSide() ? gain(placed, witness.leave()) : Optional.empty());
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

    /** Readings of one place depart from their mean through wind alone; the places of the last looks tell of one scatter. */
    private static Optional<Scatter> scatter(List<List<List<ResonancePoint>>> looks) {
        double squares = 0;
        int free = 0;
        for (List<List<ResonancePoint>> look : looks.subList(Math.max(0, looks.size() - RECENT_LOOKS), looks.size())) {
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
        return free < ENOUGH - 1 ? Optional.empty() : Optional.of(Scatter.of(Math.sqrt(squares / free), free));
    }

    /**
     * By looks that surely began beyond what is left alone: a step that one high reading asked for seems to do more than it does. Where
     * there are none yet, by all.
     */
    private static Optional<Gain> gain(List<List<Place>> looks, double leave) {
        Optional<Gain> sure = gain(looks.stream()
                .filter(look -> Math.abs(look.get(0).off()) - look.get(0).halfWidth95() > leave)
                .toList());
        return sure.isPresent() ? sure : gain(looks);
    }

    /** Weighted least squares: one slope through the places of all looks, each look at a height of its own. */
    private static Optional<Gain> gain(List<List<Place>> looks) {
        double along = 0;
        double across = 0;
        for (List<Place> look : looks) {
            double weight = look.stream().mapToDouble(ResonanceWatch::weight).sum();
            double motor = look.stream()
                            .mapToDouble(place -> weight(place) * place.motor())
                            .sum()
                    / weight;
            double off = look.stream()
                            .mapToDouble(place -> weight(place) * place.off())
                            .sum()
                    / weight;
            for (Place place : look) {
                along += weight(place) * (place.motor() - motor) * (place.off() - off);
                across += weight(place) * (place.motor() - motor) * (place.motor() - motor);
            }
        }
        if (across <= 0) {
            return Optional.empty();
        }
        Gain gain = new Gain(along / across, 1 / Math.sqrt(across));
        return Optional.of(gain).filter(one -> Math.abs(one.perStep) > SURELY * one.halfWidth95);
    }

    private static double weight(Place place) {
        return 1 / Math.max(LEAST_OPEN, place.halfWidth95() * place.halfWidth95());
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
        // Each look tells anew what wind does: a scatter that came out small by chance would never be read again.
        boolean isFirst = look.size() == 1;
        int least = scatter.filter(one -> one.free() >= WELL_KNOWN).isPresent() ? 2 : ENOUGH;
        if (here.count() < least && (isFirst || scatter.isEmpty())) {
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
            if (seemsStuck(look)) {
                return wouldShow(look)
                        ? NextAct.stop(Because.STUCK)
                        : here.count() < MOST_READINGS
                                ? NextAct.read(Because.WIND)
                                : NextAct.move(onwards(look), beyond(here));
            }
        }
        boolean worse = here.isApartFrom(look.get(0))
                && Math.abs(here.off()) > Math.abs(look.get(0).off());
        int way = gain.map(one -> here.off() * one.perStep > 0 ? -1 : 1)
                .orElseGet(() -> worse ? -onwards(look) : onwards(look));
        return NextAct.move(way, worse ? Because.WRONG_WAY : beyond(here));
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
            if (seemsStuck(look) && wouldShow(look)) {
                return NextAct.stop(Because.STUCK);
            }
            return Math.abs(here.off()) > witness.alarm() ? NextAct.move(onwards(look), beyond(here)) : atLeast(here);
        }
        if (here.off() < before.off()) {
            return NextAct.move(onwards(look), beyond(here));
        }
        return risen(look, here, way(before, here));
    }

    /** Back to the least, where what was tried on its other side is surely higher; else past all that was tried, to its other side. */
    private static NextAct risen(List<Place> look, Place here, int way) {
        Comparator<Place> byMotor = Comparator.comparingDouble(Place::motor);
        Place end = look.stream().min(way > 0 ? byMotor : byMotor.reversed()).orElseThrow();
        Place least = look.stream().min(Comparator.comparingDouble(Place::off)).orElseThrow();
        return least.isApartFrom(end)
                ? NextAct.move((int) Math.round(least.motor() - here.motor()), Because.BACK)
                : NextAct.move((int) Math.round(end.motor() - way - here.motor()), Because.WRONG_WAY);
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

    /** Returns whether the last steps, all the same way, seem to have changed nothing. */
    private static boolean seemsStuck(List<Place> look) {
        return look.size() > MOST_FLAT
                && Math.abs(last(look).motor() - beforeFlat(look).motor()) >= MOST_FLAT
                && !last(look).isApartFrom(beforeFlat(look))
                && beforeFlat(look).isSure();
    }

    /** Returns whether what a step does would have shown by now; of a motor that never did anything, by reading often and well enough. */
    private boolean wouldShow(List<Place> look) {
        double open = Math.hypot(last(look).halfWidth95(), beforeFlat(look).halfWidth95());
        return gain.map(one -> MOST_FLAT * Math.abs(one.perStep) > 2 * open)
                .orElse(last(look).count() >= MOST_READINGS && open < witness.alarm() / 2);
    }

    private static Place beforeFlat(List<Place> look) {
        return look.get(look.size() - 1 - MOST_FLAT);
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

    /** How fast resonance wanders, in short steps of the motor an hour, with what is left open of it. */
    public record Drift(double stepsPerHour, double halfWidth95) {}

    /**
     * Returns how fast resonance wanders: least squares through what the looks of the last 90 minutes began with, its interval by how
     * they lie round the line (Student's t). The end of a look is no witness: it ended because it read well. Empty while there are fewer than four.
     */
    public Optional<Drift> drift() {
        List<Found> first = beginnings();
        if (first.size() < LEAST_FOR_DRIFT) {
            return Optional.empty();
        }
        Instant from = first.get(0).place.at();
        double[] hours = first.stream()
                .mapToDouble(one -> Duration.between(from, one.place.at()).toMillis() / MILLIS_PER_HOUR)
                .toArray();
        double[] steps = first.stream().mapToDouble(Found::motor).toArray();
        double middleHour = Arrays.stream(hours).average().orElseThrow();
        double middleStep = Arrays.stream(steps).average().orElseThrow();
        double across = 0;
        double along = 0;
        for (int i = 0; i < hours.length; i++) {
            across += (hours[i] - middleHour) * (hours[i] - middleHour);
            along += (hours[i] - middleHour) * (steps[i] - middleStep);
        }
        if (across <= 0) {
            return Optional.empty();
        }
        double slope = along / across;
        double squares = 0;
        for (int i = 0; i < hours.length; i++) {
            squares += Math.pow(steps[i] - middleStep - slope * (hours[i] - middleHour), 2);
        }
        int free = hours.length - 2;
        return Optional.of(new Drift(slope, Scatter.student(free) * Math.sqrt(squares / free / across)));
    }

    private List<Found> beginnings() {
        List<Found> found = found();
        if (found.isEmpty()) {
            return List.of();
        }
        Instant since = found.get(found.size() - 1).place.at().minus(RECENT);
        return found.stream()
                .filter(one -> !one.place.at().isBefore(since))
                .filter(one -> !witness.hasSide()
                        || looks.stream().anyMatch(look -> look.get(0).equals(one.place)))
                .toList();
    }

    /** Returns how long the motor may be left alone after a look, in seconds: until drift takes it to half of what an alarm is due for. */
    public double waitS() {
        Optional<Drift> drift = drift();
        if (drift.isEmpty() || gain.isEmpty()) {
            return USUAL_WAIT_S;
        }
        double perSecond = Math.abs(drift.get().stepsPerHour * gain.get().perStep) / SECONDS_PER_HOUR;
        double leftS = (witness.alarm() / 2) / Math.max(perSecond, 1e-12);
        return Math.max(SHORTEST_WAIT_S, Math.min(LONGEST_WAIT_S, leftS));
    }
}
