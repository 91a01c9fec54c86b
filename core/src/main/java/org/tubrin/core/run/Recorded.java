package org.tubrin.core.run;

import java.time.Instant;

/**
 * An event in its place.
 *
 * @param sequence 1 for the first of a run, then without gaps
 * @param at when it was recorded
 * @param event what happened
 */
public record Recorded(long sequence, Instant at, RunEvent event) {}
