package org.tubrin.core.run;

import java.time.Instant;
import java.util.Optional;

/**
 * One key-down.
 *
 * @param from when the key went down
 * @param to when it went up; absent while it is down
 * @param powerW output meanwhile, as best known, in watts
 * @param heatPerTubeW plate dissipation of one tube meanwhile, as best known, in watts
 */
public record KeyDown(Instant from, Optional<Instant> to, double powerW, double heatPerTubeW) {

    KeyDown endedAt(Instant at) {
        return new KeyDown(from, Optional.of(at), powerW, heatPerTubeW);
    }

    KeyDown withPowers(double outputW, double perTubeW) {
        return new KeyDown(from, to, outputW, perTubeW);
    }
}
