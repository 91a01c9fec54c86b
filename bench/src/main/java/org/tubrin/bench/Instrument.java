package org.tubrin.bench;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleSupplier;

/**
 * The commands of one instrument: headers in long or short form, queries and settings, and an error queue of its own for each
 * client. Source of the forms: IEEE 488.2 common commands and SCPI 1999, volume 1, chapters 5 to 7.
 */
final class Instrument {
    private static final int LONGEST_QUEUE = 20;
    private static final String NO_ERROR = "0,\"No error\"";

    private final String identity;
    private final List<Command> commands = new ArrayList<>();
    private Fault fault = Fault.NONE;

    /** How an instrument misbehaves when told to. */
    enum Fault {
        NONE,
        SILENT,
        SLOW,
        GARBAGE
    }

    /** What a command does with its parameter, which is empty for a query or where none is given. */
    @FunctionalInterface
    interface Act {
        String apply(String parameter) throws ScpiError;
    }

    private record Command(List<String> mnemonics, boolean query, boolean takesParameter, Act act) {}

    Instrument(String name) {
        identity = "Tubrin,Simulated bench " + name + ",0,1";
        query("*IDN", () -> identity);
        query("*OPC", () -> "1");
        set("DIAGnostic:FAULt", text -> fault = word(text, Fault.values()));
    }

    /** Adds a query; the header has its short form in capitals. */
    Instrument query(String header, java.util.function.Supplier<String> answer) {
        commands.add(new Command(List.of(header.split(":", -1)), true, false, parameter -> answer.get()));
        return this;
    }

    /** Adds a query for a number. */
    Instrument number(String header, DoubleSupplier answer) {
        return query(header, () -> String.format(Locale.ROOT, "%.6E", answer.getAsDouble()));
    }

    /** A setting that may refuse. */
    @FunctionalInterface
    interface Taker {
        void take(String parameter) throws ScpiError;
    }

    /** Adds a setting. */
    Instrument set(String header, Taker taker) {
        commands.add(new Command(List.of(header.split(":", -1)), false, true, parameter -> {
            if (parameter.isEmpty()) {
                throw ScpiError.missingParameter();
            }
            taker.take(parameter);
            return "";
        }));
        return this;
    }

    /** Adds a command without a parameter. */
    Instrument command(String header, Runnable act) {
        commands.add(new Command(List.of(header.split(":", -1)), false, false, parameter -> {
            act.run();
            return "";
        }));
        return this;
    }

    /** Adds a number that can be set within limits and queried. */
    Instrument level(String header, double least, double most, DoubleSupplier get, DoubleConsumer put) {
        number(header, get);
        return set(header, text -> put.accept(within(text, least, most)));
    }

    /** Adds a switch that can be set to ON or OFF and queried. */
    Instrument toggle(String header, java.util.function.BooleanSupplier get, java.util.function.Consumer<Boolean> put) {
        query(header, () -> get.getAsBoolean() ? "1" : "0");
        return set(header, text -> put.accept(isOn(text)));
    }

    Fault fault() {
        return fault;
    }

    static double within(String text, double least, double most) throws ScpiError {
        double value;
        try {
            value = Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw ScpiError.dataType(text);
        }
        if (!(value >= least && value <= most)) {
            throw ScpiError.outOfRange(text);
        }
        return value;
    }

    static boolean isOn(String text) throws ScpiError {
        return switch (text.toUpperCase(Locale.ROOT)) {
            case "ON", "1" -> true;
            case "OFF", "0" -> false;
            default -> throw ScpiError.illegalValue(text);
        };
    }

    /** Returns the value whose name the text is, or begins by at least four letters. */
    static <E extends Enum<E>> E word(String text, E[] values) throws ScpiError {
        String wanted = text.toUpperCase(Locale.ROOT);
        for (E value : values) {
            boolean shortened = wanted.length() >= 4 && value.name().startsWith(wanted);
            if (value.name().equals(wanted) || shortened) {
                return value;
            }
        }
        throw ScpiError.illegalValue(text);
    }

    /** One client's talk with the instrument. */
    final class Session {
        private final Deque<String> errors = new ArrayDeque<>();

        /** Returns the answers of a line that may hold several commands; empty where it asks nothing. */
        Optional<String> say(String line) {
            List<String> answers = new ArrayList<>();
            for (String one : line.split(";", -1)) {
                if (!one.isBlank()) {
                    try {
                        Optional.of(run(one.strip()))
                                .filter(answer -> !answer.isEmpty())
                                .ifPresent(answers::add);
                    } catch (ScpiError error) {
                        note(error);
                    }
                }
            }
            return answers.isEmpty() ? Optional.empty() : Optional.of(String.join(";", answers));
        }

        void note(ScpiError error) {
            if (errors.size() < LONGEST_QUEUE - 1) {
                errors.add(error.line());
            } else if (errors.size() == LONGEST_QUEUE - 1) {
                errors.add(ScpiError.tooMany().line());
            }
        }

        private String run(String one) throws ScpiError {
            String[] parts = one.split("\\s+", 2);
            String header = parts[0].startsWith(":") ? parts[0].substring(1) : parts[0];
            String parameter = parts.length > 1 ? parts[1].strip() : "";
            boolean query = header.endsWith("?");
            List<String> words = List.of((query ? header.substring(0, header.length() - 1) : header).split(":", -1));
            boolean asksError =
                    matches(List.of("SYSTem", "ERRor"), words) || matches(List.of("SYSTem", "ERRor", "NEXT"), words);
            if (query && asksError) {
                return errors.isEmpty() ? NO_ERROR : errors.removeFirst();
            }
            if (!query && words.equals(List.of("*CLS"))) {
                errors.clear();
                return "";
            }
            for (Command command : commands) {
                if (command.query == query && matches(command.mnemonics, words)) {
                    if (!parameter.isEmpty() && !command.takesParameter) {
                        throw ScpiError.parameterNotAllowed();
                    }
                    return command.act.apply(parameter);
                }
            }
            throw ScpiError.undefinedHeader(header);
        }

        private static boolean matches(List<String> mnemonics, List<String> words) {
            if (mnemonics.size() != words.size()) {
                return false;
            }
            for (int i = 0; i < words.size(); i++) {
                String full = mnemonics.get(i).toUpperCase(Locale.ROOT);
                String brief = mnemonics.get(i).replaceAll("[a-z]", "");
                String word = words.get(i).toUpperCase(Locale.ROOT);
                if (!word.equals(full) && !word.equals(brief)) {
                    return false;
                }
            }
            return true;
        }
    }
}
