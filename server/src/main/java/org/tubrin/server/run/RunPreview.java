package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a run would be like.
 *
 * @param rungs its drives in rising order
 * @param dials where it begins; null where there are none
 * @param twinSays what the twin says of its end, line by line
 * @param carrierS so long a carrier stands at least, in seconds
 * @param licenceW output that the licence lets pass, in watts
 * @param aimS of a key-down, in seconds
 * @param stopS of a key-down, in seconds
 * @param restS least rest, in seconds
 * @param ownRuns the aim goes by so many of the operator's own runs; 0 where it is the customary one
 */
public record RunPreview(
        List<Rung> rungs,
        @Nullable Dials dials,
        List<Line> twinSays,
        double carrierS,
        double licenceW,
        @Nullable Double wantedW,
        double aimS,
        double stopS,
        double restS,
        int ownRuns) {

    /** One drive, with the output that the twin lets expect, both in watts. */
    public record Rung(double driveW, @Nullable Double outputW) {}

    /** Where the dials begin, and who says so. */
    public record Dials(String plate, String load, String from) {}

    /** What is said of something: by the twin, against its limit. */
    public record Line(String what, String shown, String limit) {}
}
