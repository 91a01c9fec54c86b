package org.tubrin.core.run;

/** What a run is for. */
public enum RunKind {
    /** Dials are tuned, step of drive by step of drive. */
    TUNE_UP,
    /** What each drive brings. */
    DRIVE_TABLE,
    /** How far the level into the exciter may go before its level control acts; the amplifier is bypassed. */
    ALC,
    /** The idle current of transistors is set, device by device, without drive. */
    BIAS,
    /** A matcher is tuned past the power amplifier, which comes on last. */
    MATCHER,
    /** A chain is driven up from a great attenuation. */
    CHAIN,
    /** A scope is looked at: the exciter alone, then through the amplifier. */
    WAVEFORM,
    /** What each voltage of its supply brings of a stage that switches. */
    SUPPLY_TABLE,
    /** An antenna that drifts is kept in resonance. */
    RESONANCE
}
