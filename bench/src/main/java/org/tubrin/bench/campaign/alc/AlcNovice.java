package org.tubrin.bench.campaign.alc;

import java.util.Locale;
import java.util.Objects;
import org.tubrin.bench.campaign.Notebook;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;

/** A person who tries levels by doing what the next move says, and nothing else. */
final class AlcNovice {
    private static final int MOST_MOVES = 400;
    private static final double READING_S = 3;
    private static final double MOST_REST_S = 600;

    private final AlcShack shack;
    private final Notebook notebook;

    AlcNovice(AlcShack shack) {
        this.shack = shack;
        notebook = new Notebook(shack.given.setup());
        shack.range(range(ReadingRole.OUTPUT));
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

    private String range(ReadingRole role) {
        return Objects.requireNonNull(notebook.state().ranges().get(role));
    }

    /** Does what a hand does of a move; returns whether it is then said to be done. */
    private boolean done(Move move) {
        shack.nowS += 1;
        if (move instanceof Move.Turn turn) {
            shack.turn(turn.control(), turn.to());
        } else if (move instanceof Move.SwitchRange other) {
            shack.range(other.to());
        } else if (move instanceof Move.Rest rest) {
            shack.nowS += Math.min(MOST_REST_S, rest.leftS() + 0.1);
            return false;
        } else if (move instanceof Move.KeyAndRead) {
            keyAndRead();
            return false;
        } else if (move instanceof Move.SettleDoubt doubt) {
            Reading kept =
                    Objects.requireNonNull(notebook.state().draft().readings().get(doubt.role()));
            does(new RunEvent.ReadingTaken(kept, true));
            return false;
        }
        return true;
    }

    private void keyAndRead() {
        does(new RunEvent.Keyed());
        shack.keyDowns++;
        shack.nowS += READING_S;
        for (ReadingRole role : shack.given.setup().rolesAsked()) {
            double read = shack.reads(role);
            String meter = shack.given.setup().meterFor(role).orElseThrow().name();
            String text = String.format(Locale.ROOT, "%.3f", read);
            does(new RunEvent.ReadingTaken(new Reading(role, text, read, meter, range(role)), false));
        }
        does(new RunEvent.Unkeyed());
    }
}
