package org.tubrin.bench.campaign;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Stop;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Stage;

/**
 * A competent person who tunes by one school as it is usually told: peaks until it looks right, turns no knob on where a meter stands
 * at its limit, and after a limit passed couples heavier, then drives less, and goes no higher. Of pulses it takes the resting
 * current off before it divides. What is not done is arithmetic of heat, of what a meter leaves open, or of the steps to come.
 */
final class Plain {
    private static final double LONGEST_KEY_S = 12;
    private static final double REST_S = 5;
    private static final double LOOK_S = 0.8;
    private static final double READ_S = 1.5;
    private static final double RELIEF_S = 2;
    private static final double RELIEF_MARKS = 0.4;
    private static final double TURN_S = 0.3;
    private static final double AGAIN_S = 4;
    private static final double FELL_SHARE = 0.9;
    /** Of the rated output, below which the meters count as still. */
    private static final double STILL_SHARE = 0.02;

    private static final int MENDS = 6;
    private static final double LESS_DRIVE = 0.85;

    private final Shack shack;
    private final Hand hand;
    private final TuneSetup setup;
    private final School school;
    private final Stage.Tubes tubes;
    private final double topW;
    /** Whether a meter showed a limit passed at the last key-down. */
    private boolean beyond;
    /** Whether it was the licence's alone: then less drive helps, and nothing else does. */
    private boolean tooMuch;
    /** The most output read so far. */
    private double bestW;

    Plain(Shack shack, School school, Random random) {
        this.shack = shack;
        this.school = school;
        hand = new Hand(shack, random);
        setup = shack.setup();
        tubes = setup.tubes();
        topW = setup.topDriveW();
    }

    void run() {
        if (school == School.PULSED) {
            shack.pulse(Customs.CUSTOMARY.dutyFactor());
        }
        hand.set(Control.PLATE, setup.preset().plate());
        hand.set(Control.LOAD, setup.preset().load());
        hand.minds(limits());
        for (double driveW : drives()) {
            if (!step(driveW)) {
                break;
            }
        }
        if (school.finishesHeavier()) {
            hand.set(Control.LOAD, tubes.heavier(shack.shown(Control.LOAD), 0.5));
            keyDown(false);
        }
        mend();
    }

    private List<Double> drives() {
        return switch (school) {
            case PEAK_THEN_HEAVIER,
                    PULSED,
                    GRID_TARGET,
                    DRIVE_TABLE,
                    ALC,
                    BIAS,
                    MATCHER,
                    CHAIN,
                    WAVEFORM,
                    SUPPLY_TABLE,
                    RESONANCE -> List.of(topW / 16, topW / 8, topW / 4, topW / 2, topW);
            case DIP_AND_LOAD -> List.of(topW / 4, topW / 2, topW);
            case TUNE_WHERE_YOU_RUN -> List.of(topW / 9, topW / 3, topW);
            case MAKERS_CHART -> List.of(topW / 16, topW);
        };
    }

    /** Does one step; returns whether it came to its end at the drive that it was begun with. */
    private boolean step(double driveW) {
        hand.set(Control.DRIVE, driveW);
        hand.range(rangeFor(driveW));
        boolean last = driveW >= topW;
        boolean tunesLoad =
                last || school == School.PEAK_THEN_HEAVIER || school == School.PULSED || school == School.DIP_AND_LOAD;
        keyDown(tunesLoad);
        if (bestW < STILL_SHARE * setup.amplifier().ratedOutputW() && shack.lookWhyStill()) {
            keyDown(tunesLoad);
        }
        return mend();
    }

    /** What each meter shows at its limit. */
    private List<Stop> limits() {
        List<Stop> all = new ArrayList<>();
        add(all, ReadingRole.GRID_CURRENT, tubes.gridCurrentLimitA());
        add(all, ReadingRole.PLATE_CURRENT, tubes.plateCurrentLimitA());
        tubes.screenCurrentLimitA().ifPresent(limitA -> add(all, ReadingRole.SCREEN_CURRENT, limitA));
        add(all, ReadingRole.OUTPUT, setup.station().licenceLimitW());
        return all;
    }

    private void add(List<Stop> all, ReadingRole role, double limit) {
        if (setup.channelFor(role).isPresent()) {
            double shows = role == ReadingRole.OUTPUT ? limit : duty() * limit + (1 - duty()) * restA(role);
            all.add(new Stop(role, limit, shows));
        }
    }

    private double duty() {
        return school == School.PULSED ? Customs.CUSTOMARY.dutyFactor() : 1;
    }

