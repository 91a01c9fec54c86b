package org.tubrin.core.signs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.twin.Remembered;

/** Reads the signs: what the readings of one step of an amplifier say, by the rules of {@link SignRules}. */
public final class Signs {
    private static final Comparator<Sign> GRAVEST_FIRST = Comparator.comparing(Sign::severity)
            .reversed()
            .thenComparing(Comparator.comparing(Sign::standing).reversed())
            .thenComparing(Sign::code);

    /** A step in hand is looked at several times with every event, and those before it with every look. */
    private static final int MOST_REMEMBERED = 32;

    private static final Remembered<Asked, List<Sign>> FOUND = new Remembered<>(MOST_REMEMBERED, Asked::signs);

    private Signs() {}

    /** All that the signs of a step depend on. */
    private record Asked(Step step, Optional<Step> before) {
        private List<Sign> signs() {
            return Signs.read(step, before);
        }
    }

    /**
     * Returns what the operator saw and nobody has answered yet; empty where nothing is to amplify: what a trip means there the advice
     * says alone.
     */
    public static Optional<Sign> reported(RunState state) {
        return state.openSign().filter(any -> state.setup().stage().amplifies()).map(Sign::seen);
    }

    /** Returns the signs of a step: the gravest first, among those the most certain. */
    public static List<Sign> of(Step step, Optional<Step> before) {
        if (!step.setup().stage().amplifies()) {
            return List.of();
        }
        return FOUND.of(new Asked(step, before));
    }

    private static List<Sign> read(Step step, Optional<Step> before) {
        StepFacts facts = new StepFacts(step, before);
        List<Sign> signs = new ArrayList<>();
        Set<Sign.Code> hidden = EnumSet.noneOf(Sign.Code.class);
        for (SignRule rule : SignRules.ALL) {
            if (!hidden.contains(rule.code())) {
                rule.in(facts).ifPresent(sign -> {
                    signs.add(sign);
                    hidden.addAll(rule.hides());
                });
            }
        }
        signs.sort(GRAVEST_FIRST);
        return List.copyOf(signs);
    }
}
