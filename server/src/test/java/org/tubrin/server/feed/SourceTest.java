package org.tubrin.server.feed;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.Instrument;

/** One instrument with several queries, on a socket that takes one connection at a time as many instruments do. */
public class SourceTest {
    private static final Hosts HOSTS = new Hosts(new InstrumentSettings("", ""), 1, "jdbc:none");
    private static final long LONG_NS = 60_000_000_000L;

    private static Instrument.Query query(String query, ReadingRole role) {
        return new Instrument.Query(query, 1, "Panel", role);
    }

    private static Source source(OneAtATime box, long wantedForNs, Instrument.Query... queries) {
        return new Source(
                new Instrument("Box", "127.0.0.1", box.port(), List.of(queries), 0.02, 0.2), HOSTS, wantedForNs);
    }

    private static void await(BooleanSupplier seen) throws InterruptedException {
        for (int i = 0; i < 1000 && !seen.getAsBoolean(); i++) {
            Thread.sleep(10);
        }
        assertTrue(seen.getAsBoolean());
    }

    private static Source.Latest latest(Source source, ReadingRole role) {
        return source.of("Panel", role).orElseThrow().latest();
    }

    @Test
    public void allIsAskedOverOneConnection() throws Exception {
        try (OneAtATime box = new OneAtATime(Map.of("V?", "2736", "I?", "0.5"));
                Source source = source(
                        box, LONG_NS, query("V?", ReadingRole.PLATE_VOLTAGE), query("I?", ReadingRole.PLATE_CURRENT))) {
            await(() -> latest(source, ReadingRole.PLATE_CURRENT).value() != null);
            assertEquals(latest(source, ReadingRole.PLATE_VOLTAGE).value(), 2736.0);
            assertEquals(latest(source, ReadingRole.PLATE_CURRENT).value(), 0.5);
            await(() -> box.asked("V?") > 20);
            assertEquals(box.connections(), 1);
            assertTrue(Math.abs(box.asked("V?") - box.asked("I?")) <= 1, "in turn");
            assertTrue(source.of("Other panel", ReadingRole.PLATE_VOLTAGE).isEmpty());
        }
    }

    @Test
    public void whatItDoesNotAnswerHoldsUpNothingElse() throws Exception {
        try (OneAtATime box = new OneAtATime(Map.of("V?", "2736"));
                Source source = source(
                        box, LONG_NS, query("I?", ReadingRole.PLATE_CURRENT), query("V?", ReadingRole.PLATE_VOLTAGE))) {
            await(() ->
                    latest(source, ReadingRole.PLATE_CURRENT).health() == Source.Health.SILENT && box.asked("V?") > 40);
            assertEquals(latest(source, ReadingRole.PLATE_VOLTAGE).health(), Source.Health.OK);
            assertTrue(box.asked("I?") < box.asked("V?") / 4, box.asked("I?") + " of " + box.asked("V?"));
        }
    }

    @Test
    public void whereNobodyIsAllOfItIsAway() throws Exception {
        OneAtATime box = new OneAtATime(Map.of("V?", "2736", "I?", "0.5"));
        try (Source source =
                source(box, LONG_NS, query("V?", ReadingRole.PLATE_VOLTAGE), query("I?", ReadingRole.PLATE_CURRENT))) {
            await(() -> latest(source, ReadingRole.PLATE_CURRENT).health() == Source.Health.OK);
            box.close();
            await(() -> Stream.of(ReadingRole.PLATE_VOLTAGE, ReadingRole.PLATE_CURRENT)
                    .allMatch(role -> latest(source, role).health() == Source.Health.AWAY));
        }
    }

    @Test
    public void whatNobodyLooksAtIsAskedSeldomUntilSomebodyDoes() throws Exception {
        try (OneAtATime box = new OneAtATime(Map.of("V?", "2736"));
                Source source = source(box, 100_000_000L, query("V?", ReadingRole.PLATE_VOLTAGE))) {
            await(() -> latest(source, ReadingRole.PLATE_VOLTAGE).health() == Source.Health.OK);
            Thread.sleep(300);
            int before = box.asked("V?");
            Thread.sleep(1000);
            assertTrue(box.asked("V?") - before <= 4, "asked every third of a second: " + (box.asked("V?") - before));
            int idle = box.asked("V?");
            await(() -> latest(source, ReadingRole.PLATE_VOLTAGE).value() != null && box.asked("V?") > idle + 10);
        }
    }

    @Test
    public void whatIsLateIsWaitedForAndWhatIsGoneIsNot() throws Exception {
        Map<String, String> answers = new ConcurrentHashMap<>(Map.of("V?", "2736"));
        try (OneAtATime box = new OneAtATime(answers);
                Source source = source(
                        box, LONG_NS, query("V?", ReadingRole.PLATE_VOLTAGE), query("I?", ReadingRole.PLATE_CURRENT))) {
            Source.Readings voltage =
                    source.of("Panel", ReadingRole.PLATE_VOLTAGE).orElseThrow();
            Source.Readings current =
                    source.of("Panel", ReadingRole.PLATE_CURRENT).orElseThrow();
            await(() -> latest(source, ReadingRole.PLATE_VOLTAGE).value() != null);
            await(current::isGone);
            assertEquals(latest(source, ReadingRole.PLATE_CURRENT).health(), Source.Health.SILENT);
            assertFalse(voltage.isGone(), "its neighbour answers");
            answers.remove("V?");
            await(() -> latest(source, ReadingRole.PLATE_VOLTAGE).health() == Source.Health.SILENT);
            assertFalse(voltage.isGone(), "the next answer may be on its way");
            await(voltage::isGone);
            answers.put("V?", "2731");
            await(() -> latest(source, ReadingRole.PLATE_VOLTAGE).value() == 2731);
            assertFalse(voltage.isGone(), "it is asked on, and back with its first answer");
        }
    }

    private static final class OneAtATime implements AutoCloseable {
        private final ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
        private final Map<String, AtomicInteger> asked = new ConcurrentHashMap<>();
        private final AtomicInteger connections = new AtomicInteger();
        private final Map<String, String> answers;
        private volatile Socket client = new Socket();

        OneAtATime(Map<String, String> answers) throws IOException {
            this.answers = answers;
            Thread thread = new Thread(this::serve);
            thread.setDaemon(true);
            thread.start();
        }

        int port() {
            return socket.getLocalPort();
        }

        int asked(String query) {
            return asked.getOrDefault(query, new AtomicInteger()).get();
        }

        int connections() {
            return connections.get();
        }

        private void serve() {
            while (!socket.isClosed()) {
                try (Socket now = socket.accept()) {
                    client = now;
                    connections.incrementAndGet();
                    talk(now);
                } catch (IOException gone) {
                    // The next one, if any.
                }
            }
        }

        private void talk(Socket now) throws IOException {
            BufferedReader in =
                    new BufferedReader(new InputStreamReader(now.getInputStream(), StandardCharsets.US_ASCII));
            for (String query = in.readLine(); query != null; query = in.readLine()) {
                asked.computeIfAbsent(query, ignored -> new AtomicInteger()).incrementAndGet();
                if (answers.containsKey(query)) {
                    now.getOutputStream().write((answers.get(query) + "\n").getBytes(StandardCharsets.US_ASCII));
                }
            }
        }

        @Override
        public void close() throws IOException {
            socket.close();
            client.close();
        }
    }
}
