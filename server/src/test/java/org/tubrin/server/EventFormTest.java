package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.Test;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.server.store.CoreJson;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Holds the stored form of events: what a file holds is never changed, only new kinds come to the later ones. */
public class EventFormTest {
    private static final JsonMapper JSON = CoreJson.mapper();

    private static JsonNode stored() {
        InputStream stream = EventFormTest.class.getResourceAsStream("/events/version-1.json");
        return JSON.readTree(stream);
    }

    @Test
    public void eventsOfVersionOneReplayForEver() {
        List<Recorded> events = new ArrayList<>();
        for (JsonNode entry : stored()) {
            events.add(JSON.convertValue(entry, Recorded.class));
        }
        RunState state = Replay.of(events);
        assertEquals(state.ending().orElseThrow(), RunState.Ending.FINISHED);
        CardRow row = CardRow.of(state).orElseThrow();
        assertEquals(row.outputW().value(), 875.0);
        assertEquals(row.plate(), 5.09);
        assertEquals(row.load(), 5.0);
        assertEquals(state.notes(), List.of("line at 228 V"));
    }

    @Test
    public void whatIsReadIsWrittenTheSameButForPartsThatCameLaterAndAreAbsent() {
        for (JsonNode entry : stored()) {
            RunEvent event = JSON.convertValue(entry.get("event"), RunEvent.class);
            String written = JSON.writerFor(RunEvent.class).writeValueAsString(event);
            assertEquals(present(JSON.readTree(written)), present(entry.get("event")));
        }
    }

    /** Returns a tree without what is absent. */
    private static JsonNode present(JsonNode tree) {
        JsonNode copy = tree.deepCopy();
        prune(copy);
        return copy;
    }

    private static void prune(JsonNode tree) {
        if (tree instanceof ObjectNode object) {
            object.removeIf(JsonNode::isNull);
        }
        tree.forEach(EventFormTest::prune);
    }

    @Test
    public void kindsThatCameLaterAreReadAndWrittenTheSame() {
        for (JsonNode kept : later()) {
            RunEvent event = JSON.convertValue(kept, RunEvent.class);
            String written = JSON.writerFor(RunEvent.class).writeValueAsString(event);
            assertEquals(present(JSON.readTree(written)), present(kept));
        }
    }

    private static JsonNode later() {
        return JSON.readTree(EventFormTest.class.getResourceAsStream("/events/later-kinds.json"));
    }

    @Test
    public void everyKindOfEventIsHeldByTheFiles() {
        Set<String> kinds = new TreeSet<>();
        stored().forEach(entry -> kinds.add(entry.get("event").get("kind").asString()));
        later().forEach(event -> kinds.add(event.get("kind").asString()));
        Set<String> known = new TreeSet<>();
        for (Class<?> kind : RunEvent.class.getPermittedSubclasses()) {
            String name = kind.getSimpleName();
            known.add(Character.toLowerCase(name.charAt(0)) + name.substring(1));
        }
        known.remove("abandoned");
        assertTrue(kinds.containsAll(known), "missing from the files: " + known + " less " + kinds);
    }
}
