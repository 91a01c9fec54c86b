/**
 * The output network as the operator meets it: dials and what a turn of them does.
 *
 * <p>In: printed scales. Out: positions, and "heavier" or "lighter" turned into the number's direction. May import:
 * quantity.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.tank;
