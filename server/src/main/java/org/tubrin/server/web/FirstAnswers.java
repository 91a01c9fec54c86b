package org.tubrin.server.web;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Asks the application for each of its views once when it has started, so that the operator is not the first to ask: what is
 * slow is only the first time, when classes are loaded and nothing is compiled yet. Nothing is changed by it.
 */
@Component
@ConditionalOnProperty(name = "tubrin.first-answers", havingValue = "true")
class FirstAnswers {
    private static final Logger LOG = LoggerFactory.getLogger(FirstAnswers.class);
    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private final JsonMapper json;
    private final String address;
    private int answers;

    FirstAnswers(JsonMapper json, @Value("${server.address}") String host, @Value("${server.port}") int port) {
        this.json = json;
        address = "http://" + host + ":" + port;
    }

    @EventListener(ApplicationReadyEvent.class)
    void started() {
        Thread asking = new Thread(this::ask, "first answers");
        asking.setDaemon(true);
        asking.start();
    }

    private void ask() {
        try {
            askEach();
        } catch (IOException | RuntimeException e) {
            LOG.warn("a view does not answer as it should", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Asks for each view; returns how many answered. */
    int askEach() throws IOException, InterruptedException {
        answers = 0;
        HttpClient http = HttpClient.newBuilder().connectTimeout(PATIENCE).build();
        get(http, "/api/choices");
        get(http, "/api/cards");
        Set<Boolean> asked = new HashSet<>();
        for (JsonNode run : get(http, "/api/runs").path("runs")) {
            if (asked.add(run.has("ending"))) {
                String path = "/api/runs/" + run.get("id").asString();
                get(http, path);
                for (String view : List.of("/map", "/power", "/signal", "/learning")) {
                    get(http, path + view);
                }
            }
        }
        JsonNode places = get(http, "/api/trends/places");
        if (!places.isEmpty()) {
            get(
                    http,
                    "/api/trends?amplifier=" + encoded(places.get(0), "amplifier") + "&band="
                            + encoded(places.get(0), "band") + "&termination="
                            + encoded(places.get(0), "termination"));
        }
        for (JsonNode paper : get(http, "/api/supply-records")) {
            String kind = paper.get("kind").asString().toLowerCase(Locale.ROOT).replace('_', '-');
            answer(
                    http,
                    request("/api/supply/" + kind)
                            .header("Content-Type", "application/json")
                            .POST(HttpRequest.BodyPublishers.ofString(
                                    paper.get("body").toString())));
        }
        return answers;
    }

    private static String encoded(JsonNode place, String field) {
        return URLEncoder.encode(place.get(field).asString(), StandardCharsets.UTF_8);
    }

    private JsonNode get(HttpClient http, String path) throws IOException, InterruptedException {
        return answer(http, request(path));
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).timeout(PATIENCE);
    }

    private JsonNode answer(HttpClient http, HttpRequest.Builder request) throws IOException, InterruptedException {
        HttpResponse<String> reply = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        // What the state of the data refuses is an answer too: a run without a twin has no map.
        if (reply.statusCode() >= 500) {
            throw new IOException(reply.uri() + " answers " + reply.statusCode());
        }
        answers++;
        return json.readTree(reply.body().isEmpty() ? "{}" : reply.body());
    }
}
