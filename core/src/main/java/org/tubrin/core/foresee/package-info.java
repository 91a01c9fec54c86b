/**
 * What the twin says of a run: the readings to expect, what the readings so far make of the twin, where LOAD is to end, how much
 * drive the limits bear, what a run teaches of its amplifier.
 *
 * <p>In: a run's setup, its steps. Out: {@link org.tubrin.core.foresee.Expected}, {@link org.tubrin.core.foresee.Foresight}, {@link
 * org.tubrin.core.foresee.TwinLearning}; empty where the amplifier has no twin for the band. May import: run and what run may.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.foresee;
