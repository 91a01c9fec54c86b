/**
 * The equipment of one station, as records that refuse impossible figures by field, value and allowed range.
 *
 * <p>In: figures of makers' sheets and of the operator's own measuring. Out: {@link org.tubrin.core.station.Equipment}
 * and what is missing for which answer ({@link org.tubrin.core.station.Gaps}). Frequencies in hertz, powers in watts. May
 * import: quantity, metering, device, tank.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.station;
