package org.tubrin.server.web;

import org.jspecify.annotations.Nullable;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;

/** What one kind of act asks for and another does not. */
public final class Required {
    private Required() {}

    /** Returns what was sent in a field; fails with {@link Refused} where nothing was. */
    public static <T> T given(String field, @Nullable T value) {
        if (value == null) {
            throw new Refused(new Problem(ProblemCode.MISSING, field, "", new Allowed.Nothing()));
        }
        return value;
    }
}
