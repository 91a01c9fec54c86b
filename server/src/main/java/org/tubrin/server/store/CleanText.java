package org.tubrin.server.store;

import java.util.Optional;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;

/** Reads texts, and refuses those with characters that no database column and no file takes: controls, halves of a pair. */
final class CleanText extends StdScalarDeserializer<String> {
    private static final long serialVersionUID = 1L;

    CleanText() {
        super(String.class);
    }

    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) {
        String text = StringDeserializer.instance.deserialize(parser, context);
        if (text != null) {
            fault(text).ifPresent(found -> {
                throw new Refused(
                        new Problem(ProblemCode.BAD_CHARACTER, "", found, new Allowed.Kind(Allowed.ValueKind.TEXT)));
            });
        }
        return text;
    }

    /** Returns the first character that cannot be kept, as U+ and its number; empty where all can. */
    public static Optional<String> fault(String text) {
        for (int i = 0; i < text.length(); ) {
            int point = text.codePointAt(i);
            boolean blank = point == '\n' || point == '\r' || point == '\t';
            boolean control = Character.isISOControl(point) && !blank;
            boolean half = point >= Character.MIN_SURROGATE && point <= Character.MAX_SURROGATE;
            if (control || half) {
                return Optional.of(String.format("U+%04X", point));
            }
            i += Character.charCount(point);
        }
        return Optional.empty();
    }
}
