package org.tubrin.server.run;

import java.util.List;

/**
 * How far a chain was driven up.
 *
 * @param wantedDbm output at which it ends
 * @param wanted the same in watts, with its unit
 * @param planned what the chain is thought to bring
 * @param taken what was read
 * @param says what follows, one sentence each
 */
public record ChainClimbView(
        double wantedDbm, String wanted, List<PlannedLevel> planned, List<TakenLevel> taken, List<String> says) {

    /** The output that the chain is thought to bring behind an attenuator. */
    public record PlannedLevel(double attenuationDb, double dbm) {}

    /**
     * The output that was read, with its 95 % interval.
     *
     * @param watt with its interval and unit
     * @param gain from the generator to the load, in decibels with its interval
     */
    public record TakenLevel(
            double attenuationDb, double dbm, double lowDbm, double highDbm, String watt, String gain) {}
}
