package org.tubrin.server.practice;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.tubrin.core.practice.Act;
import org.tubrin.core.practice.Debrief;
import org.tubrin.core.practice.Exercise;
import org.tubrin.core.practice.Play;
import org.tubrin.core.practice.TrainingAmplifier;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Amplifier;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.web.Stale;
import org.tubrin.server.words.Words;
import tools.jackson.databind.json.JsonMapper;

/**
 * Exercises, kept and played. What was done is kept before it counts; a play in memory is nothing but what is kept, played again up to
 * now, so that a restart loses nothing.
 */
@Service
public class Practices {
    private static final int MOST_LISTED = 30;
    private static final int MOST_PLAYED = 8;
    private static final int MOST_ACTS = 5_000;
    private static final double MILLIS = 1000;

    private final PracticeMapper mapper;
    private final Words words;
    private final JsonMapper json;
    private final Clock clock;
    private final TransactionTemplate transaction;
    /** Those that were looked at last; the one looked at longest ago gives way. */
    private final Map<UUID, Played> played = new LinkedHashMap<>(MOST_PLAYED, 1, true);

    Practices(
            PracticeMapper mapper, Words words, JsonMapper json, Clock clock, PlatformTransactionManager transactions) {
        this.mapper = mapper;
        this.words = words;
        this.json = json;
        this.clock = clock;
        transaction = new TransactionTemplate(transactions);
    }

    /**
     * An exercise with all that was done in it, as it is kept.
     *
     * @param endedAt absent while it goes on, and with it the points
     */
    public record Stored(
            UUID id,
            Instant startedAt,
            @Nullable Instant endedAt,
            @Nullable Double points,
            Exercise exercise,
            List<StoredAct> acts) {}

    /** One act of it, so many seconds after its start. */
    public record StoredAct(UUID clientId, double atS, Act act) {}

    /** An exercise with its play; held by one thread at a time. */
    static final class Played {
        private final PracticeRow row;
        private final Play play;
        private final Set<UUID> clients = new HashSet<>();
        private int sequence;
        private Optional<Debrief> debrief = Optional.empty();

        Played(PracticeRow row, Play play) {
            this.row = row;
            this.play = play;
        }

        PracticeRow row() {
            return row;
        }

        Play play() {
            return play;
        }

        int sequence() {
            return sequence;
        }

        /** Returns what it came to; only where it ended. */
        Debrief debrief() {
            if (debrief.isEmpty()) {
                debrief = Optional.of(Debrief.of(play));
            }
            return debrief.get();
        }
    }

    /** Returns what the equipment of an exercise is called in the language in use. */
    public Exercise.Names names() {
        return new Exercise.Names(
                words.say("practice.name.station"),
                words.say("practice.name.exciter"),
                words.say("practice.name.wattmeter"),
                words.say("practice.name.secondMeter"),
                words.say("practice.name.panel"),
                words.say("practice.name.voltmeter"),
                words.say("practice.name.supply"),
                words.say("practice.name.load"),
                words.say("practice.name.antenna"));
    }

    /** Returns the amplifier that is the same for everybody, as it is called in the language in use. */
    public Amplifier trainingAmplifier() {
        return TrainingAmplifier.record(words.say("practice.name.amplifier"));
    }

    /** Returns the newest exercises. */
    List<PracticeRow> newest() {
        return mapper.newest(MOST_LISTED);
    }

    /** Returns how often each lesson came to its end. */
    List<PracticeMapper.LessonRow> lessons() {
        return mapper.lessons();
    }

    /** Puts one in as it is, as a backup or the demo holds it. */
    public void restore(Stored kept) {
        mapper.insert(new PracticeRow(
                kept.id(),
                kept.exercise().lesson().name(),
                kept.exercise().seed(),
                kept.exercise().helped(),
                kept.startedAt(),
                kept.endedAt(),
                kept.points(),
                json.writeValueAsString(kept.exercise())));
        int sequence = 1;
        for (StoredAct act : kept.acts()) {
            mapper.insertAct(row(kept.id(), sequence++, act));
        }
    }

    /** Returns one with all that was done in it. */
    Stored stored(PracticeRow row) {
        return new Stored(
                row.id(),
                row.startedAt(),
                row.endedAt(),
                row.points(),
                exercise(row),
                mapper.acts(row.id()).stream()
                        .map(act -> new StoredAct(act.clientId(), act.atS(), json.readValue(act.body(), Act.class)))
                        .toList());
    }

