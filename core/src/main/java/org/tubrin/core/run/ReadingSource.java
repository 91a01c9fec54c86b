package org.tubrin.core.run;

/** Where a run's readings come from. */
public enum ReadingSource {
    /** The operator reads the meters. */
    TYPED,
    /** Instruments on the network, where they have a source; the rest is typed. */
    INSTRUMENTS,
    /** The simulated bench, whose key, drive and dials may be moved too. */
    BENCH
}
