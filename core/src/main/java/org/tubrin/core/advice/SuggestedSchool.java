package org.tubrin.core.advice;

import java.util.List;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;

/**
 * A school to begin with.
 *
 * @param asks what must be read for it
 */
public record SuggestedSchool(School school, Set<ReadingRole> asks) {

    /**
     * Returns the schools to suggest for an amplifier with dials on a band, the best first; the last asks for nothing. Where the
     * output is read and a twin knows the band, or the maker's chart has it and a meter tells of LOAD, dials set before the first
     * carrier need the fewest key-downs; else the readings of each step decide. Source: our own,
     * {@code docs/decisions/8-the-suggested-school.md}.
     */
    public static List<SuggestedSchool> of(Amplifier amplifier, Band band) {
        SuggestedSchool last = new SuggestedSchool(School.PEAK_THEN_HEAVIER, Set.of());
        if (!(amplifier.stage() instanceof Stage.Tubes tubes)) {
            return List.of();
        }
        ReadingRole telling = RecordTwin.tellingRole(tubes);
        if (RecordTwin.of(amplifier, band).isPresent()) {
            return List.of(dialsAhead(ReadingRole.OUTPUT), dialsAhead(telling), last);
        }
        return amplifier.chartRow(band).isPresent()
                ? List.of(dialsAhead(ReadingRole.OUTPUT, telling), last)
                : List.of(last);
    }

    /** Returns the one to suggest with meters that read some roles. */
    public static School of(Amplifier amplifier, Band band, Set<ReadingRole> read) {
        return of(amplifier, band).stream()
                .filter(one -> read.containsAll(one.asks))
                .findFirst()
                .orElseThrow()
                .school;
    }

    private static SuggestedSchool dialsAhead(ReadingRole... asks) {
        return new SuggestedSchool(School.MAKERS_CHART, Set.of(asks));
    }
}