    private PracticeActRow row(UUID practiceId, int sequence, StoredAct act) {
        return new PracticeActRow(
                practiceId,
                sequence,
                act.clientId(),
                act.atS(),
                json.writerFor(Act.class).writeValueAsString(act.act()));
    }

    /** Begins an exercise; where one of that id was begun before, it stays. */
    public void begin(UUID id, Exercise exercise) {
        try {
            mapper.insert(new PracticeRow(
                    id,
                    exercise.lesson().name(),
                    exercise.seed(),
                    exercise.helped(),
                    clock.instant(),
                    null,
                    null,
                    json.writeValueAsString(exercise)));
        } catch (DuplicateKeyException again) {
            // The same call twice.
        }
    }

    /** Returns what is made of an exercise as it stands now; fails with {@link NotThere}. */
    <T> T now(UUID id, Function<Played, T> made) {
        Played one = played(id);
        synchronized (one) {
            one.play.pass(elapsedS(one));
            return made.apply(one);
        }
    }

    /** Does something in an exercise; an act of the same id that was done before changes nothing. */
    <T> T does(UUID id, UUID clientId, Function<Exercise, Act> does, Function<Played, T> made) {
        Played one = played(id);
        synchronized (one) {
            one.play.pass(elapsedS(one));
            if (!one.clients.contains(clientId)) {
                Act act = does.apply(one.play.exercise());
                List<Problem> refusals = one.play.refusals(act);
                if (!refusals.isEmpty()) {
                    throw new Refused(refusals);
                }
                if (one.sequence >= MOST_ACTS && !(act instanceof Act.Ended)) {
                    throw new Refused(new Problem(
                            ProblemCode.OUT_OF_RANGE,
                            "acts",
                            Integer.toString(one.sequence + 1),
                            new Allowed.Range(1, MOST_ACTS, Unit.ONE)));
                }
                keep(one, clientId, act);
            }
            return made.apply(one);
        }
    }

    private void keep(Played one, UUID clientId, Act act) {
        UUID id = one.row.id();
        PracticeActRow row = row(id, one.sequence + 1, new StoredAct(clientId, one.play.nowS(), act));
        try {
            transaction.executeWithoutResult(status -> {
                mapper.insertAct(row);
                one.play.does(act);
                if (one.play.ended()) {
                    mapper.end(id, clock.instant(), one.debrief().points());
                }
            });
            one.sequence++;
            one.clients.add(clientId);
        } catch (DuplicateKeyException overtaken) {
            forget(id);
            throw new Stale(id.toString());
        } catch (RuntimeException notKept) {
            // What is not kept did not happen: it is played again from what is.
            forget(id);
            throw notKept;
        }
    }

    private double elapsedS(Played one) {
        return Math.max(
                one.play.nowS(),
                Duration.between(one.row.startedAt(), clock.instant()).toMillis() / MILLIS);
    }

    private Played played(UUID id) {
        synchronized (played) {
            Played known = played.get(id);
            if (known != null) {
                return known;
            }
        }
        Played again = playedAgain(id);
        synchronized (played) {
            Played known = played.putIfAbsent(id, again);
            while (played.size() > MOST_PLAYED) {
                played.remove(played.keySet().iterator().next());
            }
            return known == null ? again : known;
        }
    }

    private Played playedAgain(UUID id) {
        PracticeRow row = Optional.ofNullable(mapper.byId(id)).orElseThrow(() -> new NotThere(id.toString()));
        List<PracticeActRow> acts = mapper.acts(id);
        Played one = new Played(
                row,
                Play.of(
                        exercise(row),
                        row.startedAt(),
                        acts.stream().map(this::timed).toList()));
        one.sequence = acts.size();
        acts.forEach(act -> one.clients.add(act.clientId()));
        return one;
    }

    Exercise exercise(PracticeRow row) {
        return json.readValue(row.body(), Exercise.class);
    }

    private Act.Timed timed(PracticeActRow row) {
        return new Act.Timed(row.atS(), json.readValue(row.body(), Act.class));
    }

    private void forget(UUID id) {
        synchronized (played) {
            played.remove(id);
        }
    }

    /** Forgets all that is in memory: what is kept was put back from a backup. */
    void forgetAll() {
        synchronized (played) {
            played.clear();
        }
    }

    /** Deletes an exercise; fails with {@link NotThere}. */
    void remove(UUID id) {
        forget(id);
        if (mapper.delete(id) == 0) {
            throw new NotThere(id.toString());
        }
    }

    /** Returns the moment that is today. */
    Instant today() {
        return clock.instant();
    }
}
