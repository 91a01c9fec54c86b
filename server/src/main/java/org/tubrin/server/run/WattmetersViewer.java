package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.run.TwoWattmeters;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Shows what two wattmeters in one line say of each other. */
@Component
class WattmetersViewer {
    private static final double PERCENT = 100;
    /** From so many per cent on tenths say nothing. */
    private static final double WHOLE_FROM = 10;

    private final Words words;

    WattmetersViewer(Words words) {
        this.words = words;
    }

    /** Returns what they say; empty of a run with one or none. */
    Optional<WattmetersView> view(RunState state) {
        TuneSetup setup = state.setup();
        return setup.channelFor(ReadingRole.OTHER_OUTPUT).map(channel -> {
            Optional<TwoWattmeters> found = TwoWattmeters.of(state);
            return new WattmetersView(
                    name(setup, ReadingRole.OUTPUT),
                    name(setup, ReadingRole.OTHER_OUTPUT),
                    state.draft().position(Control.WATTMETERS).orElse(0.0) > 0,
                    found.map(two -> says(setup, two)).orElseGet(() -> List.of(said(setup, "wattmeters.counts"))),
                    found.map(two -> comparison(channel, two)).orElse(null));
        });
    }

    private static String name(TuneSetup setup, ReadingRole role) {
        return setup.meterFor(role).orElseThrow().name();
    }

    private String said(TuneSetup setup, String key) {
        return words.say(
                key, Map.of("first", name(setup, ReadingRole.OUTPUT), "second", name(setup, ReadingRole.OTHER_OUTPUT)));
    }

    private List<String> says(TuneSetup setup, TwoWattmeters two) {
        List<String> says = new ArrayList<>();
        says.add(said(setup, "wattmeters.reads", two.second(), two.pairs().size()));
        two.place()
                .ifPresent(place -> says.add(
                        said(setup, "wattmeters.places", place, two.pairs().size())));
        return says;
    }

    private String said(TuneSetup setup, String key, Quantity share, int steps) {
        return words.say(
                key,
                Map.of(
                        "first", name(setup, ReadingRole.OUTPUT),
                        "second", name(setup, ReadingRole.OTHER_OUTPUT),
                        "than", TwoWattmeters.than(share).name(),
                        "percent", percent(Math.abs(share.value())),
                        "plusMinus", percent(share.halfWidth95()),
                        "steps", steps));
    }

    private static String percent(double share) {
        return Figures.plain(PERCENT * share, PERCENT * share < WHOLE_FROM ? 1 : 0);
    }

    private static WattmetersView.WattComparisonView comparison(Channel channel, TwoWattmeters two) {
        List<TwoWattmeters.Pair> pairs = two.ofOneRange();
        return new WattmetersView.WattComparisonView(
                pairs.get(0).other().range(),
                channel.indication(),
                Figures.plain(PERCENT * TwoWattmeters.firstKnownWithin(pairs), 1),
                pairs.stream()
                        .map(pair -> new WattmetersView.WattPairView(
                                Figures.plain(pair.firstW().value(), 1),
                                Figures.plain(pair.other().rawValue(), 1)))
                        .toList());
    }
}
