package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.LoadVolts;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.ScopeSteps;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.scope.EnvelopeShape;
import org.tubrin.core.scope.Look;
import org.tubrin.core.scope.Ripple;
import org.tubrin.core.scope.ScopeCheck;
import org.tubrin.core.scope.ScopePlan;
import org.tubrin.core.scope.Sight;
import org.tubrin.core.scope.Trace;
import org.tubrin.core.scope.Trapezoid;
import org.tubrin.core.scope.TrapezoidShape;
import org.tubrin.core.scope.Waveform;
import org.tubrin.core.station.Stage;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Levels;
import org.tubrin.server.words.Words;

/** Shows what a scope over the load showed. */
@Component
public class ScopeViewer {
    private static final String VOLTS = "\u2009V";
    private static final int PERCENT = 100;

    private final Words words;

    ScopeViewer(Words words) {
        this.words = words;
    }

    /** Returns what it showed; empty for every other run. */
    public Optional<ScopeView> view(RunState state) {
        return state.setup().customs().scope().map(plan -> view(plan, state));
    }

    private ScopeView view(ScopePlan plan, RunState state) {
        Optional<Look> look = ScopeSteps.look(state.draft());
        return new ScopeView(
                Stream.of(Look.values()).map(one -> look(plan, one, state)).toList(),
                shown(state).orElse(null),
                state.draft().sight().waveform().orElse(null),
                state.draft().sight().trapezoid().orElse(null),
                says(state),
                look.stream()
                        .flatMap(one -> one.waveforms().stream())
                        .map(code -> new ScopeView.EnvelopeChoice(code, words.say("waveform." + code)))
                        .toList(),
                look.stream()
                        .flatMap(one -> one.trapezoids().stream())
                        .map(code -> new ScopeView.TrapezoidChoice(code, words.say("trapezoid." + code)))
                        .toList());
    }

    private ScopeView.LookView look(ScopePlan plan, Look look, RunState state) {
        TuneSetup setup = state.setup();
        boolean isNext = ScopeSteps.next(setup, state.steps())
                .filter(next -> next.look() == look)
                .isPresent();
        Optional<Step> taken = last(look, told(state));
        return new ScopeView.LookView(
                look,
                words.say("look." + look),
                look.hasTones(),
                LoadVolts.ofW(setup, plan.expectedW(look)).map(Levels::volts).orElse(null),
                taken.flatMap(step -> step.measured(ReadingRole.OUTPUT_VPP))
                        .map(volts ->
                                Figures.of(volts, ScaleUnit.V.inUnit(), "V", 1).withUncertainty() + VOLTS)
                        .orElse(null),
                taken.flatMap(LoadVolts::outputW).map(Levels::watts).orElse(null),
                taken.flatMap(step -> step.measured(ReadingRole.OUTPUT))
                        .map(Levels::watts)
                        .orElse(null),
                taken.flatMap(ScopeSteps::disagreement).isPresent(),
                taken.map(step -> found(look, step.sight())).orElse(List.of()),
                taken.filter(step -> step.sight().tells(look))
                        .map(step -> ScopeSteps.taken(List.of(step)).get(0).isClean())
                        .orElse(null),
                isNext);
    }

    /** Returns the steps with the one in hand, where that tells something. */
    private static List<Step> told(RunState state) {
        List<Step> steps = new ArrayList<>(state.steps());
        if (!state.draft().readings().isEmpty()) {
            steps.add(state.draft());
        }
        return steps;
    }

    private static Optional<Step> last(Look look, List<Step> steps) {
        return steps.stream()
                .filter(step -> ScopeSteps.look(step).filter(look::equals).isPresent())
                .reduce((first, second) -> second);
    }

