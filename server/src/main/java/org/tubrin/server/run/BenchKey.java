package org.tubrin.server.run;

import org.jspecify.annotations.Nullable;

/** Whether a bench answers, and for how long its key has been down; absent while it is up. */
public record BenchKey(boolean present, @Nullable Double keyedForS) {}
