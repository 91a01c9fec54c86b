package org.tubrin.server.station;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.tubrin.core.choosing.Choosing;
import org.tubrin.server.words.Words;

/** Says the condition of an amplifier that is offered. */
@Component
public class ConditionWords {
    private final Words words;

    ConditionWords(Words words) {
        this.words = words;
    }

    /** Returns the condition in words; empty while nothing of it is judged. */
    public Optional<String> said(Choosing.Condition condition) {
        if (condition.most() == 0) {
            return Optional.empty();
        }
        if (condition.knockedOut()) {
            return Optional.of(words.say("choosing.knockedOut"));
        }
        String open = condition.open().stream()
                .map(point -> words.say("choosing.point." + point.name()))
                .collect(Collectors.joining(", "));
        return Optional.of(words.say(
                open.isEmpty() ? "choosing.conditionWhole" : "choosing.condition",
                Map.of(
                        "points", Integer.toString(condition.points()),
                        "most", Integer.toString(condition.most()),
                        "open", open)));
    }
}
