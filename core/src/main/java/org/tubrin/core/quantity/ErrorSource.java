package org.tubrin.core.quantity;

/**
 * Names one independent cause of error, such as the class error of one meter on one range. Two quantities that name the
 * same source are correlated through it.
 *
 * @param instrument who errs, such as the meter's name
 * @param channel what of it, such as the reading's role
 * @param range on which range; empty where there is only one
 * @param law how its errors are spread
 * @param part which of several causes in the same channel and range it is
 */
public record ErrorSource(String instrument, String channel, String range, Law law, Part part) {
    /** Causes that one reading has several of. */
    public enum Part {
        /** The channel's own, such as a meter's class. */
        ITSELF,
        /** That the meter does not stand still. */
        RESTLESSNESS,
        /** How well it was compared with a better one. */
        COMPARISON,
        /** Between which bounds it was read. */
        BOUNDS
    }

    /** How errors are spread. */
    public enum Law {
        /** As many small causes together spread them. */
        NORMAL,
        /** Anywhere within a bound and never beyond it, such as a meter's class. */
        BOUNDED
    }

    /** From the texts, which remember theirs: each sum of two quantities asks for it. */
    @Override
    public int hashCode() {
        return 31 * (31 * instrument.hashCode() + channel.hashCode())
                + range.hashCode()
                + part.name().hashCode();
    }

    /** A source whose errors are normal. */
    public ErrorSource(String instrument, String channel, String range) {
        this(instrument, channel, range, Law.NORMAL, Part.ITSELF);
    }

    /** Returns another cause in the same channel and range. */
    public ErrorSource as(Part other) {
        return new ErrorSource(instrument, channel, range, law, other);
    }

    /** Returns a source whose errors lie anywhere within a bound. */
    public static ErrorSource bounded(String instrument, String channel, String range) {
        return new ErrorSource(instrument, channel, range, Law.BOUNDED, Part.ITSELF);
    }
}
