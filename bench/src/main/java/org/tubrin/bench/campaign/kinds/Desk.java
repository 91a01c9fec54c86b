package org.tubrin.bench.campaign.kinds;

import java.util.Map;
import java.util.function.Supplier;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.RunEvent;

/** Where a case is played, in time of its own: what all kinds have in common. */
abstract class Desk implements Follower.Hands {
    private static final double READING_S = 3;
    private static final double KEY_UP_S = 0.1;

    private boolean keyed;
    private double nowS;
    private int keyDowns;

    @Override
    public double nowS() {
        return nowS;
    }

    boolean keyed() {
        return keyed;
    }

    int keyDowns() {
        return keyDowns;
    }

    @Override
    public void pass(double seconds) {
        nowS += seconds;
    }

    /** Moves the key; down for as long as a reading takes. */
    void key(boolean down) {
        keyed = down;
        keyDowns += down ? 1 : 0;
        pass(down ? READING_S : KEY_UP_S);
    }

    /** Keys and reads all that the run asks for. */
    void keysAndReads(Follower person, Supplier<Map<ReadingRole, Double>> truths) {
        person.does(new RunEvent.Keyed());
        key(true);
        person.reads(truths.get());
        key(false);
        person.does(new RunEvent.Unkeyed());
    }
}
