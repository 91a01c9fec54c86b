package org.tubrin.core.first;

/**
 * What is usual for an answer, by those before it.
 *
 * @param least of the usual range, in the core's unit
 * @param most of it
 * @param standsIn what counts while it is not known: on the careful side
 */
public record Usual(double least, double most, double standsIn) {
    static Usual about(double middle, double least, double most, double careful) {
        return new Usual(Round.off(middle * least), Round.off(middle * most), Round.off(middle * careful));
    }
}
