package org.tubrin.server.run;

import org.tubrin.core.run.School;

/**
 * A school: what it does, when it suits, and what it costs in heat.
 *
 * @param forLongCarriers whether it finds dials for a carrier that stands long
 */
public record SchoolChoice(
        School code, String name, String detail, String suits, String costs, boolean forLongCarriers) {}
