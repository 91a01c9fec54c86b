package org.tubrin.core.supply;

import org.tubrin.core.station.Envelope;

/** Modes to reckon a set's draw by, each with the envelope that stands for it where nobody measured their own. */
public enum DrawMode {
    /** FM, RTTY, key-down. */
    CONSTANT,
    CW_TEXT,
    SLOTTED,
    SPEECH,
    PROCESSED,
    /** Fully modulated by a tone. */
    AMPLITUDE;

    /** Returns the envelope that stands for it. */
    public Envelope envelope() {
        return switch (this) {
            case CONSTANT -> new Envelope.Constant();
            case CW_TEXT -> Envelope.cwText();
            case SLOTTED -> Envelope.slotted();
            case SPEECH -> Envelope.speech();
            case PROCESSED -> Envelope.processed();
            case AMPLITUDE -> new Envelope.Amplitude(1);
        };
    }
}
