package org.tubrin.core.tuneup;

/** What only the operator can see or hear. */
public enum SeenSign {
    ARC,
    TRIP,
    KNOB_SLIPS
}
