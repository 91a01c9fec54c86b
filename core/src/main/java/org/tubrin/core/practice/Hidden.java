package org.tubrin.core.practice;

/** What an exercise may hide. */
public enum Hidden {
    BAND_FORGOTTEN(Kind.SLIP),
    NO_CARRIER(Kind.SLIP),
    STANDBY_LEFT(Kind.SLIP),
    METER_LEFT(Kind.SLIP),
    RANGE_LEFT(Kind.SLIP),
    DETECTOR_LEFT(Kind.SLIP),
    DRIVE_KEPT(Kind.SLIP),
    DIALS_FAR_OFF(Kind.SLIP),
    LIGHT_LOADING(Kind.SLIP),
    NOT_MATCHED(Kind.SLIP),
    SLACK_KNOB(Kind.FAULT),
    SLIPPING_KNOB(Kind.FAULT),
    DIRTY_SWITCH(Kind.FAULT),
    SOFT_TUBE(Kind.FAULT),
    SAGGING_LINE(Kind.FAULT),
    LYING_WATTMETER(Kind.FAULT),
    LYING_SECOND_METER(Kind.FAULT),
    LYING_PLATE_METER(Kind.FAULT),
    BAD_RELAY(Kind.FAULT),
    BURR(Kind.FAULT),
    COOKED_JUMPER(Kind.FAULT),
    SUPPLY_RISES(Kind.FAULT),
    GAUGE_REVERSED(Kind.FAULT),
    BIAS_RUNS_AWAY(Kind.FAULT);

    /** What kind of thing is wrong. */
    public enum Kind {
        /** Something at the panel was left as it should not be; whoever looks sees it and sets it right. */
        SLIP,
        /** Something is broken behind it; it is named from how it shows, and then mended. */
        FAULT
    }

    private final Kind kind;

    Hidden(Kind kind) {
        this.kind = kind;
    }

    public Kind kind() {
        return kind;
    }
}
