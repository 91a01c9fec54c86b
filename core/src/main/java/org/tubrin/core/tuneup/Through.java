package org.tubrin.core.tuneup;

/** What a signal went through before it was looked at. */
public enum Through {
    EXCITER,
    AMPLIFIER
}
