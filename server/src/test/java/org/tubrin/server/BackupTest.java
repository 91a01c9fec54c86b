package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Band;
import org.tubrin.server.supply.SupplyRecordKind;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

public class BackupTest extends ServerTest {
    private String backup() {
        return get("/api/backup").text();
    }

    private static String undated(String backup) {
        return backup.replaceFirst("\"madeAt\":\"[^\"]*\"", "");
    }

    @Test
    public void whatIsRestoredIsWhatWasSaved() {
        String saved = backup();
        String cards = get("/api/cards").text();
        assertEquals(
                call(request("/api/equipment/" + equipmentId("Yardarm")).DELETE())
                        .status(),
                204);
        assertEquals(post("/api/runs", start("MHZ_7", "7.1")).status(), 201);
        Reply checked = post("/api/backup/restore?apply=false", saved);
        assertEquals(checked.status(), 200, checked.text());
        assertTrue(!undated(backup()).equals(undated(saved)), "a check replaces nothing");
        Reply restored = post("/api/backup/restore?apply=true", saved);
        assertEquals(restored.json().get("runs").asInt(), 47);
        assertEquals(undated(backup()), undated(saved));
        assertEquals(get("/api/cards").text(), cards);
    }

    @DataProvider
    public Object[][] spoilt() {
        return new Object[][] {
            {"not JSON", "{\"format\"", "{format"},
            {"another form", "tubrin-backup", "other-backup"},
            {"a later version", "\"version\":1,\"madeAt\"", "\"version\":2,\"madeAt\""},
            {"an impossible value", "\"licenceLimitW\":1000.0", "\"licenceLimitW\":-1000.0"},
            {"an unknown field", "\"callSign\"", "\"colour\" : 1, \"callSign\""},
            {"an unknown event", "\"kind\": \"stepRecorded\"", "\"kind\": \"stepDreamt\""},
            {"a gap in a run", "\"sequence\":7,", "\"sequence\":700,"},
            {"an event of the future", "\"version\":1,\"event\"", "\"version\":2,\"event\""},
            {"cut off", "\"cardRows\":", "\"cardRo"},
            {"a list in its place", "\"papers\":[", "\"papers\":7,\"x\":["},
            {"no runs", "\"runs\":[", "\"papers\":["},
            {"no moment", "\"madeAt\"", "\"stationRevision\":1,\"x\""},
            {"text where a number belongs", "\"tubeCount\": 2", "\"tubeCount\": \"two\""},
        };
    }

    @Test(dataProvider = "spoilt")
    public void aSpoiltBackupReplacesNothing(String name, String good, String bad) {
        String saved = backup();
        String spoilt = name.equals("not JSON")
                ? bad
                : saved.replaceFirst(
                        java.util.regex.Pattern.quote(good), java.util.regex.Matcher.quoteReplacement(bad));
        assertTrue(!spoilt.equals(saved), name);
        Reply reply = post("/api/backup/restore?apply=true", spoilt);
        assertEquals(reply.status(), 422, name + ": " + reply.text());
        assertTrue(reply.json().get("problems").size() > 0, reply.text());
        assertEquals(undated(backup()), undated(saved), name);
    }

    @Test
    public void whatIsSavedHasThePublishedForm() {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(get("/api/backup/schema").text(), InputFormat.JSON);
        assertEquals(schema.validate(backup(), InputFormat.JSON), List.of());
    }

    @Test
    public void aRefusalSaysWhereInTheFile() {
        String spoilt = backup().replaceFirst("\"kind\": \"stepRecorded\"", "\"kind\": \"stepDreamt\"");
        String field = post("/api/backup/restore?apply=true", spoilt)
                .json()
                .at("/problems/0/field")
                .asString();
        assertTrue(field.matches("runs\\.\\d+\\.events\\.\\d+\\.event\\.kind"), field);
    }

    @Test
    public void whatWasReadBeforeARefusalIsNotInTheNextRestore() {
        String good = backup();
        int last = good.lastIndexOf("\"kind\": \"stepRecorded\"");
        byte[] spoilt = (good.substring(0, last) + good.substring(last).replaceFirst("stepRecorded", "stepDreamt"))
                .getBytes(StandardCharsets.UTF_8);
        assertThrows(Refused.class, () -> restore.restore(new ByteArrayInputStream(spoilt), 0, true));
        restore.restore(new ByteArrayInputStream(good.getBytes(StandardCharsets.UTF_8)), 0, true);
        assertEquals(undated(backup()), undated(good));
    }

    @Test
    public void whatAFileHasOfInstrumentsWithOneQueryEachBecomesOneOfEachHostAndPort() {
        ObjectNode backup = (ObjectNode) get("/api/backup").json();
        ArrayNode equipment = (ArrayNode) backup.get("equipment");
        JsonNode before = named("Test desk on the bench");
        for (int i = equipment.size() - 1; i >= 0; i--) {
            JsonNode one = equipment.get(i);
            if (one.get("equipment").get("kind").asString().equals("instrument")) {
                equipment.remove(i);
                int part = 0;
                for (JsonNode query : one.get("equipment").get("queries")) {
                    ObjectNode old = (ObjectNode) one.deepCopy();
                    old.put("id", UUID.randomUUID().toString());
                    ObjectNode body = (ObjectNode) old.get("equipment");
                    body.put("name", body.get("name").asString() + (part == 0 ? "" : " " + part));
                    body.remove("queries");
                    body.setAll((ObjectNode) query);
                    equipment.add(old);
                    part++;
                }
            }
        }
        assertEquals(post("/api/backup/restore?apply=true", backup.toString()).status(), 200);
        JsonNode bench = named("Test desk on the bench");
        assertEquals(queries(bench), queries(before));
        assertEquals(bench.get("pollS"), before.get("pollS"));
        assertTrue(before.get("queries").size() > 1);
    }

