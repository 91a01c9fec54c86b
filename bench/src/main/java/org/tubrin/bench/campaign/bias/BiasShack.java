package org.tubrin.bench.campaign.bias;

import java.util.Random;
import org.tubrin.bench.BiasBoard;

/** The board as it is, the meter before it, and the hand at its pots. */
final class BiasShack {
    /** What a hand with a screwdriver can place a pot to, as a share of a turn. */
    private static final double HAND_TURN = 0.5 / 360;

    private static final double LOOK_S = 0.4;
    private static final double FIRST_STEP_SHARE = 0.04;
    private static final int MOST_LOOKS = 120;
    private static final int WARM_UP_LOOKS = 60;

    final BiasCase given;
    final BiasBoard board;
    private final Random random;
    private boolean keyed;
    private int ammeterIn = 1;
    double nowS;
    int readings;

    BiasShack(BiasCase given) {
        this.given = given;
        board = new BiasBoard(given.model(), given.truth());
        if (given.badlyMounted() > 0) {
            board.mount(given.badlyMounted(), BiasBoard.BADLY_MOUNTED_K_PER_W);
        }
        random = new Random(given.truth() + 1);
    }

    void key(boolean down) {
        keyed = down;
        pass(1);
    }

    /** Puts the ammeter into the feed of a device. */
    void ammeter(int device) {
        ammeterIn = device;
    }

    void pass(double seconds) {
        board.pass(keyed, seconds);
        nowS += seconds;
    }

    /** Returns what the meter shows. */
    double shows() {
        boolean sensed = given.plan().sense().isPresent();
        double truth = sensed ? board.senseV(keyed) : board.currentA(ammeterIn);
        return Math.min(2, Math.rint(truth * (1 + given.meterShare()) / given.digit()) * given.digit());
    }

    double reads() {
        readings++;
        pass(1);
        return shows();
    }

    /** Turns a pot until the meter shows an aim as nearly as the hand can; stops at once where the current goes up by itself. */
    void turnsTo(int device, double aim) {
        double step = FIRST_STEP_SHARE * board.potTurns();
        double way = shows() < aim ? 1 : -1;
        double place = board.turns(device);
        for (int i = 0; i < MOST_LOOKS; i++) {
            double off = aim - shows();
            if (Math.abs(off) <= given.digit() / 2) {
                return;
            }
            if (Math.signum(off) != way) {
                way = Math.signum(off);
                step /= 2.5;
            }
            if (step < HAND_TURN && i > WARM_UP_LOOKS) {
                return;
            }
            place += way * Math.max(step, HAND_TURN);
            place = Math.max(0, Math.min(board.potTurns(), placed(place)));
            board.turn(device, place);
            pass(LOOK_S);
        }
    }

    /** A hand comes to rest somewhere within what it can tell apart. */
    private double placed(double turns) {
        return turns + HAND_TURN / 2 * (2 * random.nextDouble() - 1);
    }
}
