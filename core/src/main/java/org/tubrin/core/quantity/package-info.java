/**
 * Numbers with a unit, a standard uncertainty and a standing.
 *
 * <p>In: bare numbers in SI base units. Out: {@link org.tubrin.core.quantity.Quantity}, which carries each independent
 * error's signed share, so that sums, products and quotients of quantities that share a reading come out right to first
 * order; and {@link org.tubrin.core.quantity.Problem}, the form of every refusal.
 *
 * <p>Conventions: an uncertainty is always standard (one sigma), never expanded. May import: nothing of the project.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.quantity;
