package org.tubrin.server.run;

/** Runs of one amplifier, band, load or antenna and school, and how many of them were finished. */
public record RunPlace(String amplifier, String band, String termination, String school, int runs, int finished) {}
