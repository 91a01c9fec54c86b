/**
 * A run: an append-only list of events and the state derived from it. Knows no advice.
 *
 * <p>In: {@link org.tubrin.core.run.RunEvent}s in their order, and the time now. Out: {@link org.tubrin.core.run.RunState}, and
 * from {@link org.tubrin.core.run.Admission} why an event is not taken; all pure functions. Codes and numbers only: the words are
 * elsewhere. "Heavier" is always heavier coupling; the direction of the number is the amplifier's. May import: quantity,
 * metering, device, tank, station, twin, budget.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.run;
