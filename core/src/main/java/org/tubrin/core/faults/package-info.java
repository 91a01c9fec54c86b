/**
 * From a symptom to its cause: which causes a symptom may have, what each check shows of them, and which check comes next.
 * Counts and shares stand in the table of {@link org.tubrin.core.faults.Cause} and {@link org.tubrin.core.faults.FaultCheck}.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.faults;
