package org.tubrin.server.run;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** By which it is seen whether figures were added: how many there are, and when the newest was made. */
public record FiguresStamp(int runs, @Nullable Instant newest) {}
