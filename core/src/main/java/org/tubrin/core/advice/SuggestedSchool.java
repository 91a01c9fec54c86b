package org.tubrin.core.advice;

import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;

/** Which school to begin with. */
public final class SuggestedSchool {
    private SuggestedSchool() {}

    /**
     * Returns the school to suggest for an amplifier with dials on a band, with meters that read some roles: where the output is
     * read and a twin knows the band, or the maker's chart has it and a meter tells of LOAD, dials set before the first carrier need
     * the fewest key-downs; else the readings of each step decide. Source: our own,
     * {@code docs/decisions/8-the-suggested-school.md}.
     */
    public static School of(Amplifier amplifier, Band band, Set<ReadingRole> read) {
        boolean byChart = amplifier.chartRow(band).isPresent()
                && read.contains(ReadingRole.OUTPUT)
                && RecordTwin.isTold(amplifier, read::contains);
        return byChart || RecordTwin.foresees(amplifier, band, read::contains)
                ? School.MAKERS_CHART
                : School.PEAK_THEN_HEAVIER;
    }
}
