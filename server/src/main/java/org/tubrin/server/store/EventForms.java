package org.tubrin.server.store;

import java.util.List;
import java.util.function.UnaryOperator;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.RunEvent;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads stored events. Each is kept in the form that it was written in, with that form's version; a chain of functions lifts
 * it from one version to the next until it has today's form.
 */
@Component
public class EventForms {
    /** From version 1 to 2, from 2 to 3, and so on. */
    private static final List<UnaryOperator<ObjectNode>> LIFTS = List.of();

    private final JsonMapper json;
    private final List<UnaryOperator<ObjectNode>> lifts;

    @Autowired
    EventForms(JsonMapper json) {
        this(json, LIFTS);
        if (current() != RunEvent.VERSION) {
            throw new IllegalStateException("events have version " + RunEvent.VERSION + ", lifts lead to " + current());
        }
    }

    EventForms(JsonMapper json, List<UnaryOperator<ObjectNode>> lifts) {
        this.json = json;
        this.lifts = List.copyOf(lifts);
    }

    private int current() {
        return lifts.size() + 1;
    }

    /** Returns an event from its stored JSON; refuses a version that this application does not know yet. */
    public RunEvent read(int version, String body) {
        if (version == current()) {
            return json.readValue(body, RunEvent.class);
        }
        return read(version, json.readTree(body));
    }

    /** Returns an event from its JSON tree. */
    public RunEvent read(int version, JsonNode body) {
        return json.treeToValue(lifted(version, body), RunEvent.class);
    }

    JsonNode lifted(int version, JsonNode body) {
        if (version < 1 || version > current()) {
            throw new Refused(new Problem(
                    ProblemCode.UNSUPPORTED_EVENT,
                    "version",
                    Integer.toString(version),
                    new Allowed.Range(1, current(), Unit.ONE)));
        }
        JsonNode event = body;
        for (int from = version; from < current(); from++) {
            event = lifts.get(from - 1).apply((ObjectNode) event);
        }
        return event;
    }
}
