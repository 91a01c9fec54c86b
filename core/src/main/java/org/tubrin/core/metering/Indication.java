package org.tubrin.core.metering;

/** What of a varying signal a power meter shows. */
public enum Indication {
    AVERAGE,
    /** A passive peak position: may read low. */
    PEAK_PASSIVE,
    /** A powered peak hold: near PEP. */
    PEAK_HOLD
}
