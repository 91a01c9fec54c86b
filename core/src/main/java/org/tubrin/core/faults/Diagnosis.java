package org.tubrin.core.faults;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a case comes to: how probable each cause is, and what to check next. By Bayes' rule over one cause, two causes at once, and
 * a cause that the table does not know.
 */
public final class Diagnosis {
    /** From here on it is taken for something that the table does not know. */
    private static final double SURE_OF_UNKNOWN = 0.7;
    /** What is a setting is put right as soon as it is likelier than all else together; what is inside only when it is sure. */
    private static final double SURE_OF_SETTING = 0.8;

    private static final double SURE_OF_PART = 0.85;
    private static final double SURE_OF_INSIDE = 0.85;

    /** Two at once, against one of them alone. */
    private static final double TWO_AT_ONCE = 0.2;
    /** Faults that the table does not know, in its counts. */
    private static final double NOT_IN_TABLE = 6;
    /** A symptom that a cause has nowhere in the table. */
    private static final double BY_SURPRISE = 0.003;
    /** Any one symptom of a fault that the table does not know. */
    private static final double OF_UNKNOWN = 0.03;
    /** A cause is put right in vain, or comes back at once. */
    private static final double IN_VAIN = 0.01;
    /** Checks that tell less, in bits, are not worth the walk. */
    private static final double WORTH_BITS = 0.05;
    /** Somebody may have looked wrongly: a check may be made again. */
    private static final int MOST_TIMES = 2;
    /** What one check more costs besides its own minutes: getting up, going there, putting all back; in minutes. */
    private static final double EACH_TIME = 20;

    /** Suppositions that are less probable are dropped. */
    private static final double NEGLIGIBLE = 1e-5;

    private static final double ALMOST_SURE = 0.9;
    private static final double EVEN = 0.5;
    private static final double POSSIBLE = 0.15;

    private final FaultCase about;
    private final List<Hypothesis> hypotheses;

    /** What may be wrong, all of it, and how probable that is. */
    private record Hypothesis(Set<Cause> causes, double probability) {}

    /** A cause and how probable it is that it is there, alone or with another. */
    public record Suspect(Cause cause, double probability) {
        /** Returns that in a word. */
        public Standing standing() {
            return probability >= ALMOST_SURE
                    ? Standing.SURE
                    : probability >= EVEN
                            ? Standing.LIKELY
                            : probability >= POSSIBLE ? Standing.POSSIBLE : Standing.LESS;
        }
    }

    /** How probable a cause is, in a word. */
    public enum Standing {
        SURE,
        LIKELY,
        POSSIBLE,
        LESS
    }

    /**
     * A check to make next.
     *
     * @param ifYes the causes after a yes, the most probable first
     * @param ifNo those after a no
     */
    public record Next(FaultCheck check, List<Suspect> ifYes, List<Suspect> ifNo) {}

    /** What to do now. */
    public enum Verdict {
        /** Make the next check. */
        CHECK,
        /** One cause is sure enough: put it right. */
        FIX,
        /** No check tells more: put the most probable cause right, knowing that it may be another. */
        FIX_UNSURE,
        /** What was found fits nothing in the table. */
        NOT_KNOWN,
        /** The symptom is gone. */
        CURED
    }

    private Diagnosis(FaultCase about, List<Hypothesis> hypotheses) {
        this.about = about;
        this.hypotheses = hypotheses;
    }

    /**
     * Returns what a case comes to.
     *
     * @param own how often each cause was what cured one of the operator's own cases
     */
    public static Diagnosis of(FaultCase about, Map<Cause, Integer> own) {
        Diagnosis now = new Diagnosis(about, normed(supposed(about, own)));
        for (CaseStep step : about.steps()) {
            now = now.after(step);
        }
        return now;
    }

    private static List<Hypothesis> supposed(FaultCase about, Map<Cause, Integer> own) {
        List<Cause> may = new ArrayList<>();
        double all = NOT_IN_TABLE;
        for (Cause cause : Cause.values()) {
            if (cause.within().canBeIn(about.within())) {
                all += count(cause, own);
                if (about.symptoms().stream().anyMatch(cause.shares()::containsKey)) {
                    may.add(cause);
                }
            }
        }
        List<Hypothesis> supposed = new ArrayList<>();
        supposed.add(new Hypothesis(
                EnumSet.noneOf(Cause.class),
                NOT_IN_TABLE * Math.pow(OF_UNKNOWN, about.symptoms().size())));
        for (int i = 0; i < may.size(); i++) {
            double one = count(may.get(i), own);
            add(supposed, about, EnumSet.of(may.get(i)), one);
            for (int j = i + 1; j < may.size(); j++) {
                add(
                        supposed,
                        about,
                        EnumSet.of(may.get(i), may.get(j)),
                        TWO_AT_ONCE * one * count(may.get(j), own) / all);
            }
        }
        return supposed;
    }

