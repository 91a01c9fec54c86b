package org.tubrin.core.trend;

import java.util.List;
import java.util.stream.Stream;
import org.tubrin.core.run.TuneSetup;

/** What two runs were not made with alike: where there is any, their figures differ for that alone. */
public enum Unlike {
    AMPLIFIER,
    BAND,
    TERMINATION,
    /** What the dials are for. */
    USE;

    /** Returns in what two runs differ; empty where both were of one place. */
    public static List<Unlike> between(TuneSetup first, TuneSetup second) {
        return Stream.of(values())
                .filter(one -> !one.of(first).equals(one.of(second)))
                .toList();
    }

    private Object of(TuneSetup setup) {
        return switch (this) {
            case AMPLIFIER -> setup.amplifier().name();
            case BAND -> setup.band();
            case TERMINATION -> setup.termination().name();
            case USE -> setup.use();
        };
    }
}
