/** The first station: which few answers are enough for a first climb, and the records that they make. */
@NullMarked
package org.tubrin.core.first;

import org.jspecify.annotations.NullMarked;
