package org.tubrin.server.supply;

/** The share of the time that it really transmits. */
public record DutyView(double onShare, String says) {}
