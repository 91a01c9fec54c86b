package org.tubrin.bench.campaign;

import java.time.Instant;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.practice.Act;
import org.tubrin.core.practice.Exercise;
import org.tubrin.core.practice.Lesson;
import org.tubrin.core.practice.Panel;
import org.tubrin.core.practice.Play;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Preflight;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Mode;

/** The panel of an exercise, worked by a person of a campaign. */
final class LessonShack implements Shack {
    private static final Instant START = Instant.parse("2026-11-20T19:00:00Z");
    private static final double LOOK_S = 2;
    private static final double SWITCHES_S = 0.6;

    private final Play play;
    private double warmS;

    LessonShack(Exercise exercise) {
        play = new Play(exercise, START);
        warmS = play.panel().warmUpLeftS() + 1;
        play.pass(warmS);
    }

    Play play() {
        return play;
    }

    @Override
    public TuneSetup setup() {
        return play.setup();
    }

    @Override
    public double nowS() {
        return play.nowS() - warmS;
    }

    @Override
    public void pass(double seconds) {
        play.pass(play.nowS() + seconds);
    }

    @Override
    public void pulse(double share) {
        throw new IllegalArgumentException("an exercise has no pulses");
    }

    @Override
    public void key(boolean down) {
        play.does(new Act.Keyed(down));
    }

    @Override
    public boolean keyed() {
        return play.panel().keyed();
    }

    @Override
    public boolean tripped() {
        return play.panel().tripped();
    }

    @Override
    public void reset() {
        play.does(new Act.Reset());
    }

    @Override
    public void turn(Control control, double to) {
        double within = control == Control.DRIVE
                ? Math.max(
                        setup().exciter().powerMinW(),
                        Math.min(setup().exciter().powerMaxW(), setup().exciterOfW(to)))
                : dial(control).clamp(to);
        play.does(new Act.Turned(control, within));
    }

    @Override
    public double shown(Control control) {
        return play.stands(control);
    }

    @Override
    public double shows(ReadingRole role, MeterRange range) {
        Panel panel = play.panel();
        if (role == ReadingRole.OUTPUT && !panel.range().equals(range.name())) {
            play.does(new Act.RangeSet(range.name()));
        }
        if (panel.shown().isPresent()
                && setup().isSwitched(role)
                && panel.shown().get() != role) {
            play.does(new Act.MeterSwitched(role));
            pass(SWITCHES_S);
        }
        return play.shows(role).orElseThrow().value();
    }

    @Override
    public boolean look(Check check) {
        pass(LOOK_S);
        Panel panel = play.panel();
        return switch (check) {
            case BAND_SWITCH -> sets(panel.band() != setup().band(), new Act.BandSet(setup().band()));
            case OPERATE, DRIVE_DOWN_FIRST -> {
                turn(Control.DRIVE, setup().leastDriveW());
                yield sets(!panel.operate(), new Act.OperateSet(true));
            }
            case PATH_WIRED -> sets(!panel.mode().givesCarrier(), new Act.ModeSet(Mode.CW));
            case METER_RANGE -> {
                String lowest = setup().channelFor(ReadingRole.OUTPUT)
                        .orElseThrow()
                        .ranges()
                        .get(0)
                        .name();
                boolean range = sets(!panel.range().equals(lowest), new Act.RangeSet(lowest));
                yield sets(panel.holds(), new Act.DetectorSet(false)) || range;
            }
            case METER_ON_CURRENT ->
                sets(
                        panel.shown().filter(ReadingRole.PLATE_VOLTAGE::equals).isPresent(),
                        new Act.MeterSwitched(ReadingRole.PLATE_CURRENT));
            case BYPASS_LOW_POWER -> {
                turn(Control.DRIVE, Preflight.matchPowerW(setup()));
                yield sets(panel.operate(), new Act.OperateSet(false));
            }
            case MATCHED_IN_BYPASS -> {
                key(true);
                play.does(new Act.Matched());
                pass(Lesson.MATCH_S + LOOK_S);
                key(false);
                yield true;
            }
            default -> false;
        };
    }

    private boolean sets(boolean isWrong, Act act) {
        if (isWrong) {
            play.does(act);
        }
        return isWrong;
    }
}
