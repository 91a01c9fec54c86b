package org.tubrin.server.run;

import org.jspecify.annotations.Nullable;

/**
 * Whether a bench was named when the application started, and for how long its key has been down; absent while it is up or the
 * bench away.
 */
public record BenchKey(boolean named, @Nullable Double keyedForS) {}
