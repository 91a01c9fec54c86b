package org.tubrin.core.card;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;

public class PlaceTest {
    private static CardRow row(double megahertz, String into, String position, int day, double plate, double outputW) {
        return new CardRow(
                "Brigantine",
                Band.MHZ_3_5,
                megahertz * 1e6,
                into,
                "Halyard 100",
                Mode.CW,
                Use.SPEECH_AND_CW,
                false,
                plate,
                4.5,
                70,
                quantity(outputW, Unit.WATT, day),
                Optional.of(quantity(0.55, Unit.AMPERE, day)),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                position.isEmpty() ? Optional.empty() : Optional.of(position),
                Instant.parse("2026-11-01T00:00:00Z").plusSeconds(86_400L * day));
    }

    private static Quantity quantity(double value, Unit unit, int day) {
        return Quantity.of(value, unit, Standing.MEASURED, new ErrorSource("day " + day, "", ""), 0.03 * value);
    }

    @Test
    public void segmentsLoadsAndSwitchPositionsAreLinesOfTheirOwn() {
        List<CardLine> places = joined(List.of(
                row(3.75, "Ballast", "", 1, 1.7, 880),
                row(3.52, "Ballast", "", 2, 2.1, 880),
                row(3.74, "Ballast", "", 3, 1.75, 860),
                row(3.75, "Yardarm", "", 4, 1.8, 870),
                row(3.75, "Ballast", "CW", 5, 1.6, 500)));
        assertEquals(
                places.stream()
                        .map(place -> place.newest().frequencyHz() / 1e6 + " "
                                + place.newest().termination() + place.times())
                        .toList(),
                List.of("3.52 Ballast1", "3.74 Ballast2", "3.75 Ballast1", "3.75 Yardarm1"));
    }

    @Test
    public void dialsForALongCarrierAreALineOfTheirOwnAndPulsesAreNoDrift() {
        CardRow speech = row(3.75, "Ballast", "", 1, 1.7, 880);
        CardRow pulsed = as(row(3.75, "Ballast", "", 2, 1.71, 900), Use.SPEECH_AND_CW, true);
        List<CardLine> lines = joined(List.of(
                as(row(3.75, "Ballast", "", 3, 1.9, 440), Use.LONG_CARRIER, false),
                speech,
                pulsed,
                as(row(3.751, "Ballast", "", 4, 1.91, 450), Use.LONG_CARRIER, false)));
        assertEquals(
                lines.stream()
                        .map(line -> line.newest().use() + " " + line.times())
                        .toList(),
                List.of("SPEECH_AND_CW 2", "LONG_CARRIER 2"));
        assertEquals(lines.get(0).drift().orElseThrow().outputW(), Optional.empty(), "a peak against a carrier");
        assertEquals(lines.get(1).drift().orElseThrow().outputW().orElseThrow().value(), 10, 1e-9, "carriers both");
    }

    private static CardRow as(CardRow row, Use use, boolean pulsed) {
        return new CardRow(
                row.amplifier(),
                row.band(),
                row.frequencyHz(),
                row.termination(),
                row.exciter(),
                row.carrier(),
                use,
                pulsed,
                row.plate(),
                row.load(),
                row.driveW(),
                row.outputW(),
                row.plateCurrentA(),
                row.gridCurrentA(),
                row.plateVoltageV(),
                row.efficiency(),
                row.switchPosition(),
                row.verifiedAt());
    }

    @Test
    public void driftIsFromTheFirstRowToTheNewest() {
        CardLine place = joined(List.of(
                        row(3.75, "Ballast", "", 1, 1.70, 880),
                        row(3.75, "Ballast", "", 30, 1.72, 870),
                        row(3.75, "Ballast", "", 60, 1.76, 820)))
                .get(0);
        CardLine.Drift drift = place.drift().orElseThrow();
        assertEquals(drift.plateMarks(), 0.06, 1e-9);
        assertEquals(drift.outputW().orElseThrow().value(), -60, 1e-9);
        assertEquals(drift.outputW().orElseThrow().standardUncertainty(), Math.hypot(0.03 * 880, 0.03 * 820), 1e-9);
        assertEquals(drift.since().verifiedAt(), Instant.parse("2026-11-02T00:00:00Z"));
        assertTrue(joined(List.of(row(3.75, "B", "", 1, 1, 1))).get(0).drift().isEmpty());
    }

    private static List<CardLine> joined(List<CardRow> rows) {
        return CardLine.joined(rows.stream().map(CardLine::of).toList());
    }

    @Test
    public void joiningWhatIsJoinedByFrequencyIsJoiningAll() {
        Random random = new Random(4);
        for (int trial = 0; trial < 200; trial++) {
            List<CardRow> rows = new ArrayList<>();
            for (int day = 0; day < 60; day++) {
                rows.add(row(3.5 + 0.01 * random.nextInt(25), "Ballast", "", day, 1 + random.nextDouble(), 800));
            }
            Map<Double, List<CardRow>> byFrequency = rows.stream().collect(Collectors.groupingBy(CardRow::frequencyHz));
            List<CardLine> spots = byFrequency.values().stream()
                    .map(same -> new CardLine(same.get(same.size() - 1), same.get(0), same.size()))
                    .toList();
            assertEquals(CardLine.joined(spots), joined(rows), "trial " + trial);
        }
    }
}
