package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.tuneup.Recorded;
import org.tubrin.core.tuneup.Replay;
import org.tubrin.core.tuneup.RunEvent;
import org.tubrin.core.tuneup.RunState;
import org.tubrin.core.tuneup.SeenSign;
import org.tubrin.core.tuneup.Step;
import org.tubrin.server.card.CardBody;
import org.tubrin.server.card.CardMapper;
import org.tubrin.server.card.CardRecord;
import org.tubrin.server.store.EventForms;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.web.Stale;
import tools.jackson.databind.json.JsonMapper;

/** Reads and appends the events of runs; each append is one transaction, with the rows that are derived from it. */
@Service
public class RunStore {
    private final RunMapper runs;
    private final CardMapper cards;
    private final EventForms forms;
    private final JsonMapper json;

    RunStore(RunMapper runs, CardMapper cards, EventForms forms, JsonMapper json) {
        this.runs = runs;
        this.cards = cards;
        this.forms = forms;
        this.json = json;
    }

    /** Returns all events of a run in their order. */
    public List<Recorded> events(UUID runId) {
        List<EventRow> rows = runs.events(runId);
        if (rows.isEmpty()) {
            throw new NotThere(runId.toString());
        }
        return rows.stream().map(this::recorded).toList();
    }

    /** Returns whether an act of that id is in the run already. */
    public boolean hasClient(UUID runId, UUID clientId) {
        return runs.hasClient(runId, clientId);
    }

    /** Returns the newest run that has not ended. */
    public Optional<UUID> going() {
        return Optional.ofNullable(runs.going());
    }

    /** Begins a run with its events; a run of that id that is there already is left as it is. */
    @Transactional
    public void begin(UUID runId, UUID clientId, List<Recorded> events) {
        try {
            restore(runId, Collections.nCopies(events.size(), clientId), events);
        } catch (DuplicateKeyException e) {
            throw new Stale(runId.toString());
        }
    }

    /** Puts a whole run in place, each event with the id of the act that it came of. */
    @Transactional
    public void restore(UUID runId, List<UUID> clientIds, List<Recorded> events) {
        RunState state = Replay.of(events);
        runs.insertRun(row(runId, state));
        insert(runId, clientIds, events);
        keepCardRow(runId, state);
    }

    /** Appends events to a run that must still stand at the sequence before them. */
    @Transactional
    public void append(UUID runId, UUID clientId, List<Recorded> added, RunState after) {
        if (runs.advanceRun(row(runId, after), added.get(0).sequence() - 1) == 0) {
            throw new Stale(runId.toString());
        }
        insert(runId, Collections.nCopies(added.size(), clientId), added);
        boolean finishes = added.stream().anyMatch(recorded -> recorded.event() instanceof RunEvent.Finished);
        if (finishes) {
            keepCardRow(runId, after);
        }
    }

    private void insert(UUID runId, List<UUID> clientIds, List<Recorded> events) {
        List<EventRow> rows = new ArrayList<>();
        for (int i = 0; i < events.size(); i++) {
            Recorded recorded = events.get(i);
            rows.add(new EventRow(
                    runId,
                    recorded.sequence(),
                    clientIds.get(i),
                    recorded.at(),
                    RunEvent.VERSION,
                    json.writerFor(RunEvent.class).writeValueAsString(recorded.event())));
        }
        runs.insertEvents(rows);
    }

    private void keepCardRow(UUID runId, RunState state) {
        CardRow.of(state)
                .ifPresent(row -> cards.insert(new CardRecord(
                        runId,
                        runId,
                        row.amplifier(),
                        row.band().name(),
                        row.termination(),
                        row.verifiedAt(),
                        json.writeValueAsString(CardBody.of(row)))));
    }

    private Recorded recorded(EventRow row) {
        return new Recorded(row.sequence(), row.at(), forms.read(row.version(), row.body()));
    }

    /** Returns the row of a run in its state. */
    static RunRow row(UUID id, RunState state) {
        Optional<Double> outputW = state.lastStep()
                .flatMap((Step step) -> step.measured(ReadingRole.OUTPUT))
                .map(Quantity::value);
        return new RunRow(
                id,
                state.startedAt(),
                state.lastAt(),
                state.sequence(),
                state.setup().amplifier().name(),
                state.setup().termination().name(),
                state.setup().band().name(),
                state.setup().frequencyHz(),
                state.ending().map(RunState.Ending::name).orElse(null),
                state.steps().size(),
                outputW.orElse(null),
                state.school().name(),
                state.conditions().lineVoltageV().orElse(null),
                state.conditions().ambientC().orElse(null),
                (int) state.seen().stream().filter(SeenSign.ARC::equals).count(),
                (int) state.seen().stream().filter(SeenSign::isTrip).count());
    }

    /** Returns the states of the finished runs of a place, oldest first. */
    public List<RunState> finished(String amplifier, String band, String termination) {
        return runs.finished(amplifier, band, termination).stream()
                .map(id -> Replay.of(events(id)))
                .toList();
    }
}
