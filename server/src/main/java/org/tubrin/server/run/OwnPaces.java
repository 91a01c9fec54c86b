package org.tubrin.server.run;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.run.OwnPace;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;

/** How long the operator's own key-downs take, by the last runs. */
@Component
class OwnPaces {
    private static final int LOOKED_AT = 24;
    private static final int COUNTED = 6;

    private final RunMapper mapper;
    private final RunStore store;

    OwnPaces(RunMapper mapper, RunStore store) {
        this.mapper = mapper;
        this.store = store;
    }

    /** Returns the pace of the last finished climbs whose readings came from a source; empty where there are too few. */
    Optional<OwnPace> of(ReadingSource source) {
        List<RunState> runs = mapper.runs(RunFilter.ALL, false, 0, LOOKED_AT).stream()
                .filter(row -> School.valueOf(row.school()).hasDials())
                .map(row -> store.state(row.id()))
                .filter(run -> run.setup().readings() == source
                        && run.ending().filter(RunState.Ending.FINISHED::equals).isPresent())
                .limit(COUNTED)
                .toList();
        return OwnPace.of(runs);
    }
}
