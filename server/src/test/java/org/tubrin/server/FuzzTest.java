package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/**
 * Calls every address of the contract with what it names, bent: bodies that are nearly right, with one or two values replaced by
 * what nobody should send. Nothing may fail on our side, what is refused may change nothing, and says what to mend.
 */
public class FuzzTest extends ServerTest {
    private static final int CALLS = 10_400;
    private static final long SEED = 20261127;
    private static final List<String> NASTY = List.of(
            "null",
            "\"\"",
            "\"\\u0000\"",
            "\"a\\u0000b\"",
            "\"\\ud800\"",
            "-1",
            "0",
            "1e308",
            "-1e308",
            "1e-320",
            "2147483647",
            "-2147483648",
            "2147483648",
            "9223372036854775807",
            "1e999",
            "1.5",
            "true",
            "[]",
            "{}",
            "[null]",
            "[[]]",
            "[null,null]",
            "{\"\":null}",
            "\"=1+1\"",
            "\"NaN\"",
            "\"١٢\"",
            "\"7.1\"",
            "\"1e9\"",
            "\"\uFEFF\"",
            "\"\\r\\n\"");
    private static final List<String> NASTY_TEXT = List.of(
            "",
            "abc",
            "-1",
            "0",
            "2147483647",
            "2147483648",
            "1e308",
            "NaN",
            "Infinity",
            "%00",
            "%ff",
            "%C0%80",
            "a%00b",
            "..",
            "%2e%2e%2f",
            "null",
            "true",
            "[]",
            "'",
            "%22",
            "%0d%0aX:1",
            "١",
            "x".repeat(3000));

    private final Random random = new Random(SEED);
    private JsonNode api;
    private final Map<String, List<JsonNode>> bodies = new LinkedHashMap<>();
    private final List<String> ids = new ArrayList<>();

    private record Call(String method, String path, String body) {}

    @Test
    public void noCallFailsOnOurSideAndARefusalChangesNothingAndSaysWhatToMend() {
        api = get("/api/openapi").json();
        collect();
        List<String> wrong = new ArrayList<>();
        Map<Integer, Integer> statuses = new TreeMap<>();
        List<Map.Entry<String, JsonNode>> paths =
                new ArrayList<>(api.get("paths").properties());
        String before = fingerprint();
        List<Call> refused = new ArrayList<>();
        for (int i = 0; i < CALLS; i++) {
            Map.Entry<String, JsonNode> path = paths.get(i % paths.size());
            List<Map.Entry<String, JsonNode>> methods =
                    new ArrayList<>(path.getValue().properties());
            Map.Entry<String, JsonNode> method = methods.get(random.nextInt(methods.size()));
            boolean heavy = path.getKey().startsWith("/api/backup") && random.nextInt(10) > 0;
            if (path.getKey().endsWith("/live") || heavy) {
                continue;
            }
            Call call = call(path.getKey(), method.getKey().toUpperCase(Locale.ROOT), method.getValue());
            Reply reply = sent(call);
            statuses.merge(reply.status(), 1, Integer::sum);
            if (reply.status() >= 500) {
                wrong.add(reply.status() + " " + call + " " + reply.text());
            } else if (reply.status() >= 400) {
                fault(reply).ifPresent(what -> wrong.add(what + ": " + call + " " + reply.text()));
                refused.add(call);
            }
            boolean wrote = reply.status() < 400 && !call.method().equals("GET");
            if (wrote || refused.size() >= 20) {
                String after = fingerprint();
                if (!wrote && !after.equals(before)) {
                    wrong.add("refused, and changed something: one of " + refused);
                }
                before = after;
                refused.clear();
            }
        }
        assertEquals(
                wrong.stream()
                        .limit(40)
                        .map(one -> one.length() > 900 ? one.substring(0, 900) : one)
                        .toList(),
                List.of());
        assertTrue(statuses.getOrDefault(422, 0) > CALLS / 10, "too few reach the rules: " + statuses);
        assertTrue(statuses.getOrDefault(200, 0) > CALLS / 20, "too few are nearly right: " + statuses);
    }

