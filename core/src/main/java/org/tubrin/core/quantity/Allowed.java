package org.tubrin.core.quantity;

import java.util.List;

/** What would have been accepted in place of a refused value. */
public sealed interface Allowed {

    /** A number from least to most, both included, in the unit named. */
    record Range(double least, double most, Unit unit) implements Allowed {}

    /** A text of least to most characters. */
    record Length(int least, int most) implements Allowed {}

    /** One of these codes or names. */
    record OneOf(List<String> names) implements Allowed {
        public OneOf {
            names = List.copyOf(names);
        }
    }

    /** Nothing of this kind at this point; the code says what is wanted first. */
    record Nothing() implements Allowed {}
}
