package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.matcher.InputMatch;
import org.tubrin.core.matcher.MatchPoint;
import org.tubrin.core.matcher.Matching;
import org.tubrin.core.matcher.NextMatch;
import org.tubrin.core.matcher.NextMatch.Node;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.MatcherSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Shows where the order stands in which a matcher is tuned. */
@Component
public class MatchViewer {
    private static final int SWR_DECIMALS = 2;
    private static final int WATT_DECIMALS = 2;

    private final Words words;

    MatchViewer(Words words) {
        this.words = words;
    }

    /** Returns where the order stands; empty for every other run. */
    public Optional<MatchView> view(RunState state) {
        return MatcherSteps.matching(state.setup(), state.steps(), state.trips())
                .map(matching -> view(state, matching));
    }

    private MatchView view(RunState state, Matching matching) {
        List<MatchView.MatchNode> order = new ArrayList<>();
        boolean isKnown = MatcherSteps.knownSwr(state.setup().termination()).isPresent();
        for (Node node : Node.values()) {
            if (!isKnown || node != Node.FIRST) {
                order.add(node(state, matching, node));
            }
        }
        Optional<InputMatch> input = matching.input();
        return new MatchView(order, input.map(InputMatch::verdict).orElse(null), says(state, matching, input));
    }

    private MatchView.MatchNode node(RunState state, Matching matching, Node node) {
        Optional<MatchPoint> read = matching.last(node);
        Optional<NextMatch> now = matching.next().filter(next -> next.node() == node);
        MatchView.Stands stands = stands(matching, node, read.isPresent());
        return new MatchView.MatchNode(
                node,
                words.say("match.node." + node.name()),
                stands,
                MatcherSteps.setW(state.setup(), state.steps(), state.trips(), node)
                        .or(() -> now.map(next -> state.setup().exciterOfW(next.driveW())))
                        .map(setW -> Figures.plain(setW, WATT_DECIMALS))
                        .orElse(null),
                read.map(point -> watts(point.inputW())).orElse(null),
                read.map(point -> watts(point.outputW())).orElse(null),
                read.map(point -> swr(point.swr())).orElse(null),
                words.say("match." + stands.name() + "." + node.name()));
    }

    private static MatchView.Stands stands(Matching matching, Node node, boolean isRead) {
        Optional<Node> at = matching.next().map(NextMatch::node);
        if (at.filter(node::equals).isPresent()) {
            return isRead ? MatchView.Stands.REFUSED : MatchView.Stands.NOW;
        }
        if (!isRead || at.filter(next -> next.compareTo(node) < 0).isPresent()) {
            return MatchView.Stands.AHEAD;
        }
        boolean isLast = matching.taken().get(matching.taken().size() - 1).node() == node;
        boolean isWell = matching.end()
                .filter(end -> end == Matching.End.MATCHED || end == Matching.End.REACH_PROVEN)
                .isPresent();
        return at.isPresent() || isWell || !isLast ? MatchView.Stands.DONE : MatchView.Stands.REFUSED;
    }

    private List<String> says(RunState state, Matching matching, Optional<InputMatch> input) {
        List<String> says = new ArrayList<>();
        matching.end().ifPresent(end -> says.add(words.say("match.end." + end.name())));
        MatcherSteps.knownSwr(state.setup().termination())
                .ifPresent(known -> matching.misread(known)
                        .ifPresent(swr -> says.add(words.say(
                                "match.misread",
                                Map.of(
                                        "known", Figures.fixed(known, 1),
                                        "shown", Figures.fixed(swr.value(), 1))))));
        input.ifPresent(match -> says.add(input(match)));
        return says;
    }

    /** Returns the limits that sentences about matches name. */
    public static Map<String, Object> limits() {
        return Map.of(
                "fine",
                Figures.plain(InputMatch.FINE_SWR, 1),
                "acceptable",
                Figures.plain(InputMatch.ACCEPTABLE_SWR, 1));
    }

    /** Returns what a match at the input means, with the pad that cures it. */
    public String input(InputMatch match) {
        return words.say(
                "match.input." + match.verdict().name(),
                Map.of(
                        "swr",
                        Figures.fixed(match.swr(), SWR_DECIMALS),
                        "pad",
                        match.padDb().map(String::valueOf).orElse("")));
    }

    static String watts(Quantity power) {
        return Figures.of(power, 1, "W", WATT_DECIMALS).withUncertainty();
    }

    /** Returns an SWR with its 95 % interval. */
    public static String swr(Quantity swr) {
        return Figures.of(swr, 1, "", SWR_DECIMALS).withUncertainty();
    }
}
