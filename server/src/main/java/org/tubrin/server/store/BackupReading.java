package org.tubrin.server.store;

import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntConsumer;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;

/** One reading of a backup: where it stands, what it met already, how much there was. */
public final class BackupReading {
    private final IntConsumer runs;
    private final Set<List<Object>> seen = new HashSet<>();
    private final Map<Counted, Long> counts = new EnumMap<>(Counted.class);
    private @Nullable String station;
    private String at = "";

    /** What is counted. */
    public enum Counted {
        EQUIPMENT,
        RUNS,
        EVENTS
    }

    /** Tells how many runs were read as they are. */
    public BackupReading(IntConsumer runs) {
        this.runs = runs;
    }

    /** Returns where it stands: names and places with dots between. */
    public String at() {
        return at;
    }

    /** Goes to a place. */
    public void goTo(String place) {
        at = place;
    }

    /** Reads an array entry by entry, the parser standing at the first token of each. */
    public void each(JsonParser from, Runnable entry) {
        String name = at;
        if (from.currentToken() != JsonToken.START_ARRAY) {
            throw refused(ProblemCode.WRONG_KIND, from.getString());
        }
        for (int i = 0; from.nextToken() != JsonToken.END_ARRAY; i++) {
            at = name + "." + i;
            entry.run();
        }
    }

    /** Refuses what stands in the file twice. */
    public void once(String field, Object... key) {
        if (!seen.add(List.of(key))) {
            at += "." + field;
            throw refused(ProblemCode.DUPLICATE, key[key.length - 1].toString());
        }
    }

    /** Refuses what belongs to something that has not stood in the file before it. */
    public void demand(String field, Object... key) {
        if (!seen.contains(List.of(key))) {
            at += "." + field;
            throw refused(ProblemCode.UNKNOWN_NAME, key[key.length - 1].toString());
        }
    }

    /** Counts so many more. */
    public void count(Counted what, int more) {
        long now = counts.merge(what, (long) more, Long::sum);
        if (what == Counted.RUNS) {
            runs.accept((int) now);
        }
    }

    /** Returns how many there were. */
    public long counted(Counted what) {
        return counts.getOrDefault(what, 0L);
    }

    /** Says the name of the station. */
    public void stationIs(String name) {
        station = name;
    }

    /** Returns the name of the station; empty where the file has none. */
    public Optional<String> station() {
        return Optional.ofNullable(station);
    }

    /** Returns the refusal of what is found where it stands. */
    public Refused refused(ProblemCode code, String found) {
        return new Refused(new Problem(code, at, found, new Allowed.Nothing()));
    }
}
