/**
 * Practice: an amplifier that is not quite its record, what was left wrong at the panel or is broken behind it, all that a person
 * does there, and what it cost. A play is a pure function of its exercise and of what was done when.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.practice;