    /** Returns what is wrong with a refusal. */
    private static Optional<String> fault(Reply reply) {
        String type = reply.headers().getOrDefault("content-type", "");
        if (!type.startsWith("application/problem+json")) {
            return Optional.of("not problem+json but “" + type + "”");
        }
        JsonNode body = reply.json();
        for (String field : List.of("type", "title", "detail")) {
            if (body.path(field).asString("").isBlank()) {
                return Optional.of("no " + field);
            }
        }
        if (reply.status() == 422 && body.path("problems").isEmpty()) {
            return Optional.of("refused without a problem");
        }
        for (JsonNode problem : body.path("problems")) {
            String remedy = problem.path("remedy").asString("");
            if (remedy.isBlank() || remedy.contains(": .") || remedy.contains("  ")) {
                return Optional.of("no remedy");
            }
            if (problem.path("message").asString("").contains("“”")) {
                return Optional.of("the value is lost");
            }
        }
        return Optional.empty();
    }

    /** Returns a sum over all that is stored. */
    private String fingerprint() {
        return database.queryForObject(
                "select concat_ws(' ', (select count(*) from run), (select coalesce(sum(last_sequence), 0) from run),"
                        + " (select count(*) from card_row), (select coalesce(sum(revision), 0) + count(*) from equipment),"
                        + " (select coalesce(sum(revision), 0) + count(*) from paper), (select sum(revision) from station))",
                String.class);
    }

