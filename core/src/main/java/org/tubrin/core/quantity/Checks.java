package org.tubrin.core.quantity;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Collects the problems of one record while it is built, to refuse it once with all of them. */
public final class Checks {
    private static final int LONGEST_NAME = 80;
    private final List<Problem> problems = new ArrayList<>();

    /** Notes a number outside least to most (both included) or not finite. */
    public Checks range(String path, double found, double least, double most, Unit unit) {
        if (!(found >= least && found <= most)) {
            add(ProblemCode.OUT_OF_RANGE, path, format(found), new Allowed.Range(least, most, unit));
        }
        return this;
    }

    /** Notes a number outside a range that another field bounds. */
    public Checks range(String path, double found, double least, double most, Unit unit, Because because) {
        if (!(found >= least && found <= most)) {
            Allowed allowed = new Allowed.Range(least, most, unit, Optional.of(because));
            add(ProblemCode.OUT_OF_RANGE, path, format(found), allowed);
        }
        return this;
    }

    /** Notes a number that is present and outside the range. */
    public Checks range(String path, OptionalDouble found, double least, double most, Unit unit) {
        found.ifPresent(value -> range(path, value, least, most, unit));
        return this;
    }

    /** Notes a name that is blank or longer than 80 characters. */
    public Checks name(String path, String found) {
        return text(path, found, 1, LONGEST_NAME);
    }

    /** Notes a text whose length, less surrounding blanks, lies outside least to most characters. */
    public Checks text(String path, String found, int least, int most) {
        int length = found.strip().length();
        if (length < least || length > most) {
            add(
                    length == 0 ? ProblemCode.MISSING : ProblemCode.TEXT_LENGTH,
                    path,
                    found,
                    new Allowed.Length(least, most));
        }
        return this;
    }

    /** Notes a list with fewer or more entries than allowed. */
    public Checks size(String path, Collection<?> found, int least, int most) {
        return range(path, found.size(), least, most, Unit.ONE);
    }

    /** Notes each entry that stands twice. */
    public Checks distinct(String path, Collection<?> found) {
        Set<Object> seen = new HashSet<>();
        for (Object entry : found) {
            if (!seen.add(entry)) {
                add(ProblemCode.DUPLICATE, path, entry.toString(), new Allowed.Nothing());
            }
        }
        return this;
    }

    /** Notes a name that is not one of those allowed. */
    public Checks oneOf(String path, String found, List<String> names) {
        if (!names.contains(found)) {
            add(ProblemCode.UNKNOWN_NAME, path, found, new Allowed.OneOf(names));
        }
        return this;
    }

    /** Notes a text that does not have the form of a regular expression. */
    public Checks matches(String path, String found, String form, Allowed allowed) {
        if (!found.matches(form)) {
            add(ProblemCode.MALFORMED, path, found, allowed);
        }
        return this;
    }

    /** Refuses with all problems noted so far, where there are any. */
    public void done() {
        if (!problems.isEmpty()) {
            throw new Refused(problems);
        }
    }

    private void add(ProblemCode code, String path, String found, Allowed allowed) {
        problems.add(new Problem(code, path, found, allowed));
    }

    private static String format(double found) {
        return found == Math.rint(found) && Math.abs(found) < 1e15
                ? Long.toString((long) found)
                : Double.toString(found);
    }
}
