package org.tubrin.core.twin;

import java.util.Optional;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;

/** The physical model of one amplifier. */
public sealed interface Twin permits TubeTwin, TransistorTwin {

    /** Returns the operating point at a setting, with supply and heat sink as they are at nominal line voltage and cold. */
    Outcome<? extends OperatingPoint> at(Setting setting);

    /** Returns the twin of an amplifier; empty where its record has no constants for one. */
    static Optional<Twin> of(Amplifier amplifier) {
        if (amplifier.stage() instanceof Stage.Tubes tubes
                && amplifier.twin().orElse(null) instanceof TwinConstants.Tuned tuned) {
            return Optional.of(new TubeTwin(tubes, tuned));
        }
        if (amplifier.twin().orElse(null) instanceof TwinConstants.Broadband broadband) {
            return Optional.of(new TransistorTwin(broadband));
        }
        return Optional.empty();
    }
}
