/**
 * Drive over the bands of an amplifier without dials: what a table of key-downs tells, and how a band is changed by it.
 *
 * <p>Rows are finished steps of runs; nothing here is stored.
 */
@NullMarked
package org.tubrin.core.drive;

import org.jspecify.annotations.NullMarked;
