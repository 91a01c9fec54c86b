package org.tubrin.core.matcher;

/**
 * The next key-down of the order.
 *
 * @param node what it is for
 * @param driveW power at the input, in watts
 * @param because why
 */
public record NextMatch(Node node, double driveW, Because because) {
    /** What a key-down is for; each opens the next. */
    public enum Node {
        /** The power amplifier off, the matcher out of line: the output is the input less the small loss of the path. */
        PROVE,
        /** The matcher in line, with power enough for it. */
        TUNE,
        /** The power amplifier on, far below full drive. */
        FIRST;

        /** Returns whether the power amplifier is on. */
        public boolean amplifies() {
            return this == FIRST;
        }

        /** Returns whether the matcher is in line. */
        public boolean isMatched() {
            return this != PROVE;
        }
    }

    /** Why it is the next. */
    public enum Because {
        /** Nothing is proven yet. */
        UNPROVEN,
        /** What came out was more than went in. */
        PA_IS_ON,
        /** The protection acted before the power amplifier was to be on. */
        TRIPPED,
        /** It acted at a tenth of the drive, behind a matcher that was said to be done. */
        TRIPPED_MATCHED,
        /** Much less came out than went in. */
        PATH_LOSES,
        /** At so little power the meters do not tell it. */
        NOT_TOLD,
        /** The power amplifier is proven to be off. */
        PROVEN,
        /** Less reached the matcher than it needs. */
        POWER_SHORT,
        /** It has not matched yet. */
        NOT_MATCHED,
        /** It has. */
        MATCHED,
        /** What came out was no more than went in. */
        PA_IS_OFF;

        /** Returns whether it says that the power amplifier is on where it should not be. */
        public boolean isOn() {
            return this == PA_IS_ON || this == TRIPPED;
        }
    }
}
