package org.tubrin.server.web;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Unit;
import org.tubrin.server.words.Words;
import tools.jackson.databind.json.JsonMapper;

/** Makes the replies to what is refused: {@code application/problem+json} with field, value, allowed range and remedy. */
@Component
public class ProblemReply {
    private static final double HERTZ_PER_MEGAHERTZ = 1e6;
    /** From here on a frequency is a radio's, and told in megahertz; tones are below. */
    private static final double LEAST_RADIO_HZ = 1e5;

    private final Words words;
    private final JsonMapper json;

    ProblemReply(Words words, JsonMapper json) {
        this.words = words;
        this.json = json;
    }

    /**
     * A refusal.
     *
     * @param type kind of problem, relative to the API
     * @param title what happened, in words
     * @param status HTTP status
     * @param detail what to do
     * @param problems what is wrong, field by field
     * @param reference number to find it by in the log, where nobody foresaw it
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Body(
            String type,
            String title,
            int status,
            String detail,
            List<ProblemView> problems,
            @Nullable String reference) {}

    /**
     * One thing that is wrong.
     *
     * @param code which kind
     * @param field dotted path; empty for the whole
     * @param found value as it came
     * @param message what is wrong, in words
     * @param allowed what would be accepted, in words; empty where nothing would
     * @param remedy what to do
     */
    public record ProblemView(String code, String field, String found, String message, String allowed, String remedy) {}

    /** Returns the reply for these problems. */
    public ResponseEntity<Body> of(int status, String type, List<Problem> problems) {
        List<ProblemView> views = problems.stream().map(this::view).toList();
        String detail = views.isEmpty()
                ? words.say("reply." + type + ".detail")
                : views.get(0).remedy();
        return reply(new Body(type, words.say("reply." + type + ".title"), status, detail, views, null));
    }

    /** Returns the reply for a problem of the call itself. */
    public ResponseEntity<Body> of(int status, String type, String found) {
        return reply(body(status, type, found, null));
    }

    /** Returns the reply for what passes by itself: the same call may go through a little later. */
    public ResponseEntity<Body> passing(String type) {
        Body body = body(503, type, "", null);
        return ResponseEntity.status(body.status())
                .header(HttpHeaders.RETRY_AFTER, "2")
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(body);
    }

    /** Returns the reply for what nobody foresaw. */
    public ResponseEntity<Body> unforeseen(String reference) {
        return reply(body(500, "unforeseen", "", reference));
    }

    /** Sends the reply for a problem of the call itself, from a filter. */
    public void send(HttpServletResponse response, int status, String type, String found) throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        json.writeValue(response.getOutputStream(), body(status, type, found, null));
    }

    private Body body(int status, String type, String found, @Nullable String reference) {
        Map<String, Object> args = Map.of("found", found.length() > 80 ? found.substring(0, 80) : found);
        return new Body(
                type,
                words.say("reply." + type + ".title", args),
                status,
                words.say("reply." + type + ".detail", args),
                List.of(),
                reference);
    }

    private static ResponseEntity<Body> reply(Body body) {
        return ResponseEntity.status(body.status())
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(body);
    }

    private ProblemView view(Problem problem) {
        String allowed = allowed(problem.allowed());
        Map<String, Object> args = Map.of("field", problem.path(), "found", shown(problem.found()), "allowed", allowed);
        String key = "problem." + problem.code().name();
        return new ProblemView(
                problem.code().name(),
                problem.path(),
                problem.found(),
                words.say(key + ".message", args),
                allowed,
                words.say(key + (allowed.isEmpty() && words.has(key + ".open") ? ".open" : ".remedy"), args));
    }

    private String shown(String found) {
        return found.isBlank() ? words.say("found.nothing") : found;
    }

    private String allowed(Allowed allowed) {
        if (allowed instanceof Allowed.Range range) {
            boolean isRadio = range.unit() == Unit.HERTZ && range.least() >= LEAST_RADIO_HZ;
            double scale = isRadio ? HERTZ_PER_MEGAHERTZ : 1;
            String plain = words.say(
                            "allowed.range",
                            Map.of(
                                    "least", range.least() / scale,
                                    "most", range.most() / scale,
                                    "unit",
                                            words.say("unit."
                                                    + (isRadio
                                                            ? "MEGAHERTZ"
                                                            : range.unit().name()))))
                    .strip();
            return range.because()
                    .map(because -> plain + ": " + words.say("because." + because.name()))
                    .orElse(plain);
        }
        if (allowed instanceof Allowed.Length length) {
            return words.say("allowed.length", Map.of("least", length.least(), "most", length.most()));
        }
        if (allowed instanceof Allowed.Kind kind) {
            return words.say("allowed.kind." + kind.kind().name());
        }
        if (allowed instanceof Allowed.Codes codes) {
            return String.join(", ", codes.codes());
        }
        if (allowed instanceof Allowed.OneOf oneOf) {
            return String.join(", ", oneOf.names().stream().map(words::name).toList());
        }
        return "";
    }
}
