package org.tubrin.core.quantity;

/**
 * Names one independent cause of error, such as the class error of one meter on one range. Two quantities that name the
 * same source are correlated through it.
 *
 * @param instrument who errs, such as the meter's name
 * @param channel what of it, such as the reading's role
 * @param range on which range; empty where there is only one
 * @param law how its errors are spread
 */
public record ErrorSource(String instrument, String channel, String range, Law law) {
    /** How errors are spread. */
    public enum Law {
        /** As many small causes together spread them. */
        NORMAL,
        /** Anywhere within a bound and never beyond it, such as a meter's class. */
        BOUNDED
    }

    /** A source whose errors are normal. */
    public ErrorSource(String instrument, String channel, String range) {
        this(instrument, channel, range, Law.NORMAL);
    }

    /** Returns a source whose errors lie anywhere within a bound. */
    public static ErrorSource bounded(String instrument, String channel, String range) {
        return new ErrorSource(instrument, channel, range, Law.BOUNDED);
    }
}
