package org.tubrin.core.chain;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Decibels;
import org.tubrin.core.quantity.Quantity;

/**
 * Where the way up of a chain stands: 50 dB or more to begin with, less by 10 dB, the last ten by 1 dB, as the output that is read lets
 * expect. It stops where the gate's direct voltage moves with drive, where more comes out than any gain explains, and where 1 dB of gain
 * is lost.
 *
 * @param next the next setting; empty at the end
 * @param end what ended it; empty while it goes on
 */
public record ChainClimb(Optional<Next> next, Optional<End> end) {
    /** A gate whose direct voltage moves by more than this is fed with RF, in volts. */
    public static final double GATE_MOVES_V = 0.1;
    /** So much lost gain ends it, in decibels. */
    public static final double COMPRESSED_DB = 1;
    /** More than this beyond what a step brings is no gain but a stage that takes off, in decibels. */
    public static final double TAKES_OFF_DB = 3;

    private static final double COARSE_DB = 10;
    private static final double FINE_DB = 1;
    /** An output this near below the wanted one is it: the next decibel would be beyond. */
    private static final double AT_WANTED_DB = 1;
    /** An output that is known less well than this tells no gain. */
    private static final double KNOWN_SHARE = 0.12;

    /** The next setting of the attenuator, in decibels. */
    public record Next(double attenuationDb, Because because) {}

    /** Why that. */
    public enum Because {
        FIRST,
        /** Far from anything. */
        COARSE,
        /** Within ten decibels of the end. */
        FINE
    }

    /** What ended it. */
    public enum End {
        WANTED,
        /** A part would be fed with more than it may be. */
        INPUT,
        COMPRESSION,
        /** The generator gives no more. */
        GENERATOR,
        /** The gate's direct voltage moved with drive. */
        GATE_MOVES,
        /** More came out than the step explains. */
        TAKES_OFF
    }

    /** Returns where it stands after some key-downs. */
    public static ChainClimb of(ChainPlan plan, List<ChainPoint> points) {
        if (points.isEmpty()) {
            double firstDb = plan.chain().wayUp(plan.wantedW()).get(0).attenuationDb();
            return goesOn(firstDb, Because.FIRST);
        }
        ChainPoint last = points.get(points.size() - 1);
        if (moves(points.get(0), last)) {
            return ends(End.GATE_MOVES);
        }
        if (points.size() > 1 && takesOff(points.get(points.size() - 2), last)) {
            return ends(End.TAKES_OFF);
        }
        if (compressionDb(points).filter(db -> db >= COMPRESSED_DB).isPresent()) {
            return ends(End.COMPRESSION);
        }
        return further(plan, last);
    }

    private static ChainClimb further(ChainPlan plan, ChainPoint last) {
        double toWantedDb = toWantedDb(plan, last);
        if (toWantedDb < AT_WANTED_DB) {
            return ends(End.WANTED);
        }
        double generatorW = plan.chain().generator().powerW();
        double mostW = plan.chain().inputMostW().orElse(generatorW);
        double leastDb = Math.max(0, Math.ceil(Decibels.of(generatorW / mostW) - 1e-9));
        double leftDb = last.attenuationDb() - leastDb;
        if (leftDb < FINE_DB) {
            return ends(leastDb > 0 ? End.INPUT : End.GENERATOR);
        }
        double toGoDb = Math.min(leftDb, toWantedDb);
        boolean coarse = toGoDb > COARSE_DB;
        double stepDb = coarse ? Math.max(FINE_DB, Math.min(COARSE_DB, Math.floor(toGoDb - COARSE_DB))) : FINE_DB;
        return goesOn(last.attenuationDb() - stepDb, coarse ? Because.COARSE : Because.FINE);
    }

    /** By what is read where that is known well enough, else by what the chain is thought to be. */
    private static double toWantedDb(ChainPlan plan, ChainPoint last) {
        double outputW = isKnown(last) ? last.outputW().value() : predictedW(plan, last.attenuationDb());
        return Decibels.of(plan.wantedW() / outputW);
    }

    /** Returns the output that the chain is thought to bring behind so many decibels, in watts. */
    public static double predictedW(ChainPlan plan, double attenuationDb) {
        return plan.chain().outputOfW(plan.chain().generator().powerW() * Decibels.ratio(-attenuationDb));
    }

    /** Returns the output to expect behind so many decibels, in watts: by the gain that was read last, else as the chain is thought to be. */
    public static double expectedW(ChainPlan plan, List<ChainPoint> points, double attenuationDb) {
        return points.stream()
                .filter(ChainClimb::isKnown)
                .reduce((first, second) -> second)
                .map(last -> Decibels.ratio(gainDb(last) - attenuationDb))
                .orElseGet(() -> predictedW(plan, attenuationDb));
    }

    private static boolean isKnown(ChainPoint point) {
        return point.outputW().value() > 0
                && point.outputW().standardUncertainty()
                        < KNOWN_SHARE * point.outputW().value();
    }

    /** Returns the gain from the generator to the load at a key-down, in decibels; empty where nothing came out. */
    public static Optional<Quantity> gainDb(ChainPlan plan, ChainPoint point) {
        double inputW = plan.chain().generator().powerW() * Decibels.ratio(-point.attenuationDb());
        return Optional.of(point.outputW())
                .filter(output -> output.value() > 0)
                .map(output -> output.scaled(1 / inputW).inDecibels());
    }

    /** The same but for the generator, which does not change. */
    private static double gainDb(ChainPoint point) {
        return Decibels.of(point.outputW().value()) + point.attenuationDb();
    }

    /** Returns by how much the gain has fallen from the greatest that was read; empty where none is known. */
    public static Optional<Double> compressionDb(List<ChainPoint> points) {
        ChainPoint last = points.get(points.size() - 1);
        return isKnown(last)
                ? points.stream()
                        .filter(ChainClimb::isKnown)
                        .map(ChainClimb::gainDb)
                        .max(Comparator.naturalOrder())
                        .map(greatest -> greatest - gainDb(last))
                : Optional.empty();
    }

    private static boolean moves(ChainPoint first, ChainPoint last) {
        return first.gateDcV().isPresent()
                && last.gateDcV().isPresent()
                && Math.abs(last.gateDcV().get().value() - first.gateDcV().get().value()) > GATE_MOVES_V;
    }

    /** Surely more than the step and a little: also where the step is down. */
    private static boolean takesOff(ChainPoint before, ChainPoint last) {
        double stepDb = before.attenuationDb() - last.attenuationDb();
        Quantity most = before.outputW().scaled(Decibels.ratio(Math.max(0, stepDb) + TAKES_OFF_DB));
        return last.outputW().minus(most).likelyLow() > 0 && isKnown(last);
    }

    private static ChainClimb goesOn(double attenuationDb, Because because) {
        return new ChainClimb(Optional.of(new Next(attenuationDb, because)), Optional.empty());
    }

    private static ChainClimb ends(End end) {
        return new ChainClimb(Optional.empty(), Optional.of(end));
    }
}
