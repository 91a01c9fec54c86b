package org.tubrin.core.quantity;

import java.util.List;

/** An input was refused; all its problems are told at once. */
public final class Refused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final transient List<Problem> problems;

    public Refused(List<Problem> problems) {
        super(problems.toString());
        this.problems = List.copyOf(problems);
    }

    public Refused(Problem problem) {
        this(List.of(problem));
    }

    /** Returns what was wrong; never empty. */
    public List<Problem> problems() {
        return problems;
    }
}
