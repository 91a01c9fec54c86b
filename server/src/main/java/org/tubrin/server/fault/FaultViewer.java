package org.tubrin.server.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.faults.Care;
import org.tubrin.core.faults.CaseStep;
import org.tubrin.core.faults.Cause;
import org.tubrin.core.faults.Diagnosis;
import org.tubrin.core.faults.FaultCase;
import org.tubrin.core.faults.FaultCheck;
import org.tubrin.core.faults.Symptom;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Says what a case comes to. */
@Component
class FaultViewer {
    private static final double PERCENT = 100;
    /** Less is not worth a line. */
    private static final double WORTH_A_LINE = 0.02;

    private static final double WORTH_SAYING = 0.2;
    private static final int MOST_NAMED = 2;
    private static final int MOST_OTHERS = 8;

    private final FaultCases cases;
    private final Words words;

    FaultViewer(FaultCases cases, Words words) {
        this.cases = cases;
        this.words = words;
    }

    FaultViews.CaseLine line(FaultCases.Stored kept, Map<Cause, Integer> own) {
        return new FaultViews.CaseLine(
                kept.id(),
                kept.about().amplifier(),
                symptoms(kept.about()),
                Figures.day(kept.openedAt()),
                kept.about().cured().isPresent(),
                kept.about()
                        .cured()
                        .map(cause -> words.say("faults.curedBy", Map.of("cause", within(cause))))
                        .orElseGet(() -> likely(Diagnosis.of(kept.about(), own).suspects())));
    }

    FaultViews.CaseView view(FaultCases.Stored kept) {
        FaultCase about = kept.about();
        Diagnosis found = Diagnosis.of(about, cases.own());
        Diagnosis.Verdict verdict = found.verdict();
        Optional<Diagnosis.Next> next = verdict == Diagnosis.Verdict.CHECK ? found.next() : Optional.empty();
        Optional<Diagnosis.Suspect> fix = verdict == Diagnosis.Verdict.FIX || verdict == Diagnosis.Verdict.FIX_UNSURE
                ? found.toFix()
                : Optional.empty();
        return new FaultViews.CaseView(
                kept.id(),
                kept.revision(),
                about.amplifier(),
                symptoms(about),
                about.note(),
                Figures.day(kept.openedAt()),
                verdict,
                sentence(about, next, fix),
                why(verdict, next, fix),
                next.map(Diagnosis.Next::check).orElse(null),
                fix.map(Diagnosis.Suspect::cause).orElse(null),
                next.map(this::answers).orElseGet(() -> fix.isPresent() ? gone() : List.of()),
                cautions(next.map(one -> one.check().care())
                        .orElseGet(() -> fix.map(one -> one.cause().care()).orElse(Care.NONE))),
                also(about, found),
                found.suspects().stream()
                        .filter(one -> one.probability() >= WORTH_A_LINE)
                        .map(this::suspect)
                        .toList(),
                about.cured().isPresent()
                        ? List.of()
                        : found.worth().stream()
                                .filter(check ->
                                        next.filter(one -> one.check() == check).isEmpty())
                                .limit(MOST_OTHERS)
                                .map(this::other)
                                .toList(),
                about.steps().stream().map(this::step).toList(),
                about.cured()
                        .flatMap(Cause::changes)
                        .map(part -> words.say("faults.ledger", Map.of("part", words.name(part.name()))))
                        .orElse(null));
    }

    private String sentence(FaultCase about, Optional<Diagnosis.Next> next, Optional<Diagnosis.Suspect> fix) {
        if (about.cured().isPresent()) {
            return words.say(
                    "faults.cured", Map.of("cause", within(about.cured().get())));
        }
        if (next.isPresent()) {
            return words.say("faults.check." + next.get().check());
        }
        if (fix.isEmpty()) {
            return words.say("faults.notKnown");
        }
        return fix.get().cause().care() == Care.MAINS
                ? words.say("faults.licensed", Map.of("cause", within(fix.get().cause())))
                : words.say("faults.fix." + fix.get().cause());
    }

    private @Nullable String why(
            Diagnosis.Verdict verdict, Optional<Diagnosis.Next> next, Optional<Diagnosis.Suspect> fix) {
        if (next.isPresent()) {
            return words.say(
                    "faults.why",
                    Map.of("minutes", Figures.plain(next.get().check().minutes(), 1)));
        }
        return fix.map(one -> words.say(
                        "faults.why." + verdict,
                        Map.of("cause", words.say("faults.cause." + one.cause()), "percent", percent(one))))
                .orElse(null);
    }

