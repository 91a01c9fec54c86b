package org.tubrin.core.run;

/** A point that only the operator can answer for, before the climb or after it. */
public enum Check {
    LIMITS_READ(Moment.COLD),
    /** Nobody else is on the frequency. */
    FREQUENCY_CLEAR(Moment.COLD),
    /** The amplifier is in bypass and not keyed: nothing but the exciter reaches the load. */
    AMPLIFIER_BYPASSED(Moment.COLD),
    /** Sliders, device and the computer's own volume stand as noted. */
    SOUND_PATH_SET(Moment.COLD),
    /** No processor, no equalizer, no other sound. */
    SOUND_UNTREATED(Moment.COLD),
    /** No pad of a device touches another, and the regulator gives what it is to. */
    BOARD_APART(Moment.COLD),
    /** Both drives reach stand-ins in antiphase at the lowest, a middle and the highest frequency, and come together again. */
    STAND_INS_DRIVEN(Moment.COLD),
    /** It is known which end of each pot is its minimum. */
    POT_ENDS_KNOWN(Moment.COLD),
    POTS_AT_MINIMUM(Moment.COLD),
    SUPPLY_LIMITED(Moment.COLD),
    /** Each stage draws its idle current. */
    IDLE_SET(Moment.COLD),
    NO_DRIVE(Moment.COLD),
    /** The supply stands at its lowest voltage. */
    SUPPLY_TURNED_DOWN(Moment.COLD),
    /** Nobody can touch antenna, coil or motor. */
    NOBODY_AT_ANTENNA(Moment.COLD),
    /** Into the load the phase meter stands in its middle, or volts and amperes agree. */
    METERS_AGREE(Moment.COLD),
    /** The motor turns both ways, and stops at its ends. */
    MOTOR_TURNS(Moment.COLD),
    /** The scope's tap is at the load and stands the volts to come. */
    SCOPE_AT_LOAD(Moment.COLD),
    /** Its ground is at the load's connector, with ferrites on both poles. */
    SCOPE_GROUNDED(Moment.COLD),
    /** Dials and drive stand as they are used; tubes are warm. */
    READY_AS_USED(Moment.COLD),
    COVERS_ON(Moment.COLD),
    PATH_WIRED(Moment.COLD),
    PAD_IN_LINE(Moment.COLD),
    TR_DELAY(Moment.COLD),
    /** The keying line switches before there is RF, and RF ends before it lets go. */
    KEYED_BEFORE_RF(Moment.COLD),
    BAND_SWITCH(Moment.COLD),
    LOAD_IN_LINE(Moment.COLD),
    METER_RANGE(Moment.COLD),
    AIR_MOVING(Moment.HEATERS_ON),
    /** Bypassed, the output is the input less the small loss of the path. */
    BYPASS_PROVEN(Moment.HEATERS_ON),
    BYPASS_LOW_POWER(Moment.HEATERS_ON),
    MATCHED_IN_BYPASS(Moment.HEATERS_ON),
    SCREEN_SUPPLY(Moment.WARM),
    RESTING_SEEN(Moment.WARM),
    METER_ON_CURRENT(Moment.WARM),
    DRIVE_DOWN_FIRST(Moment.WARM),
    OPERATE(Moment.WARM),
    EXCITER_TONES(Moment.CLOSING),
    AMPLIFIER_TONES(Moment.CLOSING),
    SPEECH_CLEAN(Moment.CLOSING),
    INPUT_MATCHED(Moment.CLOSING),
    /** After RF the idle current is what it was. */
    SAME_AFTER_RF(Moment.CLOSING);

    /** When a point is asked: the amplifier is switched on in this order. */
    public enum Moment {
        /** Before anything is on. */
        COLD,
        /** The heaters are on and warm up. */
        HEATERS_ON,
        /** The tubes are warm; nothing was keyed with drive yet. */
        WARM,
        /** After the last step. */
        CLOSING
    }

    private final Moment moment;

    Check(Moment moment) {
        this.moment = moment;
    }

    /** Returns when it is asked. */
    public Moment moment() {
        return moment;
    }

    /** Returns whether it is looked at and entered where the signal is judged; who has no instrument may leave it unmeasured. */
    public boolean isOfTheSignal() {
        return this == EXCITER_TONES || this == AMPLIFIER_TONES || this == SPEECH_CLEAN;
    }
}
