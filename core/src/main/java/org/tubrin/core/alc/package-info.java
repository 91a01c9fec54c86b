/**
 * How far the level into an exciter may go: the knee of its level control, out of levels, outputs and what its gauge shows.
 *
 * <p>Nothing here is stored.
 */
@NullMarked
package org.tubrin.core.alc;

import org.jspecify.annotations.NullMarked;
