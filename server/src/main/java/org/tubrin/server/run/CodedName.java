package org.tubrin.server.run;

/** A code with its name. */
public record CodedName(String code, String name) {}
