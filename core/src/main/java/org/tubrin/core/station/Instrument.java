package org.tubrin.core.station;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * Where readings come from over the network: whatever answers queries of one line with a number each.
 *
 * @param name what it is called
 * @param host name or address
 * @param port 1 to 65 535
 * @param queries what it is asked in turn over one connection, 1 to 64, each for another reading
 * @param pollS time between two rounds, 0.02 to 60 s
 * @param timeoutS how long an answer may take, 0.05 to 30 s
 */
public record Instrument(String name, String host, int port, List<Query> queries, double pollS, double timeoutS)
        implements Equipment {
    private static final int MOST_QUERIES = 64;

    public Instrument {
        queries = List.copyOf(queries);
        new Checks()
                .name("name", name)
                .text("host", host, 1, 253)
                .range("port", port, 1, 65_535, Unit.ONE)
                .size("queries", queries, 1, MOST_QUERIES)
                .distinct("queries", queries.stream().map(Query::reading).toList())
                .range("pollS", pollS, 0.02, 60, Unit.SECOND)
                .range("timeoutS", timeoutS, 0.05, 30, Unit.SECOND)
                .done();
    }

    /**
     * Returns all records of one host and port as one: named as the first of them in the alphabet, asked what any of them asked, once
     * for each reading, as often as the quickest and with the patience of the most patient.
     *
     * @throws java.util.NoSuchElementException where there are none
     */
    public static Instrument together(List<Instrument> ofOnePlace) {
        List<Instrument> sorted = ofOnePlace.stream()
                .sorted(Comparator.comparing(one -> one.name().toLowerCase(Locale.ROOT)))
                .toList();
        Map<List<Object>, Query> queries = new LinkedHashMap<>();
        sorted.forEach(one -> one.queries().forEach(query -> queries.putIfAbsent(query.reading(), query)));
        Instrument first = sorted.iterator().next();
        return new Instrument(
                first.name(),
                first.host(),
                first.port(),
                List.copyOf(queries.values()),
                sorted.stream().mapToDouble(Instrument::pollS).min().orElseThrow(),
                sorted.stream().mapToDouble(Instrument::timeoutS).max().orElseThrow());
    }

    /**
     * One thing that it is asked.
     *
     * @param query one SCPI query, ended by a question mark, so that it can only ask
     * @param factor what the answer is multiplied by to come to watts, amperes or volts, 1e-9 to 1e9
     * @param meter name of the meter record whose class and ranges hold
     * @param role what of that meter it reads
     */
    public record Query(String query, double factor, String meter, ReadingRole role) {
        public Query {
            new Checks()
                    .text("query", query, 2, 200)
                    .matches("query", query, "[\\x21-\\x7e&&[^;?]][\\x20-\\x7e&&[^;?]]*\\?", new Allowed.Nothing())
                    .range("factor", factor, 1e-9, 1e9, Unit.ONE)
                    .name("meter", meter)
                    .done();
        }

        private List<Object> reading() {
            return List.of(meter, role);
        }

        /** Returns whether it reads that of a meter; the second wattmeter in a line is read as any other. */
        public boolean reads(String ofMeter, ReadingRole what) {
            return meter.equals(ofMeter) && role == (what == ReadingRole.OTHER_OUTPUT ? ReadingRole.OUTPUT : what);
        }
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.instrument(this);
    }
}
