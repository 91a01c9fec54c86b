package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** New tubes close the card rows of an amplifier, and its trends begin anew. */
public class AlterationApiTest extends ServerTest {
    private Reply change(String equipment, String part, String on, String note) {
        return post("/api/alterations", Map.of("equipment", equipment, "part", part, "on", on, "note", note));
    }

    private boolean isClosed(String amplifier) {
        for (JsonNode row : get("/api/cards").json()) {
            if (row.get("amplifier").asString().equals(amplifier) && !row.has("closed")) {
                return false;
            }
        }
        return true;
    }

    @Test
    public void newTubesCloseTheCardAndDeletingTheEntryOpensItAgain() {
        assertFalse(isClosed("Brigantine"));
        String today = LocalDate.now(ZoneOffset.UTC).toString();
        Reply made = change("Brigantine", "TUBES", today, "two Lantern 350, matched");
        assertEquals(made.status(), 201, made.text());
        assertTrue(isClosed("Brigantine"), "dials of the old tubes");
        JsonNode row = get("/api/cards").json().get(0);
        assertTrue(
                row.get("closed").asString().contains("tubes of Brigantine changed, two Lantern 350"), row.toString());
        Reply trends = get("/api/trends?amplifier=Brigantine&band=MHZ_14&termination=Ballast%201000");
        assertTrue(trends.json().get("since").asString().contains("tubes of Brigantine"), trends.text());
        assertEquals(trends.json().get("series").size(), 0, "nothing was tuned since");
        Reply removed = delete("/api/alterations/" + made.json().get("id").asString());
        assertEquals(removed.status(), 204);
        assertFalse(isClosed("Brigantine"));
    }

    /** Rows that were tuned after it stand: only what came before rests on the old part. */
    @Test
    public void aChangeOfLongAgoClosesNothing() {
        assertEquals(change("Brigantine", "RELAY", "2020-01-01", "").status(), 201);
        assertFalse(isClosed("Brigantine"));
    }

    /** Returns the exciters whose levels still count. */
    private Set<String> withOpenLevels() {
        Set<String> exciters = new TreeSet<>();
        for (JsonNode row : get("/api/drive/alc").json().get("rows")) {
            if (!row.get("shut").asBoolean()) {
                exciters.add(row.get("exciter").asString());
            }
        }
        return exciters;
    }

    @Test
    public void aLevelIsShutByAnyChangeOfItsExciter() {
        Set<String> open = withOpenLevels();
        assertFalse(open.isEmpty(), "the demo has a level that still counts");
        String exciter = open.iterator().next();
        String today = LocalDate.now(ZoneOffset.UTC).toString();
        assertEquals(change(exciter, "CABLE", today, "").status(), 201);
        assertFalse(withOpenLevels().contains(exciter), exciter);
    }

    @Test
    public void whatIsWrongIsNamed() {
        assertEquals(
                change("Nobody", "TUBES", "2026-01-01", "")
                        .json()
                        .get("problems")
                        .get(0)
                        .get("field")
                        .asString(),
                "equipment");
        assertEquals(
                change("Brigantine", "TUBES", "2999-01-01", "")
                        .json()
                        .get("problems")
                        .get(0)
                        .get("field")
                        .asString(),
                "on");
        assertEquals(change("Brigantine", "MAGIC", "2026-01-01", "").status(), 422);
        assertEquals(change("Brigantine", "TUBES", "yesterday", "").status(), 422);
    }
}
