package org.tubrin.server.run;

/** A coded choice with its words. */
public record NamedChoice(String code, String name, String detail) {}
