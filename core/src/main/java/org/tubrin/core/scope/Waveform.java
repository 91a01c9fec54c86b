package org.tubrin.core.scope;

/** What the envelope of two tones or speech looks like. */
public enum Waveform {
    CLEAN,
    /** Over-drive, light loading, a sagging supply. */
    FLAT_TOP,
    /** A step at the crossing: too little bias. */
    CROSSOVER,
    /** Noise on the trace: ripple, ground, ingress. */
    HAIR,
    /** One half unlike the other: even orders, an unbalanced push-pull. */
    ASYMMETRIC
}
