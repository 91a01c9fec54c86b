package org.tubrin.bench.campaign.kinds;

import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.tubrin.bench.campaign.MeterLuck;
import org.tubrin.bench.campaign.Notebook;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Doubt;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;

/** A person who does what the next move says, and nothing else; what the hands do is each kind's own. */
final class Follower {
    private static final int MOST_MOVES = 300;

    /** What stands before the person: time goes on only through it. */
    interface Hands {
        double nowS();

        /** Lets time pass with the key as it is. */
        void pass(double seconds);

        /** Does what a move asks of the hands; returns whether it was one of theirs, and so needs no more doing. */
        boolean does(Move move, Follower person);
    }

    private final Notebook notebook;
    private final MeterLuck meters;
    private final Hands hands;

    Follower(TuneSetup setup, MeterLuck meters, Hands hands) {
        notebook = new Notebook(setup);
        this.meters = meters;
        this.hands = hands;
    }

    RunState state() {
        return notebook.state();
    }

    void does(RunEvent event) {
        notebook.does(event, hands.nowS());
    }

    /** Returns where the run stands when it has ended, or when there was no end to it. */
    RunState run() {
        for (int i = 0; i < MOST_MOVES && state().ending().isEmpty(); i++) {
            step();
        }
        return state();
    }

    /** Does the next move; returns it. */
    Move step() {
        hands.pass(1);
        Advice advice = advice();
        Move move = advice.move();
        if (move instanceof Move.Rest rest) {
            hands.pass(rest.leftS() + 0.1);
        } else if (move instanceof Move.SettleDoubt doubt) {
            settle(doubt);
        } else if (!hands.does(move, this)) {
            Following.events(advice, notebook.at(hands.nowS())).forEach(this::does);
        }
        return move;
    }

    /** Returns what is advised now. */
    Advice advice() {
        return NextMove.of(state(), notebook.at(hands.nowS()));
    }

    private void settle(Move.SettleDoubt doubt) {
        boolean isWidest = range(doubt.role()).equals(meters.widest(doubt.role()));
        if (doubt.doubt() == Doubt.BEYOND_RANGE && !isWidest) {
            does(new RunEvent.RangeChosen(
                    doubt.role(), meters.widest(doubt.role()).name()));
            does(new RunEvent.TriedAgain());
            return;
        }
        Reading kept = Objects.requireNonNull(state().draft().readings().get(doubt.role()));
        does(new RunEvent.ReadingTaken(kept, true));
    }

    MeterRange range(ReadingRole role) {
        return Optional.ofNullable(state().ranges().get(role))
                .flatMap(name -> state().setup().channelFor(role).flatMap(channel -> channel.range(name)))
                .orElseGet(() -> meters.widest(role));
    }

    /** Reads every meter that the run asks for, as it shows what is true. */
    void reads(Map<ReadingRole, Double> truths) {
        for (ReadingRole role : state().setup().rolesAsked()) {
            MeterRange range = range(role);
            double read = meters.reads(role, Objects.requireNonNull(truths.get(role), role.name()), range);
            String instrument = state().setup().meterFor(role).orElseThrow().name();
            does(new RunEvent.ReadingTaken(
                    new Reading(role, String.format(Locale.ROOT, "%.4f", read), read, instrument, range.name()),
                    false));
        }
    }
}
