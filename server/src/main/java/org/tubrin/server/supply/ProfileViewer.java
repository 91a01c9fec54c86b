package org.tubrin.server.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.supply.Box;
import org.tubrin.core.supply.CurrentProfile;
import org.tubrin.core.supply.ProfileFit;
import org.tubrin.core.supply.ProfileReading;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Tells what the measuring of a profile has come to, and what is next. */
@Component
class ProfileViewer {
    private static final int CURVE_POINTS = 60;
    private static final double BEYOND = 1.2;
    private static final double MOST_W = 5000;
    private static final double HUNDREDTH = 100;

    private final Words words;

    ProfileViewer(Words words) {
        this.words = words;
    }

    /**
     * A profile as the page shows it.
     *
     * @param code what is next
     * @param title the next move
     * @param why its reason
     * @param nextW output to key at next, or where one more reading would tell most; absent where nothing is to be keyed
     * @param rows what was read, listening first
     * @param curve current over output, with its uncertainty; empty until there is a profile
     * @param law the law through the points; absent until there is one
     * @param facts figures that follow
     * @param at what it draws at an output that was asked for; empty where none was, or until there is a profile
     * @param box the form of it that a plan holds; absent until there is one
     */
    public record ProfileView(
            ProfileRun.Step code,
            String title,
            String why,
            @Nullable Double nextW,
            List<ProfileRow> rows,
            List<ProfileCurve> curve,
            @Nullable String law,
            List<PlanView.PlanFact> facts,
            List<PlanView.PlanFact> at,
            @Nullable Box box) {}

    /** What was read once, and what follows; without output no efficiency. */
    public record ProfileRow(
            String when,
            @Nullable Double outputW,
            String current,
            String voltage,
            @Nullable String efficiency,
            @Nullable String heat) {}

    /** A point of the curve. */
    public record ProfileCurve(double outputW, double currentA, double lowA, double highA, boolean predicted) {}

    ProfileView view(ProfileRun run, Optional<Double> atW) {
        ProfileRun.Next next = run.next();
        Optional<Double> nextW = next.outputW().stream().boxed().findFirst();
        String key = "profile." + next.step() + (nextW.filter(watt -> watt == 0).isPresent() ? ".idle" : "");
        Map<String, Object> facts = Map.of(
                "set", run.set(),
                "supply", run.supply(),
                "watt", Figures.plain(nextW.orElse(0.0), 1),
                "rise", run.riseV().map(rise -> Figures.written(rise, "V")).orElse(""));
        Optional<CurrentProfile> profile = run.profile();
        return new ProfileView(
                next.step(),
                words.say(key, facts),
                words.say(key + ".why", facts),
                nextW.orElse(null),
                rows(run, profile),
                profile.map(ProfileViewer::curve).orElse(List.of()),
                profile.flatMap(CurrentProfile::fit).map(this::law).orElse(null),
                facts(run),
                atW.flatMap(watt -> profile.map(known -> at(known, watt))).orElse(List.of()),
                profile.<Box>map(Box.Transmitting::customary).orElse(null));
    }

    private List<ProfileRow> rows(ProfileRun run, Optional<CurrentProfile> profile) {
        Stream<ProfileRow> listening = run.listening().stream()
                .map(one ->
                        new ProfileRow(words.say("profile.listening"), null, current(one), voltage(one), null, null));
        Stream<ProfileRow> keyed = run.keyed().stream()
                .map(one -> new ProfileRow(
                        words.say("profile.keyed", Map.of("watt", Figures.written(one.output(), "W"))),
                        one.outputW(),
                        current(one),
                        voltage(one),
                        profile.filter(ignored -> one.outputW() > 0)
                                .map(known -> Figures.written(known.efficiency(one.outputW()), 1 / HUNDREDTH, "%"))
                                .orElse(null),
                        profile.map(known -> Figures.written(known.heatW(one.outputW()), "W"))
                                .orElse(null)));
        return Stream.concat(listening, keyed).toList();
    }

    private static String current(ProfileReading one) {
        return Figures.written(one.current(), "A");
    }

    private static String voltage(ProfileReading one) {
        return Figures.written(one.voltage(), "V");
    }

    private static List<ProfileCurve> curve(CurrentProfile profile) {
        List<ProfileCurve> curve = new ArrayList<>();
        for (int i = 0; i <= CURVE_POINTS; i++) {
            double outputW = BEYOND * profile.greatestW() * i / CURVE_POINTS;
            Quantity current = profile.currentA(outputW);
            curve.add(new ProfileCurve(
                    outputW, current.value(), current.low(), current.high(), current.standing() == Standing.PREDICTED));
        }
        return curve;
    }

    private String law(ProfileFit fit) {
        return words.say(
                "profile.law",
                Map.of(
                        "idle", Figures.plain(fit.idleA(), 2),
                        "rise", Figures.plain(fit.riseA(), 2),
                        "most", Figures.plain(fit.greatestW(), 1),
                        "exponent", Figures.fixed(fit.exponent(), 2),
                        "uncertainty", Figures.fixed(Quantity.COVERAGE_95 * fit.exponentUncertainty(), 2)));
    }

    private List<PlanView.PlanFact> at(CurrentProfile profile, double outputW) {
        new Checks().range("atW", outputW, 0, MOST_W, Unit.WATT).done();
        Quantity current = profile.currentA(outputW);
        List<PlanView.PlanFact> facts = new ArrayList<>();
        facts.add(new PlanView.PlanFact(
                words.say("profile.at.current"),
                Figures.written(current, "A"),
                words.say("profile.at." + current.standing().name())));
        if (outputW > 0) {
            facts.add(new PlanView.PlanFact(
                    words.say("profile.at.efficiency"),
                    Figures.written(profile.efficiency(outputW), 1 / HUNDREDTH, "%"),
                    ""));
        }
        facts.add(
                new PlanView.PlanFact(words.say("profile.at.heat"), Figures.written(profile.heatW(outputW), "W"), ""));
        return facts;
    }

    private List<PlanView.PlanFact> facts(ProfileRun run) {
        List<PlanView.PlanFact> facts = new ArrayList<>();
        run.sourceOhm()
                .ifPresent(ohm -> facts.add(new PlanView.PlanFact(
                        words.say("profile.source"),
                        Figures.written(ohm, 1e-3, "mΩ"),
                        words.say("profile.source.note"))));
        run.riseV()
                .ifPresent(rise -> facts.add(new PlanView.PlanFact(
                        words.say("profile.rise"), Figures.written(rise, "V"), words.say("profile.rise.note"))));
        return facts;
    }
}