    private Reply sent(Call call) {
        HttpRequest.Builder request;
        try {
            request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + call.path()));
        } catch (IllegalArgumentException notEvenAnAddress) {
            return new Reply(200, "", Map.of());
        }
        if (call.body() == null) {
            request.method(call.method(), HttpRequest.BodyPublishers.noBody());
        } else {
            String type = random.nextInt(60) == 0
                    ? List.of("multipart/form-data", "text/plain", "application/json;charset=UTF-16", "x")
                            .get(random.nextInt(4))
                    : "application/json";
            request.header("Content-Type", type)
                    .method(call.method(), HttpRequest.BodyPublishers.ofString(call.body()));
        }
        return call(request);
    }

    /** Takes what the demo holds for bodies that are right, and for ids that are there. */
    private void collect() {
        List<JsonNode> boxes = new ArrayList<>();
        for (JsonNode one : get("/api/equipment").json()) {
            boxes.add(one.get("body"));
            ids.add(one.get("id").asString());
        }
        List<JsonNode> papers = new ArrayList<>();
        for (JsonNode one : get("/api/supply-records").json()) {
            papers.add(one.get("body"));
            ids.add(one.get("id").asString());
        }
        runs().forEach(one -> ids.add(one.get("id").asString()));
        JsonNode station = get("/api/station").json().get("station");
        ObjectNode backup = (ObjectNode) get("/api/backup").json();
        ArrayNode runs = (ArrayNode) backup.get("runs");
        while (runs.size() > 1) {
            runs.remove(runs.size() - 1);
        }
        JsonNode start = JSON.valueToTree(start("MHZ_7", "7.1"));
        bodies.put("/api/equipment", boxes);
        bodies.put("/api/instruments/try", boxes);
        bodies.put("/api/supply-records", papers);
        bodies.put("/api/supply", papers);
        bodies.put("/api/station", List.of(station));
        bodies.put("/api/backup/restore", List.of(backup));
        bodies.put("/api/runs/{id}/acts", acts());
        bodies.put("/api/runs", List.of(start));
    }

    private List<JsonNode> acts() {
        List<JsonNode> acts = new ArrayList<>();
        for (JsonNode kind : api.at("/components/schemas/ActRequest/properties/act/enum")) {
            ObjectNode act = JSON.createObjectNode();
            act.put("clientId", UUID.randomUUID().toString());
            act.put("expectedSequence", 1);
            act.put("act", kind.asString());
            act.put("role", "OUTPUT").put("control", "LOAD").put("text", "4.5").put("sign", "ARC");
            acts.add(act);
        }
        return acts;
    }

    private Call call(String path, String method, JsonNode operation) {
        String filled = path.replace("{id}", random.nextInt(5) == 0 ? nastyText() : pick(ids));
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.path("parameters")) {
            if (parameter.get("in").asString().equals("query") && random.nextInt(12) > 0) {
                query.append(query.isEmpty() ? '?' : '&')
                        .append(parameter.get("name").asString())
                        .append('=')
                        .append(random.nextInt(4) == 0 ? nastyText() : plausible(parameter.get("schema")));
            }
        }
        boolean takesBody = operation.has("requestBody");
        String body = takesBody ? body(path, operation) : null;
        if (path.endsWith("/restore")) {
            query = new StringBuilder("?apply=false");
        }
        return new Call(method, filled + query, body);
    }

    private String nastyText() {
        String text = pick(NASTY_TEXT);
        return text.contains("%") ? text : URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private String plausible(JsonNode schema) {
        if (schema.has("enum")) {
            return schema.get("enum")
                    .get(random.nextInt(schema.get("enum").size()))
                    .asString();
        }
        return switch (schema.path("type").asString("")) {
            case "integer" -> Integer.toString(1 + random.nextInt(3));
            case "number" -> Integer.toString(1 + random.nextInt(90));
            case "boolean" -> Boolean.toString(random.nextBoolean());
            default -> schema.path("format").asString("").equals("uuid") ? pick(ids) : "x";
        };
    }

    private String body(String path, JsonNode operation) {
        List<JsonNode> known = List.of();
        for (Map.Entry<String, List<JsonNode>> one : bodies.entrySet()) {
            if (path.startsWith(one.getKey()) && !(one.getKey().equals("/api/runs") && path.length() > 9)) {
                known = one.getValue();
            }
        }
        JsonNode schema = operation.at("/requestBody/content/application~1json/schema");
        JsonNode body = known.isEmpty() ? generated(schema, 0) : pick(known).deepCopy();
        String text = JSON.writeValueAsString(body);
        for (int i = random.nextInt(3); i > 0; i--) {
            text = bent(text);
        }
        return text;
    }

    /** Returns a value that a schema describes. */
    private JsonNode generated(JsonNode schema, int depth) {
        JsonNode at = schema.has("$ref") ? api.at(schema.get("$ref").asString().substring(1)) : schema;
        if (at.has("enum") || at.path("type").asString("").equals("string")) {
            return StringNode.valueOf(plausible(at));
        }
        if (at.path("type").asString("").equals("array") && depth < 8) {
            return JSON.createArrayNode().add(generated(at.get("items"), depth + 1));
        }
        if (at.has("properties") && depth < 8) {
            ObjectNode object = JSON.createObjectNode();
            at.get("properties")
                    .properties()
                    .forEach(one -> object.set(one.getKey(), generated(one.getValue(), depth + 1)));
            return object;
        }
        return at.has("type") && !at.get("type").asString().equals("object")
                ? JSON.readTree(plausible(at))
                : JSON.createObjectNode();
    }

    /** Puts something that nobody should send in the place of one value, takes one away, or adds one. */
    private String bent(String text) {
        String marker = "\"@@bent@@\"";
        JsonNode tree = JSON.readTree(text.replace("\\u0000", " "));
        List<Runnable> places = new ArrayList<>();
        collect(tree, places);
        if (places.isEmpty() || random.nextInt(40) == 0) {
            return pick(NASTY);
        }
        pick(places).run();
        return JSON.writeValueAsString(tree).replace(marker, pick(NASTY));
    }

    private void collect(JsonNode tree, List<Runnable> places) {
        if (tree instanceof ObjectNode object) {
            for (String name : object.propertyNames()) {
                places.add(() -> object.put(name, "@@bent@@"));
                places.add(() -> object.put(name, "@@bent@@"));
                places.add(() -> object.remove(name));
                collect(object.get(name), places);
            }
            places.add(() -> object.put("unheardOf", 1));
        } else if (tree instanceof ArrayNode array) {
            for (int i = 0; i < array.size(); i++) {
                int at = i;
                places.add(() -> array.set(at, StringNode.valueOf("@@bent@@")));
                collect(array.get(i), places);
            }
            places.add(() -> array.add("@@bent@@"));
        }
    }

    private <T> T pick(List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}
