package org.tubrin.core.bias;

/**
 * The next reading of a bias climb.
 *
 * @param purpose what is done for it
 * @param device whose pot is turned, from 1; 0 where no pot is
 * @param aimA what the instrument is to show, in amperes through what it reads
 * @param stopA above which the pot goes to its minimum at once
 * @param afterStepS how long to leave it alone after the last reading, in seconds
 * @param afterKeyS how long after the key went down, in seconds
 * @param because why
 */
public record NextBias(
        Purpose purpose, int device, double aimA, double stopA, double afterStepS, double afterKeyS, Because because) {

    /** What is done for a reading. */
    public enum Purpose {
        /** Read with all pots at their minimum. */
        STANDING,
        /** Turn the pot until the instrument shows the aim, then read. */
        SET,
        /** Leave the pot alone, then read. */
        HOLD,
        /** Turn the pot to its minimum, then read what the others draw. */
        DOWN,
        /** Leave all alone until it is hot, then read. */
        SOAK
    }

    /** Why. */
    public enum Because {
        /** What flows with all pots at their minimum is no device's. */
        STANDING,
        /** Half way first. */
        HALF,
        /** Three quarters next. */
        THREE_QUARTERS,
        /** All of it, from what was reached so far. */
        FULL,
        /** Still below. */
        BELOW,
        /** Beyond: back below, and up again. */
        OVERSHOT,
        /** It rose with the pot untouched: back to half, until it is still. */
        ROSE,
        /** Whether it rises with the pot untouched. */
        WATCH,
        /** Everything warm. */
        SOAK,
        /** Warm, it is another. */
        HOT,
        /** What it draws by itself is seen by what is left without it. */
        ALONE,
        /** Once more, at the end. */
        AGAIN
    }
}
