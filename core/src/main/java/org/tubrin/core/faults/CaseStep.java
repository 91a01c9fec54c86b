package org.tubrin.core.faults;

import java.time.Instant;

/** Something that was done in a case, and what came of it. */
public sealed interface CaseStep {
    /** Returns when it was done. */
    Instant at();

    /** Returns what is made of each kind. */
    <T> T with(Cases<T> cases);

    /** What is made of each kind of step. */
    interface Cases<T> {
        T answered(Answered step);

        T skipped(Skipped step);

        T fixed(Fixed step);
    }

    /** A check was made. */
    record Answered(Instant at, FaultCheck check, boolean yes) implements CaseStep {
        @Override
        public <T> T with(Cases<T> cases) {
            return cases.answered(this);
        }
    }

    /** A check cannot be made now; it is not asked again. */
    record Skipped(Instant at, FaultCheck check) implements CaseStep {
        @Override
        public <T> T with(Cases<T> cases) {
            return cases.skipped(this);
        }
    }

    /**
     * A cause was put right.
     *
     * @param gone whether the symptom is gone since then
     */
    record Fixed(Instant at, Cause cause, boolean gone) implements CaseStep {
        @Override
        public <T> T with(Cases<T> cases) {
            return cases.fixed(this);
        }
    }
}
