/**
 * The tune card: what a finished run leaves for the next time.
 *
 * <p>In: the state of a finished run. Out: {@link org.tubrin.core.card.CardRow}. May import: quantity, metering, station,
 * run.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.card;
