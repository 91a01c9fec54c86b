package org.tubrin.core.card;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Quantity;

/**
 * One line of a tune card: the same dials for the same thing, as often as they were verified.
 *
 * @param rows newest first, at least one
 */
public record Place(List<CardRow> rows) {
    /** Frequencies within this share of each other belong to one segment of a band. */
    public static final double SEGMENT_SHARE = 0.007;

    public Place {
        rows = List.copyOf(rows);
    }

    /**
     * Returns the lines of all rows: those of one amplifier, band, load or antenna and switch position whose frequency lies in
     * one segment; the newest row of a line says where its segment is. Bands and frequencies in rising order.
     */
    public static List<Place> of(List<CardRow> rows) {
        List<List<CardRow>> lines = new ArrayList<>();
        rows.stream()
                .sorted(Comparator.comparing(CardRow::verifiedAt).reversed())
                .forEach(row -> lines.stream()
                        .filter(line -> line.get(0).isOfOnePlaceWith(row))
                        .findFirst()
                        .orElseGet(() -> {
                            List<CardRow> line = new ArrayList<>();
                            lines.add(line);
                            return line;
                        })
                        .add(row));
        return lines.stream()
                .map(Place::new)
                .sorted(Comparator.comparing((Place place) -> place.newest().amplifier())
                        .thenComparing(place -> place.newest().band())
                        .thenComparing(place -> place.newest().frequencyHz())
                        .thenComparing(place -> place.newest().termination()))
                .toList();
    }

    /** Returns the row that was verified last. */
    public CardRow newest() {
        return rows.get(0);
    }

    /**
     * What has changed since a line was first verified.
     *
     * @param since that row
     * @param plateMarks PLATE, in marks of the dial's scale
     * @param loadMarks LOAD
     * @param outputW output, where the drive was the same within 5 %
     */
    public record Drift(CardRow since, double plateMarks, double loadMarks, Optional<Quantity> outputW) {}

    /** Returns the drift from the first row to the newest; empty where there is one only. */
    public Optional<Drift> drift() {
        if (rows.size() < 2) {
            return Optional.empty();
        }
        CardRow first = rows.get(rows.size() - 1);
        CardRow last = newest();
        boolean sameDrive = Math.abs(last.driveW() / first.driveW() - 1) < 0.05;
        return Optional.of(new Drift(
                first,
                last.plate() - first.plate(),
                last.load() - first.load(),
                sameDrive ? Optional.of(last.outputW().minus(first.outputW())) : Optional.empty()));
    }
}
