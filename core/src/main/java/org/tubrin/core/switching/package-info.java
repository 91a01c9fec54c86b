/** Stages that switch: the supply's voltage sets the power, and what is to be expected of output and heat sink. */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.switching;
