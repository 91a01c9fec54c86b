package org.tubrin.bench.campaign.bias;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import org.tubrin.core.bias.BiasDevice;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.RunState;

/**
 * What one case came to by one procedure.
 *
 * @param procedure name
 * @param offPercent how far the device that is furthest off stands from what is wanted, hot; empty where it never came to that
 * @param lost devices
 * @param readings taken
 * @param minutes it took
 * @param devices of the case
 * @param held of their stated 95 % intervals those that hold the truth
 * @param stated how many intervals were stated
 * @param again how often a climb was begun anew: another pot, another mounting
 * @param story what came out
 */
record BiasScore(
        String procedure,
        OptionalDouble offPercent,
        int lost,
        int readings,
        double minutes,
        int devices,
        int held,
        int stated,
        int again,
        String story) {
    private static final double HOT_S = 600;
    private static final int MOST_CLIMBS = 4;
    private static final double PLAIN_WAIT_S = 10;
    private static final double PLAIN_NOTICES = 1.5;

    /** Returns what following the next move comes to: what it says is wrong is mended, and the climb begun anew. */
    static BiasScore tubrin(BiasCase given) {
        BiasShack shack = new BiasShack(given);
        double turns = given.plan().potTurns();
        StringBuilder story = new StringBuilder();
        for (int again = 0; again < MOST_CLIMBS; again++) {
            RunState run = new BiasNovice(shack, turns).run();
            ClimbEnd end = run.reached().orElse(ClimbEnd.STAYED);
            story.append(' ').append(end);
            if (end == ClimbEnd.BIAS_DONE) {
                return done(given, shack, run, again, story.toString());
            }
            if (end == ClimbEnd.POT_TOO_COARSE) {
                turns = BiasCase.TEN_TURNS;
                shack.board.fit(turns);
            } else if (given.badlyMounted() > 0) {
                shack.board.mount(given.badlyMounted(), given.model().law().heatKPerW());
                shack.board.cool();
            } else {
                shack.board.cool();
            }
        }
        return score("tubrin", given, shack, OptionalDouble.empty(), 0, 0, MOST_CLIMBS, story.toString());
    }

    private static BiasScore done(BiasCase given, BiasShack shack, RunState run, int again, String story) {
        List<BiasDevice> reached =
                BiasSteps.climb(run.setup(), run.steps()).orElseThrow().reached();
        settle(shack);
        int held = 0;
        for (BiasDevice device : reached) {
            double off = device.currentA().value() - shack.board.currentA(device.number());
            if (Math.abs(off) <= device.currentA().halfWidth95()) {
                held++;
            }
        }
        return score("tubrin", given, shack, off(given, shack), held, reached.size(), again, story);
    }

    /** Nothing is touched until all is as hot as it gets. */
    private static void settle(BiasShack shack) {
        shack.key(true);
        shack.board.pass(true, HOT_S);
    }

    private static OptionalDouble off(BiasCase given, BiasShack shack) {
        double most = 0;
        for (int i = 1; i <= given.plan().deviceCount(); i++) {
            most = Math.max(
                    most, Math.abs(shack.board.currentA(i) / given.plan().idleA() - 1));
        }
        return OptionalDouble.of(100 * most);
    }

    private static BiasScore score(
            String procedure,
            BiasCase given,
            BiasShack shack,
            OptionalDouble off,
            int held,
            int stated,
            int again,
            String story) {
        return new BiasScore(
                procedure,
                off,
                shack.board.lost(),
                shack.readings,
                shack.nowS / 60,
                given.plan().deviceCount(),
                held,
                stated,
                again,
                String.format(
                        Locale.ROOT,
                        "case %d, %d devices, %s, %.2f turns, %s: %.1f %% off, %d lost, %d readings;%s",
                        given.number(),
                        given.plan().deviceCount(),
                        given.plan().sense().isPresent() ? "resistor" : "ammeter",
                        given.plan().potTurns(),
                        given.badlyMounted() > 0 ? "one badly mounted" : "well mounted",
                        off.orElse(Double.NaN),
                        shack.board.lost(),
                        shack.readings,
                        story));
    }

    /**
     * Returns what is usual: with ten-turn pots and the measured resistor, one device after the other is turned to its target by
     * the plan, waited for ten seconds and set once more; after ten minutes what is too much of all is taken off all alike. Who sees
     * half as much again turns it down and mounts it anew.
     */
    static BiasScore plain(BiasCase given) {
        BiasShack shack = new BiasShack(given);
        BiasPlan plan = given.plan();
        if (plan.potTurns() < BiasCase.TEN_TURNS) {
            shack.board.fit(BiasCase.TEN_TURNS);
        }
        shack.key(true);
        double standing = plan.sense().isPresent() ? shack.reads() : 0;
        for (int i = 1; i <= plan.deviceCount(); i++) {
            shack.ammeter(i);
            double aim = standing + (plan.sense().isPresent() ? i : 1) * plan.shown(plan.idleA());
            sets(shack, i, aim);
            if (shack.reads() > standing + PLAIN_NOTICES * (aim - standing)) {
                shack.board.turn(i, 0);
                shack.key(false);
                shack.board.mount(i, given.model().law().heatKPerW());
                shack.pass(60);
                shack.key(true);
                sets(shack, i, aim);
            }
        }
        shack.pass(HOT_S);
        sharesOut(shack, standing);
        settle(shack);
        return score("by the plan", given, shack, off(given, shack), 0, 0, 0, "");
    }

    /** After ten minutes what is too much of all is taken off all alike; who has an ammeter sets each. */
    private static void sharesOut(BiasShack shack, double standing) {
        BiasPlan plan = shack.given.plan();
        double one = plan.shown(plan.idleA());
        double more = plan.sense().isPresent() ? shack.reads() - standing - plan.deviceCount() * one : 0;
        for (int i = 1; i <= plan.deviceCount(); i++) {
            shack.ammeter(i);
            shack.turnsTo(i, plan.sense().isPresent() ? shack.reads() - more / plan.deviceCount() : one);
        }
    }

    private static void sets(BiasShack shack, int device, double aim) {
        shack.turnsTo(device, aim);
        shack.pass(PLAIN_WAIT_S);
        shack.turnsTo(device, aim);
    }
}
