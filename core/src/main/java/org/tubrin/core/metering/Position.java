package org.tubrin.core.metering;

/**
 * How the switches of a meter stand.
 *
 * @param role what it reads then
 * @param indication how it shows it
 */
public record Position(ReadingRole role, Indication indication) {
    /** Returns whether it reads power in a line: at the input, or at the output on its way out or back. */
    public boolean readsPower() {
        return role == ReadingRole.INPUT_POWER || role == ReadingRole.OUTPUT || role == ReadingRole.REFLECTED;
    }
}