    /** Returns what a look showed, one sentence each. */
    private List<String> found(Look look, Sight sight) {
        return switch (look.shows()) {
            case VOLTS -> List.of();
            case RIPPLE ->
                sight.trace()
                        .flatMap(Ripple::of)
                        .map(ripple -> List.of(words.say(
                                "scope.ripple",
                                Map.of(
                                        "percent", Figures.plain(PERCENT * ripple.share(), 1),
                                        "hertz",
                                                ripple.hertz()
                                                        .map(hertz -> Integer.toString(hertz))
                                                        .orElse("none"),
                                        "heard", ripple.isHeard() ? "yes" : "no"))))
                        .orElseGet(() -> byEye(sight));
            case BEAT ->
                sight.trace()
                        .flatMap(EnvelopeShape::of)
                        .map(shape -> byTrace(shape, sight))
                        .orElseGet(() -> byEye(sight));
        };
    }

    private List<String> byTrace(EnvelopeShape shape, Sight sight) {
        List<String> found = new ArrayList<>();
        found.add(words.say(
                "scope.envelope",
                Map.of(
                        "found", names("waveform.", shape.found(), Waveform.CLEAN),
                        "third", below(shape.thirdDb()))));
        sight.trace()
                .flatMap(TrapezoidShape::of)
                .map(over -> words.say(
                        "scope.trapezoid",
                        Map.of(
                                "found", names("trapezoid.", over.found(), Trapezoid.STRAIGHT),
                                "third", below(over.thirdDb()))))
                .ifPresent(found::add);
        return found;
    }

    private String below(double db) {
        return words.say(
                db <= EnvelopeShape.FLOOR_DB ? "scope.belowFloor" : "scope.below", Map.of("db", Figures.fixed(-db, 0)));
    }

    private List<String> byEye(Sight sight) {
        return Stream.concat(
                        sight.waveform().map(seen -> words.say("waveform." + seen)).stream(),
                        sight.trapezoid().map(seen -> words.say("trapezoid." + seen)).stream())
                .toList();
    }

    private String names(String prefix, List<? extends Enum<?>> found, Enum<?> none) {
        return found.isEmpty()
                ? words.sayWithin(prefix + none.name())
                : String.join(
                        ", ",
                        found.stream()
                                .map(code -> words.sayWithin(prefix + code.name()))
                                .toList());
    }

    /** Returns what follows: what each thing that was found means, what volts and meter disagree about, and the end. */
    private List<String> says(RunState state) {
        Set<String> says = new LinkedHashSet<>();
        ScopeSteps.check(state.setup(), state.steps())
                .flatMap(ScopeCheck::end)
                .ifPresent(end -> says.add(words.say("scope.end." + end)));
        List<Step> steps = told(state);
        for (Look look : Look.values()) {
            last(look, steps).ifPresent(step -> {
                ScopeSteps.disagreement(step).ifPresent(apart -> says.add(apart(apart)));
                step.sight().envelope().forEach(code -> says.add(meaning("waveform." + code, look, step)));
                step.sight().overDrive().forEach(code -> says.add(meaning("trapezoid." + code, look, step)));
                if (look.shows() == Look.Shows.RIPPLE && step.sight().breathes()) {
                    says.add(words.say("scope.breathes"));
                }
            });
        }
        return List.copyOf(says);
    }

    /** What is to be done about it is another thing in an exciter, and in an amplifier without dials. */
    private String meaning(String code, Look look, Step step) {
        boolean hasDials = step.setup().amplifier().stage() instanceof Stage.Tubes;
        String key = code + ".meaning";
        String other = key + (look.amplifies() ? hasDials ? "" : ".untuned" : ".exciter");
        return words.say(words.has(other) ? other : key);
    }

    private String apart(LoadVolts.Disagreement apart) {
        return words.say(
                "volts.apart",
                Map.of("volts", Levels.watts(apart.byVoltsW()), "meter", Levels.watts(apart.byMeterW())));
    }

    private Optional<ScopeView.TraceView> shown(RunState state) {
        List<Step> steps = told(state);
        return steps.stream()
                .flatMap(step -> step.sight().trace().stream().map(trace -> shown(step, trace)))
                .reduce((first, second) -> second);
    }

    private ScopeView.TraceView shown(Step step, Trace trace) {
        Look look = ScopeSteps.look(step).orElse(Look.EXCITER_CARRIER);
        return new ScopeView.TraceView(
                look,
                words.say("look." + look),
                trace,
                TrapezoidShape.of(trace).map(TrapezoidShape::straightV).orElse(null));
    }
}
