package org.tubrin.bench.campaign.drive;

import java.time.Instant;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.tubrin.bench.campaign.Notebook;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Doubt;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.SeenSign;

/** A person who makes a drive table by doing what the next move says, and nothing else. */
final class DriveNovice {
    private static final int MOST_MOVES = 120;
    private static final double READING_S = 3;

    private final DriveShack shack;
    private final Notebook notebook;

    DriveNovice(DriveShack shack) {
        this.shack = shack;
        notebook = new Notebook(shack.given.setup());
        range(Objects.requireNonNull(state().ranges().get(ReadingRole.OUTPUT)));
    }

    /** Returns where the run stands when it has ended, or when there was no end to it. */
    RunState run() {
        for (int i = 0; i < MOST_MOVES && state().ending().isEmpty(); i++) {
            Advice advice = NextMove.of(state(), now());
            if (done(advice.move())) {
                Following.events(advice, now()).forEach(this::does);
            }
        }
        return state();
    }

    RunState state() {
        return notebook.state();
    }

    private Instant now() {
        return notebook.at(shack.nowS);
    }

    private void does(RunEvent event) {
        notebook.does(event, shack.nowS);
    }

    private void range(String name) {
        MeterRange range = shack.given
                .setup()
                .channelFor(ReadingRole.OUTPUT)
                .flatMap(channel -> channel.range(name))
                .orElseThrow();
        shack.range(ReadingRole.OUTPUT, range);
    }

    /** Does what a hand does of a move; returns whether it is then said to be done. */
    private boolean done(Move move) {
        shack.rest(1);
        if (move instanceof Move.Turn turn && turn.control() == Control.DRIVE) {
            shack.set(shack.given.setup().exciterOfW(turn.to()));
        } else if (move instanceof Move.SwitchRange other) {
            range(other.to());
        } else if (move instanceof Move.Rest rest) {
            shack.rest(Math.min(600, rest.leftS() + 0.1));
            return false;
        } else if (move instanceof Move.KeyAndRead || move instanceof Move.EnterReadings) {
            keyAndRead();
            return false;
        } else if (move instanceof Move.SettleDoubt doubt) {
            if (doubt.doubt() == Doubt.BEYOND_RANGE) {
                String wider = wider(doubt.role());
                does(new RunEvent.RangeChosen(doubt.role(), wider));
                range(wider);
                does(new RunEvent.TriedAgain());
                return false;
            }
            Reading kept = Objects.requireNonNull(state().draft().readings().get(doubt.role()));
            does(new RunEvent.ReadingTaken(kept, true));
            return false;
        } else if (move instanceof Move.WorkThrough) {
            shack.rest(20);
            shack.stage().reset();
        }
        return true;
    }

    private String wider(ReadingRole role) {
        return shack.given
                .setup()
                .channelFor(role)
                .orElseThrow()
                .rangeFor(Double.MAX_VALUE)
                .name();
    }

    private void keyAndRead() {
        does(new RunEvent.Keyed());
        Optional<SeenSign> trip = shack.key(READING_S);
        if (trip.isPresent()) {
            does(new RunEvent.Unkeyed());
            does(new RunEvent.SignSeen(trip.get()));
            return;
        }
        for (ReadingRole role : shack.given.setup().rolesAsked()) {
            double read = shack.reads(role);
            String range = Objects.requireNonNull(state().ranges().get(role));
            String instrument = shack.given.setup().meterFor(role).orElseThrow().name();
            does(new RunEvent.ReadingTaken(
                    new Reading(role, String.format(Locale.ROOT, "%.3f", read), read, instrument, range), false));
        }
        does(new RunEvent.Unkeyed());
    }
}
