/** Amplifiers that the twin cannot express, to try advice on: another law of the tubes, many harmonics, and parts that drift. */
@NullMarked
package org.tubrin.bench.foreign;

import org.jspecify.annotations.NullMarked;
