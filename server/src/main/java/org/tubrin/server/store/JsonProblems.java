package org.tubrin.server.store;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** What is wrong with JSON that could not be read: where, what was found there, and what belongs there. */
public final class JsonProblems {
    private JsonProblems() {}

    /** Returns the problems behind a failure to read JSON, each with the path at which it lies. */
    public static List<Problem> of(JacksonException failure) {
        String path = path(failure);
        if (refusal(failure) instanceof Refused refused) {
            return refused.problems().stream()
                    .map(problem -> problem.under(path))
                    .toList();
        }
        if (failure instanceof UnrecognizedPropertyException unknown) {
            List<String> known = new ArrayList<>();
            if (unknown.getKnownPropertyIds() != null) {
                unknown.getKnownPropertyIds().forEach(id -> known.add(String.valueOf(id)));
            }
            return List.of(
                    new Problem(ProblemCode.UNKNOWN_FIELD, path, unknown.getPropertyName(), new Allowed.Codes(known)));
        }
        if (failure instanceof InvalidTypeIdException untyped) {
            String kind = untyped.getTypeId() == null ? "" : untyped.getTypeId();
            List<String> kinds = untyped.getBaseType() == null
                    ? List.of()
                    : CoreJson.kinds(untyped.getBaseType().getRawClass());
            return List.of(new Problem(
                    kind.isEmpty() ? ProblemCode.MISSING : ProblemCode.UNKNOWN_NAME,
                    path.isEmpty() ? "kind" : path + ".kind",
                    kind,
                    new Allowed.Codes(kinds)));
        }
        if (failure instanceof MismatchedInputException mismatched) {
            return List.of(mismatch(path, mismatched));
        }
        return List.of(new Problem(ProblemCode.MALFORMED, path, "", new Allowed.Nothing()));
    }

    private static Problem mismatch(String path, MismatchedInputException failure) {
        Class<?> target = failure.getTargetType();
        String found = failure instanceof InvalidFormatException wrong
                ? told(String.valueOf(wrong.getValue()))
                : found(failure);
        return parameter(path, found, target);
    }

    /** Returns what is wrong with a parameter of a call that is not of its type; {@code found} is empty where it is missing. */
    public static Problem parameter(String name, String found, @Nullable Class<?> type) {
        if (type != null && type.isEnum()) {
            return new Problem(
                    found.isEmpty() ? ProblemCode.MISSING : ProblemCode.UNKNOWN_NAME,
                    name,
                    found,
                    new Allowed.Codes(codes(type)));
        }
        return mismatch(name, found, type);
    }

    private static List<String> codes(Class<?> type) {
        return Stream.of(type.getEnumConstants())
                .map(one -> ((Enum<?>) one).name())
                .toList();
    }

    private static Problem mismatch(String path, String found, @Nullable Class<?> type) {
        Allowed.ValueKind kind = kind(type);
        boolean number = kind == Allowed.ValueKind.NUMBER || kind == Allowed.ValueKind.WHOLE_NUMBER;
        ProblemCode code =
                found.isEmpty() ? ProblemCode.MISSING : number ? ProblemCode.NOT_A_NUMBER : ProblemCode.WRONG_KIND;
        return new Problem(code, path, found, new Allowed.Kind(kind));
    }

    /** Returns what stood where something else was wanted; empty where nothing stood there. */
    private static String found(JacksonException failure) {
        if (!(failure.processor() instanceof JsonParser parser) || parser.currentToken() == null) {
            return "";
        }
        JsonToken token = parser.currentToken();
        return switch (token) {
            case START_OBJECT -> "{…}";
            case START_ARRAY -> "[…]";
            case VALUE_NULL, END_OBJECT, END_ARRAY, PROPERTY_NAME, NOT_AVAILABLE -> "";
            case VALUE_STRING -> told(parser.getString());
            default -> parser.getString();
        };
    }

    /** Returns a text that was there, so that an empty one can be seen. */
    private static String told(String text) {
        return text.isEmpty() ? "\"\"" : text;
    }

    private static Allowed.ValueKind kind(@Nullable Class<?> type) {
        if (type == null) {
            return Allowed.ValueKind.RECORD;
        }
        if (type == int.class
                || type == long.class
                || type == Integer.class
                || type == Long.class
                || type == OptionalInt.class) {
            return Allowed.ValueKind.WHOLE_NUMBER;
        }
        if (type == boolean.class || type == Boolean.class) {
            return Allowed.ValueKind.YES_OR_NO;
        }
        if (type.isPrimitive() || Number.class.isAssignableFrom(type) || type == OptionalDouble.class) {
            return Allowed.ValueKind.NUMBER;
        }
        if (type == String.class) {
            return Allowed.ValueKind.TEXT;
        }
        if (type == UUID.class) {
            return Allowed.ValueKind.ID;
        }
        if (type == Instant.class) {
            return Allowed.ValueKind.TIME;
        }
        return Collection.class.isAssignableFrom(type) ? Allowed.ValueKind.LIST : Allowed.ValueKind.RECORD;
    }

    static @Nullable Throwable refusal(Throwable failure) {
        Throwable cause = failure;
        while (cause != null && !(cause instanceof Refused)) {
            cause = cause.getCause();
        }
        return cause;
    }

    private static String path(JacksonException failure) {
        if (!(failure instanceof DatabindException)) {
            return "";
        }
        List<String> parts = new ArrayList<>();
        for (JacksonException.Reference reference : failure.getPath()) {
            parts.add(reference.getPropertyName() != null ? reference.getPropertyName() : "" + reference.getIndex());
        }
        return String.join(".", parts);
    }
}
