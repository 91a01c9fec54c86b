package org.tubrin.server.inspection;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.station.Candidate;

/** What the page shows of an inspection. */
public final class InspectionViews {
    private InspectionViews() {}

    /**
     * An inspection.
     *
     * @param points all, in the order in which one looks
     * @param verdict absent while nothing is judged
     */
    public record InspectionView(
            UUID candidateId,
            String name,
            String caution,
            List<InspectedView> points,
            @Nullable String verdict,
            boolean knockedOut,
            int mostPhotos,
            int longestNote) {}

    /** A point; state and note are absent while it was not looked at. */
    public record InspectedView(
            Candidate.Point point,
            Candidate.@Nullable State state,
            @Nullable String note,
            boolean knocksOut,
            List<PhotoView> photos) {}

    /** A photograph, without its picture. */
    public record PhotoView(UUID id, Instant takenAt) {}
}
