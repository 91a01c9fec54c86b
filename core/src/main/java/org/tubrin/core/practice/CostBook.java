package org.tubrin.core.practice;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.tubrin.core.signs.Sign;

/** What cost something, and for how long. */
final class CostBook {
    /** What begins again so soon is still the same, in seconds. */
    private static final double SAME_S = 1;

    private final List<Course.Moment> moments = new ArrayList<>();
    /** Places of those that may go on. */
    private final Map<Cost, Integer> last = new EnumMap<>(Cost.class);

    /** Takes down that something lasts from a moment to another, how far it goes, and what the signs said. */
    void lasts(Cost cost, double fromS, double toS, double share, List<Sign.Code> signs) {
        Integer place = last.get(cost);
        if (place != null && fromS - moments.get(place).toS() < SAME_S) {
            Course.Moment known = moments.get(place);
            moments.set(
                    place, new Course.Moment(cost, known.fromS(), toS, Math.max(known.most(), share), known.signs()));
        } else {
            last.put(cost, moments.size());
            moments.add(new Course.Moment(cost, fromS, toS, share, signs));
        }
    }

    void happens(Cost cost, double atS, List<Sign.Code> signs) {
        moments.add(new Course.Moment(cost, atS, atS, 0, signs));
    }

    List<Course.Moment> moments() {
        return List.copyOf(moments);
    }
}
