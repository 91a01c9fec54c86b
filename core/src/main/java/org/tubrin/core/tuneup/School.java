package org.tubrin.core.tuneup;

/** How a run decides where the dials go. */
public enum School {
    /** Peak PLATE and LOAD for output at each step of drive, finish a little heavier. */
    PEAK_THEN_HEAVIER
}
