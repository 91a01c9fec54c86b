/**
 * An amplifier's own high-voltage supply: how its capacitors share the voltage, how long they hold it, how it ripples and sags,
 * and what flows at switch-on.
 *
 * <p>In: transformer, rectifier, capacitors, resistors. Out: voltages, times, currents, heat; times are what is to be expected
 * if every part works, never that a supply may be touched. Voltages are direct unless the name says peak or rms. May import:
 * quantity.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.hv;
