package org.tubrin.core.resonance;

/** What the weather is while an antenna is watched. */
public enum Weather {
    DRY,
    WIND,
    RAIN,
    ICE
}
