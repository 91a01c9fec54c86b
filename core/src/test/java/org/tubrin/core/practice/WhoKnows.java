package org.tubrin.core.practice;

import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.station.Mode;

/** Sets right and mends all that an exercise hides, as somebody would who knows it. */
final class WhoKnows {
    private WhoKnows() {}

    static void setRight(Play play) {
        setRight(play, null);
    }

    /** The same, but for one thing. */
    static void setRight(Play play, Hidden but) {
        for (Hidden one : play.exercise().hidden()) {
            if (one != but) {
                right(play, one);
            }
        }
    }

    private static void right(Play play, Hidden one) {
        switch (one) {
            case BAND_FORGOTTEN -> play.does(new Act.BandSet(play.setup().band()));
            case NO_CARRIER -> play.does(new Act.ModeSet(Mode.CW));
            case STANDBY_LEFT -> play.does(new Act.OperateSet(true));
            case METER_LEFT -> play.does(new Act.MeterSwitched(ReadingRole.PLATE_CURRENT));
            case RANGE_LEFT ->
                play.does(new Act.RangeSet(play.setup()
                        .channelFor(ReadingRole.OUTPUT)
                        .orElseThrow()
                        .ranges()
                        .get(0)
                        .name()));
            case DETECTOR_LEFT -> play.does(new Act.DetectorSet(false));
            case DRIVE_KEPT ->
                play.does(new Act.Turned(Control.DRIVE, play.setup().exciter().powerMinW()));
            case DIALS_FAR_OFF, LIGHT_LOADING -> {
                // Right with the dials that are set next.
            }
            case NOT_MATCHED -> {
                play.does(new Act.OperateSet(false));
                play.does(new Act.Turned(Control.DRIVE, 15));
                play.does(new Act.Keyed(true));
                play.does(new Act.Matched());
                play.pass(play.nowS() + 4);
                play.does(new Act.Keyed(false));
                play.pass(play.nowS() + 5);
                play.does(new Act.OperateSet(true));
            }
            default -> play.does(new Act.Named(one));
        }
    }
}
