/** Measures the twin: time per answer, and distance from a transient circuit simulation of the same stage. */
@org.jspecify.annotations.NullMarked
package org.tubrin.benchmark;
