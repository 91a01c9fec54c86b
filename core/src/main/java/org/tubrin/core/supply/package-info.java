/**
 * What the station really draws, and whether supply, lead, fuse, circuit and battery carry it.
 *
 * <p>In: currents measured at several outputs, what transmits when, and records of supplies, leads and batteries. Out: a
 * current profile, the draw over the worst ten minutes, what each school of sizing asks for, the voltage from the terminals
 * down to the set, what the mains carry, and how long a battery lasts. Currents and voltages are direct unless the name says
 * otherwise; lengths are of the route, one way. May import: quantity, metering, station.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.supply;