    private static Set<String> queries(JsonNode instrument) {
        Set<String> queries = new TreeSet<>();
        instrument.get("queries").forEach(query -> queries.add(query.toString()));
        return queries;
    }

    private JsonNode named(String name) {
        for (JsonNode one : get("/api/equipment").json()) {
            if (one.get("name").asString().equals(name)) {
                return one.get("body");
            }
        }
        throw new AssertionError("there is no " + name);
    }

    /** As the migration finds them: a record for each query. */
    @Test
    public void recordsOfOneHostAndPortBecomeOne() throws IOException {
        database.update("delete from equipment where body ->> 'kind' = 'instrument'");
        String[][] old = {
            {"B plate", "127.0.0.1", "5025", "I?", "Panel", "PLATE_CURRENT", "0.1"},
            {"A grid", "127.0.0.1", "5025", "G?", "Panel", "GRID_CURRENT", "0.05"},
            {"C plate again", "127.0.0.1", "5025", "I2?", "Panel", "PLATE_CURRENT", "0.1"},
            {"Other", "127.0.0.1", "5026", "P?", "Fathom", "OUTPUT", "0.2"},
        };
        for (String[] one : old) {
            database.update(
                    "insert into equipment (id, revision, name, body) values (gen_random_uuid(), 1, ?, jsonb_build_object("
                            + "'kind', 'instrument', 'name', ?, 'host', ?, 'port', ?::int, 'query', ?, 'factor', 1, "
                            + "'meter', ?, 'role', ?, 'pollS', ?::double precision, 'timeoutS', 0.5))",
                    one[0],
                    one[0],
                    one[1],
                    one[2],
                    one[3],
                    one[4],
                    one[5],
                    one[6]);
        }
        try (InputStream script = getClass().getResourceAsStream("/db/migration/V17__instruments_with_queries.sql")) {
            database.execute(new String(script.readAllBytes(), StandardCharsets.UTF_8));
        }
        JsonNode one = named("A grid");
        assertEquals(one.get("pollS").asDouble(), 0.05);
        assertEquals(one.get("queries").size(), 2);
        assertEquals(one.get("queries").get(0).get("query").asString(), "G?");
        assertEquals(one.get("queries").get(1).get("query").asString(), "I?");
        assertEquals(named("Other").get("queries").get(0).get("role").asString(), "OUTPUT");
        assertEquals(
                database.queryForObject(
                        "select count(*) from equipment where body ->> 'kind' = 'instrument'", Integer.class),
                2);
    }

    @Test
    public void theSchemaIsPublished() {
        assertEquals(
                get("/api/backup/schema").json().get("$schema").asString(),
                "https://json-schema.org/draft/2020-12/schema");
    }

    @DataProvider
    public Object[][] lists() {
        return new Object[][] {{"runs"}, {"equipment"}, {"papers"}, {"cardRows"}};
    }

    @Test(dataProvider = "lists")
    public void whatStandsTwiceIsRefusedByTheCheckToo(String list) {
        if (list.equals("cardRows")) {
            assertEquals(
                    post(
                                    "/api/cards/import",
                                    java.util.Map.of(
                                            "text", get("/api/cards.csv").text().replace("2026-", "2025-")))
                            .status(),
                    200);
        }
        String saved = backup();
        JsonNode backup = JSON.readTree(saved);
        JsonNode first = backup.get(list).get(0);
        ((ArrayNode) backup.get(list)).add(first);
        for (boolean apply : new boolean[] {false, true}) {
            Reply reply = post("/api/backup/restore?apply=" + apply, backup.toString());
            assertEquals(reply.status(), 422, reply.text());
            assertEquals(
                    reply.json().at("/problems/0/field").asString(),
                    list + "." + (backup.get(list).size() - 1) + ".id");
        }
        assertEquals(undated(backup()), undated(saved));
    }

    @Test
    public void theOrderOfThePartsDoesNotMatter() {
        String saved = backup();
        ObjectNode backup = (ObjectNode) JSON.readTree(saved);
        JsonNode station = backup.remove("station");
        backup.set("station", station);
        assertEquals(post("/api/backup/restore?apply=true", backup.toString()).status(), 200);
        assertEquals(undated(backup()), undated(saved));
    }

    @Test
    public void theCodesThatTheDatabaseAllowsAreThoseThatThereAre() {
        assertEquals(allowed("run_band"), codes(Band.values()));
        assertEquals(allowed("card_row_band"), codes(Band.values()));
        assertEquals(allowed("card_spot_dials_for"), codes(Use.values()));
        assertEquals(allowed("run_school"), codes(School.values()));
        assertEquals(allowed("run_ending"), codes(RunState.Ending.values()));
        assertEquals(allowed("paper_kind"), codes(SupplyRecordKind.values()));
    }

    private Set<String> allowed(String constraint) {
        String says = database.queryForObject(
                "select pg_get_constraintdef(oid) from pg_constraint where conname = ?", String.class, constraint);
        return java.util.regex.Pattern.compile("'([A-Z_0-9]+)'")
                .matcher(says)
                .results()
                .map(found -> found.group(1))
                .collect(Collectors.toSet());
    }

    private static Set<String> codes(Enum<?>[] values) {
        return Stream.of(values).map(Enum::name).collect(Collectors.toSet());
    }
}
