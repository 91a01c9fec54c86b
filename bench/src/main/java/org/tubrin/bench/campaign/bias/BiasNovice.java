package org.tubrin.bench.campaign.bias;

import java.util.Locale;
import org.tubrin.bench.campaign.Notebook;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;

/** A person who sets idle currents by doing what the next move says, and nothing else. */
final class BiasNovice {
    private static final int MOST_MOVES = 800;
    private static final double LOOK_S = 2;
    private final BiasShack shack;
    private final Notebook notebook;

    BiasNovice(BiasShack shack, double potTurns) {
        this.shack = shack;
        notebook = new Notebook(shack.given.setup(potTurns));
    }

    /** Returns where the run stands when it has ended, or when there was no end to it. */
    RunState run() {
        for (int i = 0; i < MOST_MOVES && notebook.state().ending().isEmpty(); i++) {
            Advice advice = NextMove.of(notebook.state(), notebook.at(shack.nowS));
            if (done(advice.move())) {
                Following.events(advice, notebook.at(shack.nowS)).forEach(this::does);
            }
        }
        return notebook.state();
    }

    private void does(RunEvent event) {
        notebook.does(event, shack.nowS);
    }

    /** Does what a hand does of a move; returns whether it is then said to be done. */
    private boolean done(Move move) {
        shack.pass(1);
        if (move instanceof Move.Turn turn && turn.control() == Control.DEVICE) {
            if (turn.to() > 0) {
                shack.ammeter((int) turn.to());
            }
            return true;
        }
        if (move instanceof Move.KeyAndRead) {
            shack.key(true);
            does(new RunEvent.Keyed());
            return false;
        }
        if (move instanceof Move.Adjust adjust) {
            shack.turnsTo(adjust.device(), adjust.aim());
            reads();
            return false;
        }
        if (move instanceof Move.TurnDown down) {
            shack.board.turn(down.device(), 0);
            reads();
            return false;
        }
        if (move instanceof Move.Hold hold) {
            watches(hold.leftS());
            return false;
        }
        if (move instanceof Move.ReadOff) {
            reads();
            return false;
        }
        if (move instanceof Move.SettleDoubt doubt) {
            Reading kept = java.util.Objects.requireNonNull(
                    notebook.state().draft().readings().get(doubt.role()));
            does(new RunEvent.ReadingTaken(kept, true));
            return false;
        }
        if (move instanceof Move.Unkey) {
            shack.key(false);
        }
        return true;
    }

    /** Leaves the pot alone; a current that goes beyond what the run allows is read at once. */
    private void watches(double seconds) {
        double stop = BiasSteps.climb(notebook.state().setup(), notebook.state().steps())
                .flatMap(climb -> climb.next())
                .map(next -> shack.given.plan().shown(next.stopA()))
                .orElseThrow();
        for (double left = seconds; left > 0; left -= LOOK_S) {
            shack.pass(Math.min(LOOK_S, left) + 0.01);
            if (shack.shows() > stop) {
                reads();
                return;
            }
        }
    }

    private void reads() {
        double read = shack.reads();
        String text = String.format(Locale.ROOT, "%.4f", read);
        does(new RunEvent.ReadingTaken(new Reading(shack.given.role(), text, read, "Plumb", "2"), false));
    }
}
