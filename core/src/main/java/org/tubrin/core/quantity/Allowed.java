package org.tubrin.core.quantity;

import java.util.List;
import java.util.Optional;

/** What would have been accepted in place of a refused value. */
public sealed interface Allowed {

    /** A number from least to most, both included, in the unit named; and what else bounds it, where another field does. */
    record Range(double least, double most, Unit unit, Optional<Because> because) implements Allowed {
        public Range(double least, double most, Unit unit) {
            this(least, most, unit, Optional.empty());
        }
    }

    /** A value of this kind. */
    record Kind(ValueKind kind) implements Allowed {}

    /** Kinds of value. */
    enum ValueKind {
        NUMBER,
        WHOLE_NUMBER,
        TEXT,
        YES_OR_NO,
        LIST,
        RECORD,
        ID,
        TIME
    }

    /** A text of least to most characters. */
    record Length(int least, int most) implements Allowed {}

    /** One of these codes, as they stand in a call. */
    record Codes(List<String> codes) implements Allowed {
        public Codes {
            codes = List.copyOf(codes);
        }
    }

    /** One of these names, or of what these codes are called. */
    record OneOf(List<String> names) implements Allowed {
        public OneOf {
            names = List.copyOf(names);
        }
    }

    /** Nothing of this kind at this point; the code says what is wanted first. */
    record Nothing() implements Allowed {}
}
