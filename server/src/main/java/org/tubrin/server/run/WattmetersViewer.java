package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
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
        boolean isNone = Math.abs(share.value()) < share.halfWidth95();
        return words.say(
                key,
                Map.of(
                        "first", name(setup, ReadingRole.OUTPUT),
                        "second", name(setup, ReadingRole.OTHER_OUTPUT),
                        "than", isNone ? "SAME" : share.value() > 0 ? "MORE" : "LESS",
                        "percent", percent(Math.abs(share.value())),
                        "plusMinus", percent(share.halfWidth95()),
                        "steps", steps));
    }

    private static String percent(double share) {
        return Figures.plain(PERCENT * share, PERCENT * share < WHOLE_FROM ? 1 : 0);
    }

    /** The points of the range that has most of them, since a correction is one of a range; the first is as sure as where it is surest. */
    private static WattmetersView.WattComparisonView comparison(Channel channel, TwoWattmeters two) {
        Map<String, Long> points = two.pairs().stream()
                .collect(Collectors.groupingBy(pair -> pair.other().range(), Collectors.counting()));
        String range = points.keySet().stream()
                .max(Comparator.comparing((Function<String, Long>) points::get))
                .orElseThrow();
        List<TwoWattmeters.Pair> pairs = two.pairs().stream()
                .filter(pair -> pair.other().range().equals(range))
                .toList();
        double share = pairs.stream()
                .mapToDouble(pair -> pair.firstW().halfWidth95() / pair.firstW().value())
                .min()
                .orElseThrow();
        return new WattmetersView.WattComparisonView(
                range,
                channel.indication(),
                Figures.plain(PERCENT * share, 1),
                pairs.stream()
                        .map(pair -> new WattmetersView.WattPairView(
                                Figures.plain(pair.firstW().value(), 1),
                                Figures.plain(pair.other().rawValue(), 1)))
                        .toList());
    }
}
