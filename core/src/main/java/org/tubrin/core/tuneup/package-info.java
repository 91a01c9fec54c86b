/**
 * A tuning run: an append-only list of events, the state derived from it, what the readings say, and the next move.
 *
 * <p>In: {@link org.tubrin.core.tuneup.RunEvent}s in their order, and the time now. Out: {@link
 * org.tubrin.core.tuneup.RunState}, {@link org.tubrin.core.tuneup.Sign}s, {@link org.tubrin.core.tuneup.Advice}, {@link
 * org.tubrin.core.tuneup.KeyClock}; all pure functions. Codes and numbers only: the words are elsewhere. "Heavier" is
 * always heavier coupling; the direction of the number is the amplifier's. May import: quantity, metering, device, tank,
 * station, budget.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.tuneup;
