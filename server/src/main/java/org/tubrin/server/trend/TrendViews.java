package org.tubrin.server.trend;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.station.Band;
import org.tubrin.core.trend.Change;

/** What the page is told of trends, and of two runs beside each other. */
public final class TrendViews {
    private TrendViews() {}

    /** Something that was tuned at least twice. */
    public record PlaceView(String amplifier, Band band, String bandName, String termination, int runs) {}

    /** A figure over so many runs; where there are many, a point is the middle of some that follow each other. */
    public record SeriesView(
            String code,
            String label,
            String unit,
            int runs,
            int runsPerPoint,
            List<PointView> points,
            double scatter,
            List<ChangeView> changes,
            String says,
            @Nullable String look) {}

    /** The figures of a place, the test by which a change is told, and the change of the station since which they count. */
    public record TrendsView(
            List<SeriesView> series, String test, @Nullable String since) {}

    /** A value, and what the changes found have there; in the unit shown. */
    public record PointView(Instant at, double value, double line) {}

    /** A change in words. */
    public record ChangeView(Change.Kind kind, Instant after, Instant before, String says) {}

    /** Two runs beside each other; unlike says in what they were not made alike, where they were not. */
    public record CompareRunsView(
            RunHead first, RunHead second, @Nullable String unlike, List<PairView> pairs) {}

    /** What a run was. */
    public record RunHead(
            UUID id,
            Instant startedAt,
            String what,
            @Nullable String conditions) {}

    /** Steps at the same drive; a row is one figure. */
    public record PairView(String drive, List<PairRow> rows) {}

    /** A figure of both; beyond where they differ by more than twice what both leave open. */
    public record PairRow(
            String label,
            @Nullable String first,
            @Nullable String second,
            @Nullable String difference,
            boolean beyond) {}
}
