package org.tubrin.core.resonance;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.Steadied;

/**
 * What was read at one place of the motor, one reading soon after the other: wind makes them wander.
 *
 * @param points at least one, of one look
 * @param off the middle of them
 * @param halfWidth95 what the wind and the meter leave open of that
 */
public record Place(List<ResonancePoint> points, double off, double halfWidth95) {
    public Place {
        points = List.copyOf(points);
    }

    /** Returns the place of some readings; where nothing is known of the wind, what the meter leaves open is all. */
    static Place of(List<ResonancePoint> points, Optional<Scatter> scatter) {
        double meter = points.get(points.size() - 1).off().halfWidth95();
        double wind = scatter.map(one -> one.halfWidth95(points.size())).orElse(0.0);
        return new Place(points, middle(points), Math.hypot(meter, wind));
    }

    static double middle(List<ResonancePoint> points) {
        return Steadied.of(points.stream()
                        .mapToDouble(point -> point.off().value())
                        .toArray())
                .median();
    }

    /** Returns where the motor stood. */
    public double motor() {
        return points.get(0).motor();
    }

    /** Returns when it was read last. */
    public Instant at() {
        return points.get(points.size() - 1).at();
    }

    /** Returns how often it was read. */
    public int count() {
        return points.size();
    }

    /** Returns whether the departure is surely of the side that it seems. */
    boolean isSure() {
        return Math.abs(off) > halfWidth95;
    }

    /** Returns whether another place is surely nearer to resonance, or surely farther from it. */
    boolean isApartFrom(Place other) {
        return Math.abs(off - other.off) > Math.hypot(halfWidth95, other.halfWidth95);
    }
}