    private List<FaultViews.CaseAnswerView> answers(Diagnosis.Next next) {
        return List.of(
                new FaultViews.CaseAnswerView(true, answer(next.check(), true), likely(next.ifYes())),
                new FaultViews.CaseAnswerView(false, answer(next.check(), false), likely(next.ifNo())));
    }

    private List<FaultViews.CaseAnswerView> gone() {
        return List.of(
                new FaultViews.CaseAnswerView(true, words.say("faults.answer.gone.true"), null),
                new FaultViews.CaseAnswerView(false, words.say("faults.answer.gone.false"), null));
    }

    /** The causes that one would name, with their numbers. */
    private String likely(List<Diagnosis.Suspect> suspects) {
        String named = suspects.stream()
                .limit(MOST_NAMED)
                .filter(one -> one.standing() != Diagnosis.Standing.LESS)
                .map(one -> words.say("faults.named", Map.of("cause", within(one.cause()), "percent", percent(one))))
                .collect(Collectors.joining(", "));
        return named.isEmpty() ? words.say("faults.open") : words.say("faults.likely", Map.of("causes", named));
    }

    private List<String> cautions(Care care) {
        return care == Care.NONE ? List.of() : List.of(words.say("faults.care." + care));
    }

    private List<String> also(FaultCase about, Diagnosis found) {
        List<String> also = new ArrayList<>();
        if (about.cured().isEmpty()) {
            if (about.intermittent()) {
                also.add(words.say("faults.comesAndGoes"));
            }
            if (found.twoAtOnce() >= WORTH_SAYING) {
                also.add(words.say("faults.twoAtOnce", Map.of("percent", percent(found.twoAtOnce()))));
            }
            if (found.notInTable() >= WORTH_SAYING) {
                also.add(words.say("faults.notInTable", Map.of("percent", percent(found.notInTable()))));
            }
        }
        return also;
    }

    FaultViews.RememberedView question(FaultCheck check) {
        return new FaultViews.RememberedView(check, words.say("faults.check." + check));
    }

    private FaultViews.OtherCheckView other(FaultCheck check) {
        return new FaultViews.OtherCheckView(
                check, words.say("faults.check." + check), answer(check, true), answer(check, false));
    }

    private String answer(FaultCheck check, boolean yes) {
        String kind = check.kind() == FaultCheck.Kind.SWAP ? "gone" : "yes";
        return words.say("faults.answer." + kind + "." + yes);
    }

    private FaultViews.SuspectView suspect(Diagnosis.Suspect one) {
        return new FaultViews.SuspectView(
                one.cause(), words.say("faults.cause." + one.cause()), words.say("faults.how." + one.standing()), (int)
                        Math.round(PERCENT * one.probability()));
    }

    private FaultViews.CaseStepView step(CaseStep step) {
        return step.with(new CaseStep.Cases<>() {
            @Override
            public FaultViews.CaseStepView answered(CaseStep.Answered one) {
                return new FaultViews.CaseStepView(
                        one.at(), words.say("faults.check." + one.check()), answer(one.check(), one.yes()));
            }

            @Override
            public FaultViews.CaseStepView skipped(CaseStep.Skipped one) {
                return new FaultViews.CaseStepView(
                        one.at(), words.say("faults.check." + one.check()), words.say("faults.answer.skipped"));
            }

            @Override
            public FaultViews.CaseStepView fixed(CaseStep.Fixed one) {
                return new FaultViews.CaseStepView(
                        one.at(),
                        words.say("faults.fix." + one.cause()),
                        words.say("faults.answer.gone." + one.gone()));
            }
        });
    }

    private String symptoms(FaultCase about) {
        return about.symptoms().stream().map(this::name).collect(Collectors.joining(" · "));
    }

    String name(Symptom symptom) {
        return words.say("faults.symptom." + symptom);
    }

    private String within(Cause cause) {
        return words.sayWithin("faults.cause." + cause);
    }

    private static String percent(Diagnosis.Suspect one) {
        return percent(one.probability());
    }

    private static String percent(double share) {
        return Figures.fixed(PERCENT * share, 0);
    }
}
