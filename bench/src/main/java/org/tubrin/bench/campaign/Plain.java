package org.tubrin.bench.campaign;

import java.util.List;
import java.util.Random;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Stage;

/**
 * A person who tunes by one school as it is usually told, with pencil and paper: peaks until it looks right, minds the limits
 * that the meters show, turns down when one is passed, and does no arithmetic.
 */
final class Plain {
    private static final double LONGEST_KEY_S = 12;
    private static final double REST_S = 5;
    private static final int MENDS = 4;

    private final Shack shack;
    private final Hand hand;
    private final TuneSetup setup;
    private final School school;
    private final Stage.Tubes tubes;
    private final double topW;
    /** Whether a meter showed a limit passed at the last key-down. */
    private boolean beyond;

    Plain(Shack shack, School school, Random random) {
        this.shack = shack;
        this.school = school;
        hand = new Hand(shack, random);
        setup = shack.given.setup();
        tubes = setup.tubes();
        topW = setup.topDriveW();
    }

    void run() {
        if (school == School.PULSED) {
            shack.pulse(Customs.CUSTOMARY.dutyFactor());
        }
        hand.set(Control.PLATE, setup.preset().plate());
        hand.set(Control.LOAD, setup.preset().load());
        for (double driveW : drives()) {
            step(driveW);
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

    private void step(double driveW) {
        hand.set(Control.DRIVE, driveW);
        hand.range(rangeFor(driveW));
        boolean last = driveW >= topW;
        keyDown(last || school == School.PEAK_THEN_HEAVIER || school == School.PULSED || school == School.DIP_AND_LOAD);
        mend();
    }

    private MeterRange rangeFor(double driveW) {
        Channel output = setup.channelFor(ReadingRole.OUTPUT).orElseThrow();
        return output.rangeFor(setup.amplifier().ratedOutputW() * Math.min(1, 2 * driveW / topW));
    }

    private void keyDown(boolean tunesLoad) {
        shack.key(true);
        shack.pass(0.4);
        double untilS = shack.nowS + LONGEST_KEY_S - 2;
        for (int round = 0; round < (tunesLoad ? 2 : 1); round++) {
            hand.plateFor(school.aim(), untilS);
            if (tunesLoad) {
                load(untilS);
            }
        }
        if (tunesLoad) {
            hand.plateFor(school.aim(), untilS);
        }
        shack.pass(1.5);
        beyond = passedLimit();
        shack.key(false);
        shack.pass(REST_S);
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
        return shown(ReadingRole.GRID_CURRENT) > tubes.gridCurrentLimitA()
                || shown(ReadingRole.PLATE_CURRENT) > tubes.plateCurrentLimitA()
                || shown(ReadingRole.SCREEN_CURRENT)
                        > tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE)
                || shack.shows(ReadingRole.OUTPUT, hand.range(ReadingRole.OUTPUT))
                        > setup.station().licenceLimitW();
    }

    private double shown(ReadingRole role) {
        double duty = school == School.PULSED ? Customs.CUSTOMARY.dutyFactor() : 1;
        return setup.channelFor(role).isPresent() ? shack.shows(role, hand.range(role)) / duty : 0;
    }

    /** After a trip or a limit passed: a fifth less drive and a little heavier, keyed once more; a few times at most. */
    private void mend() {
        for (int i = 0; i < MENDS && (shack.tripped() || beyond); i++) {
            shack.reset();
            hand.set(Control.DRIVE, 0.8 * shack.shown(Control.DRIVE));
            hand.set(Control.LOAD, tubes.heavier(shack.shown(Control.LOAD), 0.5));
            keyDown(false);
        }
        beyond = false;
    }
}
