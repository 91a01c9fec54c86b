package org.tubrin.bench.campaign.kinds;

import java.util.HashMap;
import java.util.Map;

/**
 * What one case came to by one procedure.
 *
 * @param procedure name
 * @param figures by the name of the metric; what a case says nothing of is left out
 * @param badness by which the worst are found
 * @param story what happened
 */
record Played(String procedure, Map<String, Double> figures, double badness, String story) {
    Played {
        figures = Map.copyOf(figures);
    }

    /** Gathers the figures of a case. */
    static final class Figures {
        private final Map<String, Double> values = new HashMap<>();

        Figures put(String name, double value) {
            values.put(name, value);
            return this;
        }

        Figures put(String name, boolean holds) {
            return put(name, holds ? 1 : 0);
        }

        Figures putIf(boolean told, String name, double value) {
            return told ? put(name, value) : this;
        }

        Figures putIf(boolean told, String name, boolean holds) {
            return told ? put(name, holds) : this;
        }

        Played played(String procedure, double badness, String story) {
            return new Played(procedure, values, badness, story);
        }
    }
}
