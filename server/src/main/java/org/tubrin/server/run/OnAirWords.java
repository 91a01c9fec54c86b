package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.tubrin.core.advice.OnAir;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.run.Use;
import org.tubrin.server.card.Cards;
import org.tubrin.server.card.ReachWords;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Says what to mind on the air after a run. */
@Component
class OnAirWords {
    private final Words words;
    private final ReachWords reach;
    private final Cards cards;

    OnAirWords(Words words, ReachWords reach, Cards cards) {
        this.words = words;
        this.reach = reach;
        this.cards = cards;
    }

    /**
     * Returns what to mind after a run that has ended: how far one may move stands for the plain reminder where the twin can say it, and the
     * card's row for a long carrier for what such a carrier does at these dials.
     */
    List<String> points(RunState state) {
        TuneSetup setup = state.setup();
        if (state.ending().isEmpty() || !setup.stage().amplifies()) {
            return List.of();
        }
        Optional<String> far = state.lastStep()
                .flatMap(step -> reach.words(
                        setup.amplifier(),
                        setup.band(),
                        setup.frequencyHz(),
                        step.driveW().value(),
                        setup.termination()));
        Optional<CardRow> row = setup.stage().isTuned() && setup.use() == Use.SPEECH_AND_CW
                ? cards.row(setup.amplifier(), setup.band(), setup.frequencyHz(), setup.termination(), Use.LONG_CARRIER)
                : Optional.empty();
        List<String> points = new ArrayList<>();
        for (OnAir point : OnAir.of(state)) {
            boolean isSaidBetter = far.isPresent() && point.code() == OnAir.Code.RETUNE_WHEN_MOVING;
            boolean isLong = point.code() == OnAir.Code.WIDE_DUTY_LESS || point.code() == OnAir.Code.WIDE_DUTY_HOTTER;
            if (isLong && row.isPresent()) {
                points.add(byRow(point, row.get(), setup));
            } else if (!isSaidBetter) {
                points.add(say(point));
            }
        }
        far.ifPresent(points::add);
        return points;
    }

    private String byRow(OnAir point, CardRow row, TuneSetup setup) {
        return words.say(
                "onAir.longCarrierByRow",
                Map.of(
                        "modes", modes(point),
                        "plate", Figures.dial(row.plate()),
                        "load", Figures.dial(row.load()),
                        "set", Figures.plain(setup.exciterOfW(row.driveW()), 1),
                        "output", Figures.plain(row.outputW().value(), 0)));
    }

    private String say(OnAir point) {
        Map<String, Object> args = new HashMap<>();
        args.put("modes", modes(point));
        point.numbers().forEach((name, number) -> args.put(name, Figures.plain(number, number < 100 ? 1 : 0)));
        return words.say("onAir." + point.code().name(), args);
    }

    private String modes(OnAir point) {
        return point.modes().stream().map(mode -> words.name(mode.name())).collect(Collectors.joining(", "));
    }
}
