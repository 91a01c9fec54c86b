package org.tubrin.server.run;

import java.util.UUID;

/**
 * A trace as a scope saved it.
 *
 * @param clientId made by the caller: a trace of the same id is taken once
 * @param expectedSequence where the caller saw the run stand
 * @param text time, output and drive, a line for each sample
 */
public record TraceRequest(UUID clientId, long expectedSequence, String text) {}
