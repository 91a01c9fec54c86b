package org.tubrin.server.supply;

import org.jspecify.annotations.Nullable;

/**
 * What the simulated bench is to do while a set is measured; what is not named stays.
 *
 * @param keyed its exciter's key; the amplifier is in standby meanwhile
 * @param powerW its exciter's power
 * @param supply what feeds it
 */
public record BenchAct(
        @Nullable Boolean keyed,
        @Nullable Double powerW,
        @Nullable String supply) {}
