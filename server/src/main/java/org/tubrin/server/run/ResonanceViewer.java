package org.tubrin.server.run;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.tubrin.core.resonance.NextAct;
import org.tubrin.core.resonance.ResonanceWatch;
import org.tubrin.core.resonance.Weather;
import org.tubrin.core.resonance.Witness;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.ResonanceSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Shows how an antenna drifted, and how its motor followed. */
@Component
public class ResonanceViewer {
    private static final double PERCENT = 100;

    private final Words words;

    ResonanceViewer(Words words) {
        this.words = words;
    }

    /** Returns how it drifted; empty for every other run. */
    public Optional<ResonanceView> view(RunState state) {
        return ResonanceSteps.watchWithDraft(state).map(watch -> view(state, watch));
    }

    private ResonanceView view(RunState state, ResonanceWatch watch) {
        double inUnit = inUnit(watch.witness());
        return new ResonanceView(
                watch.witness(),
                words.say("resonance.unit." + watch.witness()),
                limit(watch.witness()),
                state.draft().position(Control.MOTOR).orElse(0.0),
                readings(watch, inUnit),
                watch.found().stream()
                        .map(one -> new ResonanceView.ResonanceFoundView(
                                one.place().at(),
                                one.motor(),
                                one.motor() - one.halfWidth95(),
                                one.motor() + one.halfWidth95(),
                                one.place().motor()))
                        .toList(),
                state.weather().stream()
                        .map(one -> new ResonanceView.WeatherView(
                                one.at(), one.weather(), words.say("weather." + one.weather())))
                        .toList(),
                watch.last()
                        .map(place -> signed(inUnit * place.off(), inUnit * place.halfWidth95()))
                        .orElse(null),
                watch.gain()
                        .map(gain -> signed(inUnit * gain.perStep(), inUnit * gain.halfWidth95()))
                        .orElse(null),
                watch.drift()
                        .map(one -> signed(one.stepsPerHour(), one.halfWidth95()))
                        .orElse(null),
                watch.scatter()
                        .map(one -> Figures.fixed(inUnit * one.deviation(), decimals(inUnit * one.deviation())))
                        .orElse(null),
                watch.isAlarmed(),
                Stream.of(Weather.values())
                        .map(code -> new ResonanceView.WeatherChoice(code, words.say("weather." + code)))
                        .toList(),
                says(watch));
    }

    /** Volts over amperes are said in per cent. */
    private static double inUnit(Witness witness) {
        return witness.hasSide() ? 1 : PERCENT;
    }

    /** Returns what an alarm is due for, in the unit in which it is said. */
    static double limit(Witness witness) {
        return inUnit(witness) * witness.alarm();
    }

    private static List<ResonanceView.ResonanceReadingView> readings(ResonanceWatch watch, double inUnit) {
        return watch.looks().stream()
                .flatMap(List::stream)
                .flatMap(place -> place.points().stream())
                .map(point -> new ResonanceView.ResonanceReadingView(
                        point.at(), point.motor(), inUnit * point.off().value()))
                .toList();
    }

    private static int decimals(double figure) {
        return Math.abs(figure) < 1 ? 2 : 1;
    }

    private static String signed(double figure, double halfWidth95) {
        int decimals = halfWidth95 < 0.1 ? 2 : 1;
        return (figure > 0 ? "+" : "")
                + Figures.fixed(figure, decimals)
                + "\u2009±\u2009"
                + Figures.fixed(halfWidth95, decimals);
    }

    /** Returns what a watch came to, in a few words. */
    public String came(RunState state) {
        return words.say("resonance.came."
                + ResonanceSteps.watch(state)
                        .map(watch -> switch (watch.next().act()) {
                            case LEAVE -> "IN_TUNE";
                            case STOP -> "STOPPED";
                            case READ, MOVE -> "OFF";
                        })
                        .orElse("OFF"));
    }

    private List<String> says(ResonanceWatch watch) {
        return watch.next().act() == NextAct.Act.STOP
                ? List.of(words.say("reason.RESONANCE_" + watch.next().because()))
                : List.of();
    }
}
