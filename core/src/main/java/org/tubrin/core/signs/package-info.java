/**
 * What the readings of a step say: signs as rules with their evidence.
 *
 * <p>In: a {@link org.tubrin.core.run.Step} and the one before it. Out: {@link org.tubrin.core.signs.Sign}s, the gravest first, each
 * with the figures that it rests on and how certain it is. What to do about one is for {@code advice} to say. May import: run and
 * what run may.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.signs;
