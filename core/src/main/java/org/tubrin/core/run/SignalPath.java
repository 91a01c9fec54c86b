package org.tubrin.core.run;

/** What a signal went through before it was looked at. */
public enum SignalPath {
    EXCITER,
    AMPLIFIER
}
