package org.tubrin.core.signs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.tubrin.core.signs.Sign.Code;
import org.tubrin.core.signs.Sign.Severity;

/**
 * One row of the table of signs.
 *
 * @param code the sign
 * @param severity how much it matters
 * @param leastCertainty what each clue must reach, 0 to 1
 * @param clues what must be seen, all of them
 * @param hides signs that say nothing beside this one
 */
record SignRule(Code code, Severity severity, double leastCertainty, List<Clue> clues, Set<Code> hides) {

    /** One thing to look for; nothing where it cannot be seen. */
    interface Clue extends Function<StepFacts, Optional<Evidence>> {}

    SignRule {
        clues = List.copyOf(clues);
        hides = Set.copyOf(hides);
    }

    /** Returns the sign, where every clue is seen. */
    Optional<Sign> in(StepFacts facts) {
        List<Evidence> evidence = new ArrayList<>();
        for (Clue clue : clues) {
            Optional<Evidence> seen = clue.apply(facts).filter(one -> one.certainty() > leastCertainty);
            if (seen.isEmpty()) {
                return Optional.empty();
            }
            evidence.add(seen.get());
        }
        double certainty =
                evidence.stream().mapToDouble(Evidence::certainty).min().orElse(1);
        return Optional.of(new Sign(code, severity, certainty, evidence));
    }
}
