package org.tubrin.core.faults;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.tubrin.core.quantity.Checks;

/**
 * What is wrong with an amplifier and its station, and all that was done to find the cause: it may stay open over days.
 *
 * @param amplifier name of the amplifier that it is about, 1 to 80 characters
 * @param within its kind; ANY where that is not known
 * @param symptoms what the operator complains of, 1 to 4
 * @param intermittent whether it comes and goes
 * @param note in the operator's words, 0 to 500 characters
 * @param steps in the order in which they were done, 0 to 200
 */
public record FaultCase(
        String amplifier,
        Within within,
        List<Symptom> symptoms,
        boolean intermittent,
        String note,
        List<CaseStep> steps) {
    public static final int MOST_SYMPTOMS = 4;

    private static final int MOST_STEPS = 200;
    private static final int LONGEST_NOTE = 500;

    public FaultCase {
        symptoms = List.copyOf(symptoms);
        steps = List.copyOf(steps);
        new Checks()
                .name("amplifier", amplifier)
                .size("symptoms", symptoms, 1, MOST_SYMPTOMS)
                .distinct("symptoms", symptoms)
                .text("note", note, 0, LONGEST_NOTE)
                .size("steps", steps, 0, MOST_STEPS)
                .done();
    }

    /** Returns the case with one step more. */
    public FaultCase with(CaseStep step) {
        return with(Stream.concat(steps.stream(), Stream.of(step)).toList());
    }

    /** Returns the case without its last step; the same where there is none. */
    public FaultCase withoutLast() {
        return steps.isEmpty() ? this : with(steps.subList(0, steps.size() - 1));
    }

    /** Returns the case in which the symptom came back after it seemed to be cured; the same where it was not. */
    public FaultCase cameBack() {
        return last().flatMap(step ->
                        cured().map(cause -> withoutLast().with(new CaseStep.Fixed(step.at(), cause, false))))
                .orElse(this);
    }

    /** Returns what was done last; empty where nothing was. */
    public Optional<CaseStep> last() {
        return steps.isEmpty() ? Optional.empty() : Optional.of(steps.get(steps.size() - 1));
    }

    private FaultCase with(List<CaseStep> done) {
        return new FaultCase(amplifier, within, symptoms, intermittent, note, done);
    }

    /** Returns how often each check was answered since something was put right that it may show now; a skipped one counts as done for good. */
    Map<FaultCheck, Integer> done() {
        Map<FaultCheck, Integer> done = new EnumMap<>(FaultCheck.class);
        steps.forEach(step -> step.with(new CaseStep.Cases<Optional<Integer>>() {
            @Override
            public Optional<Integer> answered(CaseStep.Answered answered) {
                return Optional.ofNullable(done.merge(answered.check(), 1, Integer::sum));
            }

            @Override
            public Optional<Integer> skipped(CaseStep.Skipped skipped) {
                return Optional.ofNullable(done.put(skipped.check(), MOST_STEPS));
            }

            @Override
            public Optional<Integer> fixed(CaseStep.Fixed fixed) {
                done.keySet().removeIf(check -> check.kind() == FaultCheck.Kind.SWAP);
                return Optional.empty();
            }
        }));
        return done;
    }

    /**
     * Returns whether something was checked or is on record that bears on a cause: nothing is put right by its frequency alone, and
     * no part is replaced by hearsay.
     */
    boolean isLookedInto(Cause cause) {
        return steps.stream()
                .anyMatch(step -> step instanceof CaseStep.Answered one
                        && one.check().shares().containsKey(cause)
                        && (!one.check().isOfWhatWas() || cause.changes().isEmpty()));
    }

    /** Returns what was put right. */
    Set<Cause> fixed() {
        Set<Cause> fixed = EnumSet.noneOf(Cause.class);
        for (CaseStep step : steps) {
            if (step instanceof CaseStep.Fixed one) {
                fixed.add(one.cause());
            }
        }
        return fixed;
    }

    /** Returns the cause after which the symptom was gone; empty where it is not gone. */
    public Optional<Cause> cured() {
        return last().filter(CaseStep.Fixed.class::isInstance)
                .map(CaseStep.Fixed.class::cast)
                .filter(CaseStep.Fixed::gone)
                .map(CaseStep.Fixed::cause);
    }
}