    private double restA(ReadingRole role) {
        return role == ReadingRole.PLATE_CURRENT ? tubes.restingPlateCurrentA() : 0;
    }

    private MeterRange rangeFor(double driveW) {
        Channel output = setup.channelFor(ReadingRole.OUTPUT).orElseThrow();
        return output.rangeFor(setup.amplifier().ratedOutputW() * Math.min(1, 2 * driveW / topW));
    }

    private void keyDown(boolean tunesLoad) {
        shack.key(true);
        shack.pass(0.4);
        double untilS = shack.nowS() + LONGEST_KEY_S - 2;
        // The eye goes over the meters first: with one of them beyond its limit the hand goes heavier at once, or the
        // key comes up.
        shack.pass(LOOK_S);
        if (passedCurrent()) {
            relieve(shack.nowS() + RELIEF_S);
        }
        beyond = passedLimit();
        tooMuch = beyond && !passedCurrent();
        if (beyond) {
            shack.key(false);
            shack.pass(REST_S);
            return;
        }
        for (int round = 0; round < (tunesLoad ? 2 : 1); round++) {
            hand.plateFor(school.aim(), untilS);
            if (tunesLoad) {
                load(untilS);
            }
        }
        if (tunesLoad) {
            hand.plateFor(school.aim(), untilS);
        }
        beyond = passedLimit();
        shack.pass(beyond ? 0 : READ_S);
        if (!beyond && fellBack()) {
            // Seen with the hands off: once more.
            hand.plateFor(school.aim(), shack.nowS() + AGAIN_S);
            shack.pass(READ_S);
        }
        beyond |= passedLimit();
        tooMuch = beyond && !passedCurrent();
        shack.key(false);
        shack.pass(REST_S);
    }

    /** Returns whether less is shown than at this drive or a lower one before. */
    private boolean fellBack() {
        double outputW = shack.shows(ReadingRole.OUTPUT, hand.range(ReadingRole.OUTPUT));
        boolean fell = outputW < FELL_SHARE * bestW;
        bestW = Math.max(bestW, outputW);
        return fell;
    }

    private void relieve(double untilS) {
        while (passedCurrent() && shack.keyed() && shack.nowS() < untilS) {
            shack.turn(Control.LOAD, tubes.heavier(shack.shown(Control.LOAD), RELIEF_MARKS));
            shack.pass(TURN_S);
        }
    }

    private void load(double untilS) {
        double share = Math.sqrt(Math.min(1, shack.shown(Control.DRIVE) / topW));
        switch (school.aim()) {
            case OUTPUT -> hand.loadForOutput(untilS);
            case DIP ->
                hand.loadTo(
                        ReadingRole.PLATE_CURRENT,
                        tubes.plateCurrentLimitA() * Customs.CUSTOMARY.plateTargetShare() * share,
                        untilS);
            case GRID -> hand.loadTo(ReadingRole.GRID_CURRENT, 0.72 * tubes.gridCurrentLimitA(), untilS);
        }
    }

    private boolean passedLimit() {
        return passedCurrent() || passedLicence();
    }

    private boolean passedCurrent() {
        return shown(ReadingRole.GRID_CURRENT) > tubes.gridCurrentLimitA()
                || shown(ReadingRole.PLATE_CURRENT) > tubes.plateCurrentLimitA()
                || shown(ReadingRole.SCREEN_CURRENT)
                        > tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE);
    }

    private boolean passedLicence() {
        return shack.shows(ReadingRole.OUTPUT, hand.range(ReadingRole.OUTPUT))
                > setup.station().licenceLimitW();
    }

    private double shown(ReadingRole role) {
        return setup.channelFor(role).isPresent()
                ? (shack.shows(role, hand.range(role)) - (1 - duty()) * restA(role)) / duty()
                : 0;
    }

    /** After a trip or a limit passed: half a mark heavier, then less drive, and so on; returns whether the drive stayed what it was. */
    private boolean mend() {
        boolean stayed = true;
        for (int i = 0; i < MENDS && (shack.tripped() || beyond); i++) {
            boolean lessDrive = shack.tripped() || tooMuch || i % 2 == 1;
            shack.reset();
            if (lessDrive) {
                hand.set(Control.DRIVE, LESS_DRIVE * shack.shown(Control.DRIVE));
                stayed = false;
            }
            if (!tooMuch) {
                hand.set(Control.LOAD, tubes.heavier(shack.shown(Control.LOAD), 0.5));
            }
            keyDown(false);
        }
        beyond = false;
        return stayed;
    }
}
