package org.tubrin.server.run;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Step;
import org.tubrin.core.trend.RunFigures;
import org.tubrin.server.card.CardBody;
import org.tubrin.server.card.CardMapper;
import org.tubrin.server.store.EventForms;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.web.Stale;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Reads and appends the events of runs; each append is one transaction, with the rows that are derived from it. */
@Service
public class RunStore {
    private static final Logger LOG = LoggerFactory.getLogger(RunStore.class);

    private static final int MOST_DRAWN = 200;
    /** So many runs are open on pages at once, at most. */
    private static final int MOST_KNOWN = 4;

    private final RunMapper runs;
    private final CardMapper cards;
    private final EventForms forms;
    private final JsonMapper json;
    /** The runs that were asked for last: of one that goes on only what is new is read. */
    private final Map<UUID, KnownRun> known = Collections.synchronizedMap(new LinkedHashMap<>(8, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<UUID, KnownRun> eldest) {
            return size() > MOST_KNOWN;
        }
    });

    RunStore(RunMapper runs, CardMapper cards, EventForms forms, JsonMapper json) {
        this.runs = runs;
        this.cards = cards;
        this.forms = forms;
        this.json = json;
    }

    /** Returns the state of a run. */
    public RunState state(UUID runId) {
        return known(runId).state();
    }

    /** Returns a run as it stands in the database. */
    KnownRun known(UUID runId) {
        Optional<KnownRun> before = Optional.ofNullable(known.get(runId));
        List<EventRow> rows =
                runs.events(runId, before.map(one -> one.last().sequence()).orElse(1L));
        // Where the last one that is known is not the one that is there, another run was put in its place.
        KnownRun now = before.filter(one -> !rows.isEmpty() && one.endsWith(rows.get(0)))
                .map(one -> one.and(rows.subList(1, rows.size()), this::recorded))
                .orElseGet(() -> before.isEmpty() && !rows.isEmpty() ? KnownRun.of(rows, this::recorded) : read(runId));
        known.put(runId, now);
        return now;
    }

    private KnownRun read(UUID runId) {
        List<EventRow> rows = runs.events(runId, 1);
        if (rows.isEmpty()) {
            throw new NotThere(runId.toString());
        }
        return KnownRun.of(rows, this::recorded);
    }

    /** Returns the newest run that has not ended. */
    public Optional<UUID> going() {
        return Optional.ofNullable(runs.going());
    }

    /** Begins a run with its events; a run of that id that is there already is left as it is. */
    @Transactional
    public void begin(UUID runId, UUID clientId, List<Recorded> events) {
        try {
            RunState state = Replay.of(events);
            runs.insertRun(row(runId, state));
            runs.changed();
            insert(runId, clientId, events);
            keepDerived(runId, state);
        } catch (DuplicateKeyException e) {
            throw new Stale(runId.toString());
        }
    }

    /** Appends events to a run that must still stand at the sequence before them. */
    @Transactional
    public void append(UUID runId, UUID clientId, List<Recorded> added, RunState after) {
        if (runs.advanceRun(row(runId, after), added.get(0).sequence() - 1) == 0) {
            throw new Stale(runId.toString());
        }
        if (after.ending().isPresent()
                || added.stream().anyMatch(recorded -> recorded.event() instanceof RunEvent.SchoolChosen)) {
            runs.changed();
        }
        insert(runId, clientId, added);
        boolean finishes = added.stream().anyMatch(recorded -> recorded.event() instanceof RunEvent.Finished);
        if (finishes) {
            keepDerived(runId, after);
        }
    }

    private void insert(UUID runId, UUID clientId, List<Recorded> events) {
        List<EventRow> rows = new ArrayList<>();
        for (Recorded recorded : events) {
            rows.add(new EventRow(
                    runId,
                    recorded.sequence(),
                    clientId,
                    recorded.at(),
                    RunEvent.VERSION,
                    json.writerFor(RunEvent.class).writeValueAsString(recorded.event())));
        }
        runs.insertEvents(rows);
    }

    /** Keeps what a finished run leaves: its row of the card, and its figures for the trends. */
    private void keepDerived(UUID runId, RunState state) {
        CardRow.of(state).ifPresent(row -> cards.insert(CardBody.record(runId, runId, row, json)));
        keepFigures(runId, state);
    }

    private void keepFigures(UUID runId, RunState state) {
        RunFigures.of(state).map(one -> figures(runId, state, one)).ifPresent(runs::keepFigures);
    }

    FiguresRow figures(UUID runId, RunState state, RunFigures figures) {
        return new FiguresRow(
                runId,
                state.setup().amplifier().name(),
                state.setup().band().name(),
                state.setup().termination().name(),
                figures.at(),
                RunFigures.VERSION,
                json.writeValueAsString(figures));
    }

    /**
     * Reckons the figures of the next runs after an id that were kept without them, or with others; returns their ids. A run
     * that cannot be read stays without, and is said in the log.
     */
    @Transactional
    public List<UUID> calculateFigures(UUID after, int most) {
        List<UUID> ids = runs.withoutFigures(RunFigures.VERSION, after, most);
        for (UUID id : ids) {
            try {
                RunState state = read(id).state();
                keepFigures(id, state);
                runs.drawStair(id, stair(state));
            } catch (JacksonException | IllegalArgumentException | IndexOutOfBoundsException | Refused e) {
                LOG.warn("the run {} cannot be read: {}", id, e.getMessage());
            }
        }
        runs.changed();
        return ids;
    }

    /** Returns the figures of the finished runs of a place, oldest first. */
    public List<RunFigures> figures(String amplifier, String band, String termination) {
        return runs.figures(amplifier, band, termination).stream()
                .map(body -> json.readValue(body, RunFigures.class))
                .toList();
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
                (int) state.seen().stream().filter(SeenSign::isTrip).count(),
                state.setup().longCarrierW().orElse(null),
                stair(state));
    }

    /** Returns the outputs of a run's steps as its row holds them: as fine as a drawing two lines high shows. */
    private static String stair(RunState state) {
        return state.steps().stream()
                .flatMap(step -> step.measured(ReadingRole.OUTPUT).stream())
                .limit(MOST_DRAWN)
                .map(output ->
                        new BigDecimal(output.value()).round(new MathContext(3)).toPlainString())
                .collect(Collectors.joining(","));
    }
}
