package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.resonance.NextAct;
import org.tubrin.core.resonance.Place;
import org.tubrin.core.resonance.ResonancePoint;
import org.tubrin.core.resonance.ResonanceWatch;
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
        double inUnit = inUnit(watch);
        return new ResonanceView(
                watch.witness(),
                words.say("resonance.unit." + watch.witness()),
                inUnit * watch.witness().alarm(),
                inUnit * watch.witness().leave(),
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
                words.say("resonance.came." + came(watch)),
                says(watch));
    }

    /** Volts over amperes are said in per cent. */
    private static double inUnit(ResonanceWatch watch) {
        return watch.witness().hasSide() ? 1 : PERCENT;
    }

    private static List<ResonanceView.ResonanceReadingView> readings(ResonanceWatch watch, double inUnit) {
        List<ResonanceView.ResonanceReadingView> readings = new ArrayList<>();
        for (int look = 0; look < watch.looks().size(); look++) {
            for (Place place : watch.looks().get(look)) {
                for (ResonancePoint point : place.points()) {
                    readings.add(new ResonanceView.ResonanceReadingView(
                            point.at(), point.motor(), inUnit * point.off().value(), look));
                }
            }
        }
        return readings;
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

    private static String came(ResonanceWatch watch) {
        if (watch.looks().isEmpty()) {
            return "NOTHING";
        }
        NextAct.Act act = watch.next().act();
        return act == NextAct.Act.LEAVE ? "IN_TUNE" : act == NextAct.Act.STOP ? "STOPPED" : "OFF";
    }

    private List<String> says(ResonanceWatch watch) {
        List<String> says = new ArrayList<>();
        if (!watch.looks().isEmpty() && watch.next().act() == NextAct.Act.STOP) {
            says.add(words.say("resonance.stopped." + watch.next().because()));
        }
        return says;
    }
}