    private static double count(Cause cause, Map<Cause, Integer> own) {
        return cause.count() + own.getOrDefault(cause, 0);
    }

    private static void add(List<Hypothesis> to, FaultCase about, Set<Cause> causes, double prior) {
        double probability = prior;
        for (Symptom symptom : about.symptoms()) {
            double without = 1;
            for (Cause cause : causes) {
                without *= 1 - cause.shares().getOrDefault(symptom, BY_SURPRISE);
            }
            probability *= 1 - without;
        }
        to.add(new Hypothesis(causes, probability));
    }

    private static List<Hypothesis> normed(List<Hypothesis> some) {
        double all = some.stream().mapToDouble(Hypothesis::probability).sum();
        return some.stream()
                .map(one -> new Hypothesis(one.causes(), one.probability() / all))
                .filter(one -> one.probability() > NEGLIGIBLE)
                .toList();
    }

    private Diagnosis after(CaseStep step) {
        return step.with(new CaseStep.Cases<>() {
            @Override
            public Diagnosis answered(CaseStep.Answered one) {
                return Diagnosis.this.answered(one.check(), one.yes());
            }

            @Override
            public Diagnosis skipped(CaseStep.Skipped one) {
                return Diagnosis.this;
            }

            @Override
            public Diagnosis fixed(CaseStep.Fixed one) {
                return Diagnosis.this.fixed(one.cause(), one.gone());
            }
        });
    }

    private Diagnosis answered(FaultCheck check, boolean yes) {
        return new Diagnosis(
                about,
                normed(hypotheses.stream()
                        .map(one -> {
                            double says = check.yes(one.causes(), about.intermittent());
                            return new Hypothesis(one.causes(), one.probability() * (yes ? says : 1 - says));
                        })
                        .toList()));
    }

    private Diagnosis fixed(Cause cause, boolean gone) {
        double byItself = about.intermittent() ? FaultCheck.AWAY : IN_VAIN;
        List<Hypothesis> left = new ArrayList<>();
        for (Hypothesis one : hypotheses) {
            boolean only = one.causes().equals(Set.of(cause));
            double isGone = only ? 1 - IN_VAIN : byItself;
            Set<Cause> rest = EnumSet.copyOf(one.causes().isEmpty() ? EnumSet.noneOf(Cause.class) : one.causes());
            if (!only) {
                rest.remove(cause);
            }
            left.add(new Hypothesis(rest, one.probability() * (gone ? isGone : 1 - isGone)));
        }
        return new Diagnosis(about, normed(merged(left)));
    }

    /** Two suppositions that come to the same are one. */
    private static List<Hypothesis> merged(List<Hypothesis> some) {
        Map<Set<Cause>, Double> sums = new LinkedHashMap<>();
        some.forEach(one -> sums.merge(one.causes(), one.probability(), Double::sum));
        return sums.entrySet().stream()
                .map(entry -> new Hypothesis(entry.getKey(), entry.getValue()))
                .toList();
    }

    /** Returns the causes, the most probable first. */
    public List<Suspect> suspects() {
        Map<Cause, Double> sums = new EnumMap<>(Cause.class);
        hypotheses.forEach(one -> one.causes().forEach(cause -> sums.merge(cause, one.probability(), Double::sum)));
        return sums.entrySet().stream()
                .map(entry -> new Suspect(entry.getKey(), entry.getValue()))
                .sorted(Comparator.comparingDouble((Suspect one) -> -one.probability()))
                .toList();
    }

    /** Returns what to put right: the most probable cause that was not yet put right in vain; empty where all were. */
    public Optional<Suspect> toFix() {
        Set<Cause> fixed = about.fixed();
        return suspects().stream().filter(one -> !fixed.contains(one.cause())).findFirst();
    }

