/** Idle current of transistors: the climb to it, what its readings tell, and the law that they follow. */
@NullMarked
package org.tubrin.core.bias;

import org.jspecify.annotations.NullMarked;
