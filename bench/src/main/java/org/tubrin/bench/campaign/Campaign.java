package org.tubrin.bench.campaign;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;

/** Runs every case by every procedure. */
final class Campaign {
    /** Before the name of a school in which the next move was followed. */
    static final String FOLLOWED = "tubrin, ";
    /** The same where only the maker's chart is known of the amplifier. */
    static final String BY_CHART = "tubrin by the chart alone, ";

    private Campaign() {}

    /** Returns the scores of so many cases, which belong to a seed; cases go side by side. */
    static List<Score> run(int cases, long seed) {
        return IntStream.range(0, cases)
                .parallel()
                .mapToObj(number -> one(number, seed + 7919L * number))
                .flatMap(List::stream)
                .toList();
    }

    private static List<Score> one(int number, long seed) {
        Case given = Case.of(number, seed);
        List<Score> scores = new ArrayList<>(List.of(tubrin(given)));
        for (School school : School.withDials()) {
            if (school.suits(given.setup().tubes())) {
                CaseShack shack = new CaseShack(given, new Random(given.seed()));
                new Plain(shack, school, new Random(given.seed() + 1)).run();
                scores.add(Score.of(shack, name(school), List.of(), List.of(), ""));
                scores.add(followed(given.by(school), FOLLOWED + name(school)));
                scores.add(followed(given.by(school).withoutTwin(), BY_CHART + name(school)));
            }
        }
        return scores;
    }

    private static String name(School school) {
        return school.name().toLowerCase(Locale.ROOT);
    }

    /** Returns what it comes to when the school that is suggested is taken and the next move followed. */
    static Score tubrin(Case given) {
        return followed(given.by(given.suggested()), "tubrin");
    }

    private static Score followed(Case given, String procedure) {
        CaseShack shack = new CaseShack(given, new Random(given.seed()));
        boolean pulsed = given.setup().school() == School.PULSED;
        if (pulsed) {
            shack.pulse(given.setup().customs().dutyFactor());
        }
        RunState state = new Novice(shack, new Random(given.seed() + 1)).run();
        // What the shack's meters average over pulses is not what the intervals are about.
        List<Boolean> covered = pulsed ? List.of() : covered(shack, state);
        return Score.of(shack, procedure, covered, said(state), story(given, state));
    }

    /** Returns what the app said of the last step beside what is only to know. */
    private static List<Sign.Code> said(RunState state) {
        List<Step> steps = state.steps();
        Optional<Step> before = steps.size() < 2 ? Optional.empty() : Optional.of(steps.get(steps.size() - 2));
        return state.lastStep().stream()
                .flatMap(last -> Signs.of(last, before).stream())
                .filter(sign -> sign.severity() != Sign.Severity.NOTE)
                .map(Sign::code)
                .toList();
    }

    /** Returns what was climbed, step by step, and how it ended. */
    private static String story(Case given, RunState state) {
        StringBuilder story = new StringBuilder(String.format(
                Locale.ROOT,
                "%s x%d %s into %s (%.0f%+.0fj ohm): ",
                given.setup().amplifier().name(),
                given.setup().tubes().tubeCount(),
                given.setup().band(),
                given.setup().termination().name(),
                given.loadOhm(),
                given.loadReactanceOhm()));
        for (Step step : state.steps()) {
            story.append(String.format(
                    Locale.ROOT,
                    "%.1f W at %.2f/%.2f gave %.0f W; ",
                    step.driveW().value(),
                    step.position(Control.PLATE).orElse(0.0),
                    step.position(Control.LOAD).orElse(0.0),
                    step.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(0.0)));
        }
        return story + state.ending().map(ending -> "finished").orElse("no end");
    }

    /** Returns whether the stated intervals of the last step hold what is really so at the dials and drive left. */
    private static List<Boolean> covered(CaseShack shack, RunState state) {
        List<Boolean> held = new ArrayList<>();
        Step last = state.lastStep().orElse(null);
        if (last == null || shack.tripped()) {
            return held;
        }
        shack.key(true);
        double output = shack.truth(ReadingRole.OUTPUT);
        double input = shack.truth(ReadingRole.PLATE_CURRENT) * shack.truth(ReadingRole.PLATE_VOLTAGE);
        double heat = shack.heatPerTubeW();
        double gain = 10 * Math.log10(output / shack.trueDriveW());
        shack.key(false);
        shack.keyDowns--;
        add(held, last.budget().efficiency(), output / input);
        add(held, last.budget().heatPerDeviceCorrectedW(), heat);
        add(held, last.budget().gainDb(), gain);
        return held;
    }

    private static void add(List<Boolean> held, Optional<Quantity> stated, double truth) {
        stated.ifPresent(one -> held.add(Math.abs(one.value() - truth) <= one.halfWidth95()));
    }
}
