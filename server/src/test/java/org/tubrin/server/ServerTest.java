package org.tubrin.server;

import static org.testng.Assert.assertEquals;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeMethod;
import org.tubrin.server.backup.Backups;
import org.tubrin.server.backup.Restore;
import org.tubrin.server.store.CoreJson;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The whole server on a real database, called over HTTP; before each test it holds the demo station. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT, properties = "tubrin.demo=true")
public abstract class ServerTest extends AbstractTestNGSpringContextTests {
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    protected static final JsonMapper JSON = CoreJson.mapper();
    private static byte[] demo;

    @org.springframework.beans.factory.annotation.Value("${local.server.port}")
    protected int port;

    @Autowired
    private Backups backups;

    @Autowired
    protected Restore restore;

    @Autowired
    protected JdbcTemplate database;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) {
        registry.add("spring.datasource.url", () -> Postgres.setting("TUBRIN_JDBC_URL"));
        registry.add("spring.datasource.username", () -> Postgres.setting("TUBRIN_JDBC_USER"));
        registry.add("spring.datasource.password", () -> Postgres.setting("TUBRIN_JDBC_PASSWORD"));
    }

    @BeforeMethod
    public void beginWithTheDemo() {
        if (demo == null) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            backups.write(out);
            demo = out.toByteArray();
        }
        restore.restore(new ByteArrayInputStream(demo), 0, true);
    }

    /** A reply with its parsed body. */
    public record Reply(int status, String text, Map<String, String> headers) {
        public JsonNode json() {
            return JSON.readTree(text);
        }
    }

    protected Reply get(String path) {
        return call(request(path).GET());
    }

    protected Reply post(String path, Object body) {
        return call(request(path)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(text(body))));
    }

    protected Reply put(String path, Object body) {
        return call(request(path)
                .header("Content-Type", "application/json")
                .PUT(HttpRequest.BodyPublishers.ofString(text(body))));
    }

    protected HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
    }

    private static String text(Object body) {
        return body instanceof String raw ? raw : JSON.writeValueAsString(body);
    }

    protected Reply delete(String path) {
        return call(request(path).DELETE());
    }

    protected Reply call(HttpRequest.Builder request) {
        try {
            HttpResponse<String> response = HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString());
            Map<String, String> headers = new LinkedHashMap<>();
            response.headers().map().forEach((name, values) -> headers.put(name, values.get(0)));
            return new Reply(response.statusCode(), response.body(), headers);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Returns the newest runs. */
    protected JsonNode runs() {
        return get("/api/runs").json().get("runs");
    }

    /** Returns the id of the equipment of a name. */
    protected String equipmentId(String name) {
        for (JsonNode one : get("/api/equipment").json()) {
            if (one.get("name").asString().equals(name)) {
                return one.get("id").asString();
            }
        }
        throw new AssertionError("no " + name);
    }

    /** Waits between two looks at something that is on its way. */
    protected static void pause(long ms) {
        try {
            Thread.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Returns what starts a climb of the demo's amplifier on a band. */
    protected Map<String, Object> start(String band, String frequency) {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("runId", UUID.randomUUID().toString());
        request.put("amplifierId", equipmentId("Brigantine"));
        request.put("exciterId", equipmentId("Halyard 100"));
        request.put("carrier", "CW");
        request.put("meterIds", java.util.List.of(equipmentId("Fathom"), equipmentId("Brigantine panel")));
        request.put("terminationId", equipmentId("Ballast 1000"));
        request.put("source", "TYPED");
        request.put("band", band);
        request.put("frequency", frequency);
        request.put("school", "PEAK_THEN_HEAVIER");
        return request;
    }

    /** The run in hand, as it was seen last. */
    protected JsonNode run;

    /** Does something in the run in hand, and returns it as it then is. */
    protected JsonNode does(String act, Object... more) {
        Reply reply = post(
                "/api/runs/" + run.get("id").asString() + "/acts",
                act(run.get("sequence").asLong(), act, more));
        assertEquals(reply.status(), 200, act + ": " + reply.text());
        JsonNode foretold = run.get("onceDone");
        run = reply.json();
        if (act.equals("FOLLOW") && foretold != null) {
            assertTold(foretold, run.get("advice"));
        }
        return run;
    }

    /** What a view says of the move after this one is what is said once this one is done; a wait has become shorter. */
    private static void assertTold(JsonNode foretold, JsonNode advice) {
        assertEquals(foretold.get("move"), advice.get("move"));
        if (!advice.has("leftS")) {
            assertEquals(foretold, advice);
        }
    }

    /** Returns an act at a sequence, with a new id. */
    protected static Map<String, Object> act(long sequence, String act, Object... more) {
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("clientId", UUID.randomUUID().toString());
        request.put("expectedSequence", sequence);
        request.put("act", act);
        for (int i = 0; i < more.length; i += 2) {
            request.put((String) more[i], more[i + 1]);
        }
        return request;
    }
}
