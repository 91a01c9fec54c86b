package org.tubrin.server.card;

/** How much of a file was new. */
public record Imported(int rows, int kept) {}
