package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What happens while the database is away, full, or killed in the middle of a call; and when the same call comes twice. */
public class FaultTest extends ServerTest {

    @AfterMethod(alwaysRun = true)
    public void mend() {
        Postgres.asSuperuser("alter database tubrin allow_connections true");
        Postgres.asSuperuserIn("tubrin", "drop trigger if exists breaks on run_event");
    }

    private static void breaks(String how) {
        Postgres.asSuperuserIn(
                "tubrin",
                "create or replace function breaks() returns trigger language plpgsql security definer as $$ begin "
                        + how + "; return new; end $$",
                "create trigger breaks before insert on run_event for each row execute function breaks()");
    }

    private Map<String, Object> note(String runId, String text) {
        JsonNode run = get("/api/runs/" + runId).json();
        return act(run.get("sequence").asLong(), "NOTE", "text", text);
    }

    private String begun() {
        Reply reply = post("/api/runs", start("MHZ_7", "7.1"));
        assertEquals(reply.status(), 201, reply.text());
        return reply.json().get("id").asString();
    }

    private long noted(String runId, String text) {
        long count = 0;
        for (JsonNode note : get("/api/runs/" + runId).json().get("notes")) {
            count += note.asString().equals(text) ? 1 : 0;
        }
        return count;
    }

    private void isPassing(Reply reply, String type) {
        assertEquals(reply.status(), 503, reply.text());
        assertEquals(reply.headers().get("content-type"), "application/problem+json");
        assertEquals(reply.json().get("type").asString(), type);
        assertTrue(reply.headers().containsKey("retry-after"));
    }

    @Test
    public void whileTheDatabaseIsAwayEveryCallMayBeTriedAgain() {
        String runId = begun();
        Map<String, Object> waits = note(runId, "typed while away");
        Map<String, Object> start = start("MHZ_7", "7.1");
        Map<String, Object> box =
                new LinkedHashMap<>(Map.of("kind", "pad", "name", "Pad", "attenuationDb", 3, "powerLimitW", 5));
        Postgres.asSuperuser(
                "alter database tubrin allow_connections false",
                "select pg_terminate_backend(pid) from pg_stat_activity where datname = 'tubrin'");
        List<Supplier<Reply>> calls = List.of(
                () -> get("/api/runs"),
                () -> get("/api/runs/" + runId),
                () -> get("/api/cards"),
                () -> get("/api/choices"),
                () -> get("/api/backup"),
                () -> get("/api/supply-records"),
                () -> post("/api/runs", start),
                () -> post("/api/runs/" + runId + "/acts", waits),
                () -> post("/api/equipment", box));
        List<CompletableFuture<Reply>> replies =
                calls.stream().map(CompletableFuture::supplyAsync).toList();
        replies.forEach(reply -> isPassing(reply.join(), "noDatabase"));
        assertEquals(
                get("/actuator/health").json().at("/components/storage/status").asString(), "DOWN");
        Postgres.asSuperuser("alter database tubrin allow_connections true");
        Reply again = post("/api/runs/" + runId + "/acts", waits);
        assertEquals(again.status(), 200, again.text());
        assertEquals(noted(runId, "typed while away"), 1);
    }

    @Test
    public void aFullDiskIsCalledThat() {
        String runId = begun();
        Map<String, Object> waits = note(runId, "no room");
        breaks("raise exception 'could not extend file' using errcode = 'disk_full'");
        isPassing(post("/api/runs/" + runId + "/acts", waits), "diskFull");
        assertEquals(
                get("/actuator/health").json().at("/components/storage/status").asString(), "DOWN");
        mend();
        assertEquals(post("/api/runs/" + runId + "/acts", waits).status(), 200);
        assertEquals(noted(runId, "no room"), 1);
    }

    @DataProvider
    public Object[][] kills() {
        return new Object[][] {
            {"perform pg_terminate_backend(pg_backend_pid())"},
            {"raise exception 'shutting down' using errcode = 'admin_shutdown'"},
            {"raise exception 'crashed' using errcode = 'crash_shutdown'"},
            {"raise exception 'starting' using errcode = 'cannot_connect_now'"},
            {"raise exception 'again' using errcode = 'deadlock_detected'"},
        };
    }

    @Test(dataProvider = "kills")
    public void aCallThatIsKilledInTheMiddleIsTakenOnceWhenItComesAgain(String kill) {
        String runId = begun();
        Map<String, Object> waits = note(runId, "killed");
        breaks(kill);
        isPassing(post("/api/runs/" + runId + "/acts", waits), "noDatabase");
        mend();
        assertEquals(post("/api/runs/" + runId + "/acts", waits).status(), 200);
        assertEquals(post("/api/runs/" + runId + "/acts", waits).status(), 200);
        assertEquals(noted(runId, "killed"), 1);
    }

    @Test
    public void theSameActInFlightManyTimesAnswersEachTimeAndIsTakenOnce() {
        String runId = begun();
        for (int round = 0; round < 10; round++) {
            String text = "round " + round;
            Map<String, Object> act = note(runId, text);
            List<CompletableFuture<Reply>> replies = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                replies.add(CompletableFuture.supplyAsync(() -> post("/api/runs/" + runId + "/acts", act)));
            }
            replies.forEach(reply ->
                    assertEquals(reply.join().status(), 200, reply.join().text()));
            assertEquals(noted(runId, text), 1);
        }
    }

    @Test
    public void theSameRunBegunTwiceAtATimeIsOneRun() {
        Map<String, Object> request = start("MHZ_7", "7.1");
        List<CompletableFuture<Reply>> replies = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            replies.add(CompletableFuture.supplyAsync(() -> post("/api/runs", request)));
        }
        replies.forEach(
                reply -> assertEquals(reply.join().status(), 201, reply.join().text()));
    }
}
