package org.tubrin.core.resonance;

import java.time.Instant;
import org.tubrin.core.quantity.Quantity;

/**
 * One reading.
 *
 * @param at when
 * @param keyDown number of the key-down in which it was taken
 * @param motor where the motor stood, in short steps from where it stood at first
 * @param off departure: divisions of a phase meter, or volts over amperes as a share above the match
 */
public record ResonancePoint(Instant at, int keyDown, double motor, Quantity off) {}
