package org.tubrin.server.run;

import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.Position;
import org.tubrin.server.words.Words;

/** Says how a meter's switches stand. */
public final class MeterWords {
    private MeterWords() {}

    /** Returns what is read in a position, and how where it is not the average. */
    public static String position(Position position, Words words) {
        String role = words.name(position.role().name());
        return position.indication() == Indication.AVERAGE
                ? role
                : role + ", " + words.say("indication." + position.indication().name());
    }
}
