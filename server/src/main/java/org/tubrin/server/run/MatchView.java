package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.matcher.InputMatch;
import org.tubrin.core.matcher.NextMatch;

/**
 * Where the order stands in which a matcher is tuned.
 *
 * @param order its key-downs, with both powers at each
 * @param input what the match at the input means to the exciter, amplifying; absent until that was read
 * @param says what follows, one sentence each
 */
public record MatchView(List<MatchNode> order, InputMatch.@Nullable Verdict input, List<String> says) {

    /** How far a key-down of the order is. */
    public enum Stands {
        DONE,
        NOW,
        /** Its readings do not let the next begin. */
        REFUSED,
        AHEAD
    }

    /**
     * One key-down of the order.
     *
     * @param set what the exciter was set to, or is to be, in watts; absent where that is not yet known
     * @param input power at the input, in watts with its 95 % interval, as last read
     * @param output behind amplifier and matcher
     * @param swr at the input
     * @param says what it is for, or what its readings said
     */
    public record MatchNode(
            NextMatch.Node node,
            String title,
            Stands stands,
            @Nullable String set,
            @Nullable String input,
            @Nullable String output,
            @Nullable String swr,
            String says) {}
}
