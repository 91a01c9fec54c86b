package org.tubrin.server.run;

import org.jspecify.annotations.Nullable;
import org.tubrin.core.run.Control;
import org.tubrin.core.station.Band;

/** Moves something on the simulated bench; what is not named stays. */
public record BenchRequest(
        @Nullable Control control,
        @Nullable Double to,
        @Nullable Band band,
        @Nullable Boolean reset) {}