    /** Returns how probable it is that two causes are there at once. */
    public double twoAtOnce() {
        return hypotheses.stream()
                .filter(one -> one.causes().size() > 1)
                .mapToDouble(Hypothesis::probability)
                .sum();
    }

    /** Returns how probable it is that it is nothing of the table. */
    public double notInTable() {
        return hypotheses.stream()
                .filter(one -> one.causes().isEmpty())
                .mapToDouble(Hypothesis::probability)
                .sum();
    }

    /** Returns what to do now. */
    public Verdict verdict() {
        if (about.cured().isPresent()) {
            return Verdict.CURED;
        }
        Optional<Suspect> fix = toFix();
        double most = fix.map(Suspect::probability).orElse(0.0);
        if (fix.filter(one -> one.probability() >= sureFrom(one.cause()))
                .filter(one -> about.isLookedInto(one.cause()))
                .isPresent()) {
            return Verdict.FIX;
        }
        boolean tellsMore = !worth().isEmpty();
        if (fix.isEmpty() || notInTable() > most) {
            return tellsMore && notInTable() < SURE_OF_UNKNOWN ? Verdict.CHECK : Verdict.NOT_KNOWN;
        }
        return tellsMore ? Verdict.CHECK : Verdict.FIX_UNSURE;
    }

    private static double sureFrom(Cause cause) {
        return switch (cause.care()) {
            case NONE, KEYED -> cause.changes().isEmpty() ? SURE_OF_SETTING : SURE_OF_PART;
            case HOT, HIGH_VOLTAGE, MAINS -> SURE_OF_INSIDE;
        };
    }

    /** Returns the check that tells most for what it takes in minutes and danger; empty where none tells enough. */
    public Optional<Next> next() {
        return worth().stream().findFirst().map(this::next);
    }

    /**
     * Returns the checks that tell enough, those first that tell most for what they take; those that were made already where no
     * other tells enough.
     */
    public List<FaultCheck> worth() {
        Map<FaultCheck, Integer> done = about.done();
        for (int times = 0; times < MOST_TIMES; times++) {
            Map<FaultCheck, Double> worth = new EnumMap<>(FaultCheck.class);
            for (FaultCheck check : FaultCheck.askable()) {
                boolean isOpen = done.getOrDefault(check, 0) == times
                        // Who is asked again what was remembers the same.
                        && (times == 0 || !check.isOfWhatWas())
                        && about.symptoms().stream().noneMatch(check::isAnsweredBy);
                double bits = isOpen ? bits(check) : 0;
                if (bits >= WORTH_BITS) {
                    worth.put(check, bits / takes(check));
                }
            }
            if (!worth.isEmpty()) {
                return worth.entrySet().stream()
                        .sorted(Comparator.comparingDouble((Map.Entry<FaultCheck, Double> one) -> -one.getValue()))
                        .map(Map.Entry::getKey)
                        .toList();
            }
        }
        return List.of();
    }

    /**
     * Returns what is asked when a case is opened: questions about what the operator has seen already, which take no walk, where an
     * answer can tell anything of what may be wrong.
     */
    public static List<FaultCheck> askedFirst(Within within, List<Symptom> symptoms) {
        return FaultCheck.askable().stream()
                .filter(FaultCheck::isOfWhatWas)
                .filter(check -> symptoms.stream().noneMatch(check::isAnsweredBy))
                .filter(check -> check.shares().keySet().stream()
                        .anyMatch(cause -> cause.within().canBeIn(within)
                                && symptoms.stream().anyMatch(cause.shares()::containsKey)))
                .toList();
    }

    private Next next(FaultCheck check) {
        return new Next(
                check, answered(check, true).suspects(), answered(check, false).suspects());
    }

    private static double takes(FaultCheck check) {
        return EACH_TIME + check.minutes() + check.care().asMinutes();
    }

    /** By how much an answer is expected to narrow what may be wrong. */
    private double bits(FaultCheck check) {
        double yes = 0;
        double told = 0;
        for (Hypothesis one : hypotheses) {
            double says = check.yes(one.causes(), about.intermittent());
            yes += one.probability() * says;
            told -= one.probability() * entropy(says);
        }
        return told + entropy(yes);
    }

    private static double entropy(double share) {
        return share <= 0 || share >= 1 ? 0 : -(share * log2(share) + (1 - share) * log2(1 - share));
    }

    private static double log2(double of) {
        return Math.log(of) / Math.log(2);
    }
}
