package org.tubrin.bench;

/** A refusal as SCPI numbers it. */
final class ScpiError extends Exception {
    private static final long serialVersionUID = 1L;

    private final int number;

    private ScpiError(int number, String text) {
        super(text);
        this.number = number;
    }

    static ScpiError undefinedHeader(String header) {
        return new ScpiError(-113, "Undefined header;" + header);
    }

    static ScpiError missingParameter() {
        return new ScpiError(-109, "Missing parameter");
    }

    static ScpiError parameterNotAllowed() {
        return new ScpiError(-108, "Parameter not allowed");
    }

    static ScpiError dataType(String found) {
        return new ScpiError(-104, "Data type error;" + found);
    }

    static ScpiError outOfRange(String found) {
        return new ScpiError(-222, "Data out of range;" + found);
    }

    static ScpiError illegalValue(String found) {
        return new ScpiError(-224, "Illegal parameter value;" + found);
    }

    static ScpiError settingsConflict(String why) {
        return new ScpiError(-221, "Settings conflict;" + why);
    }

    static ScpiError tooMany() {
        return new ScpiError(-350, "Queue overflow");
    }

    static ScpiError tooLong() {
        return new ScpiError(-363, "Input buffer overrun");
    }

    /** Returns it as the error queue gives it out. */
    String line() {
        return number + ",\"" + String.valueOf(getMessage()).replace('"', '\'') + "\"";
    }
}
