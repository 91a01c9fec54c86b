package org.tubrin.core.run;

import java.util.Optional;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.tank.Dial;

/** A run on what has no dials and warms nothing; a supply's meters show what they show: nothing is known of their rest. */
interface WithoutDials extends RunStage {
    @Override
    default Optional<Dial> dial(Control control) {
        return Optional.empty();
    }

    @Override
    default double warmUpS() {
        return 0;
    }

    @Override
    default Quantity ofPulse(ReadingRole role, Quantity shown, double duty) {
        return shown;
    }

    @Override
    default Set<Check> closingChecks() {
        return Set.of();
    }

    @Override
    default int deviceCount() {
        return 1;
    }

    @Override
    default Optional<Double> dissipationPerDeviceW() {
        return Optional.empty();
    }
}
