/**
 * The next move and why, by the school of the run; the pace of key-down and rest; what to mind on the air.
 *
 * <p>In: a {@link org.tubrin.core.run.RunState} and the time now. Out: {@link org.tubrin.core.advice.Advice}, {@link
 * org.tubrin.core.advice.KeyClock}, {@link org.tubrin.core.advice.ModeGuard}; all pure functions. May import: run, signs, foresee and
 * what they may.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.advice;
