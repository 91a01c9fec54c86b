package org.tubrin.core.card;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Quantity;

/**
 * One line of a tune card: the same dials for the same thing, as often as they were verified.
 *
 * @param newest row that was verified last
 * @param first row that was verified first; the same where there is one only
 * @param times how often
 */
public record CardLine(CardRow newest, CardRow first, int times) {
    /** Frequencies within this share of each other belong to one segment of a band. */
    public static final double SEGMENT_SHARE = 0.007;

    /** Returns the line of one row. */
    public static CardLine of(CardRow row) {
        return new CardLine(row, row, 1);
    }

    /**
     * Returns the lines of a card: places of one amplifier, band, load or antenna, switch position and use whose frequencies lie in
     * one segment become one; the newest row of a line says where its segment is. Bands and frequencies in rising order.
     */
    public static List<CardLine> joined(List<CardLine> places) {
        List<CardLine> lines = new ArrayList<>();
        places.stream()
                .sorted(Comparator.comparing((CardLine place) -> place.newest.verifiedAt())
                        .reversed())
                .forEach(place -> {
                    for (int i = 0; i < lines.size(); i++) {
                        if (areOfOneLine(lines.get(i).newest, place.newest)) {
                            lines.set(i, lines.get(i).and(place));
                            return;
                        }
                    }
                    lines.add(place);
                });
        return lines.stream()
                .sorted(Comparator.comparing((CardLine place) -> place.newest.amplifier())
                        .thenComparing(place -> place.newest.band())
                        .thenComparing(place -> place.newest.frequencyHz())
                        .thenComparing(place -> place.newest.termination())
                        .thenComparing(place -> place.newest.use()))
                .toList();
    }

    private static boolean areOfOneLine(CardRow one, CardRow other) {
        return one.amplifier().equals(other.amplifier())
                && one.band() == other.band()
                && one.termination().equals(other.termination())
                && one.switchPosition().equals(other.switchPosition())
                && one.use() == other.use()
                && Math.abs(other.frequencyHz() / one.frequencyHz() - 1) <= SEGMENT_SHARE;
    }

    /** Returns this with a place whose newest row is older than this one's. */
    private CardLine and(CardLine older) {
        boolean earlier = older.first.verifiedAt().isBefore(first.verifiedAt());
        return new CardLine(newest, earlier ? older.first : first, times + older.times);
    }

    /**
     * What has changed since a line was first verified.
     *
     * @param since that row
     * @param plateMarks PLATE, in marks of the dial's scale
     * @param loadMarks LOAD
     * @param outputW output, where the drive was the same within 5 %, and both were read of a carrier or both of pulses
     */
    public record Drift(CardRow since, double plateMarks, double loadMarks, Optional<Quantity> outputW) {}

    /** Returns the drift from the first row to the newest; empty where there is one only. */
    public Optional<Drift> drift() {
        if (times < 2) {
            return Optional.empty();
        }
        boolean alike = Math.abs(newest.driveW() / first.driveW() - 1) < 0.05 && newest.pulsed() == first.pulsed();
        return Optional.of(new Drift(
                first,
                newest.plate() - first.plate(),
                newest.load() - first.load(),
                alike ? Optional.of(newest.outputW().minus(first.outputW())) : Optional.empty()));
    }
}
