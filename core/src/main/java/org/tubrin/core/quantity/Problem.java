package org.tubrin.core.quantity;

/**
 * One refusal: what is wrong, where, what was found and what is allowed. The words and the remedy stand in the
 * catalogue under the code.
 *
 * @param code what is wrong
 * @param path field in dotted form, such as {@code tube.plateDissipationW}; empty for the input as a whole
 * @param found the value as it came, shortened to 80 characters
 * @param allowed what would have been accepted
 */
public record Problem(ProblemCode code, String path, String found, Allowed allowed) {
    private static final int MOST_SHOWN = 80;

    public Problem {
        if (found.length() > MOST_SHOWN) {
            found = found.substring(0, MOST_SHOWN) + "…";
        }
    }

    /** Returns the same problem seen from a record that holds the field's owner under {@code prefix}. */
    public Problem under(String prefix) {
        if (prefix.isEmpty()) {
            return this;
        }
        return new Problem(code, path.isEmpty() ? prefix : prefix + "." + path, found, allowed);
    }
}
