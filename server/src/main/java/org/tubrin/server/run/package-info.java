/** Tuning runs: acts in, events kept, one view out. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.run;
