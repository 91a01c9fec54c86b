package org.tubrin.server.run;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.resonance.Weather;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.SignalPath;
import org.tubrin.core.scope.Trapezoid;
import org.tubrin.core.scope.Waveform;

/**
 * Something that the operator did.
 *
 * @param clientId made by the caller: an act of the same id is taken once
 * @param expectedSequence where the caller saw the run stand
 * @param act what was done; it says which of the rest must be given
 * @param check for CHECK and LEAVE
 * @param role for READ, UNREAD and RANGE
 * @param control for SET
 * @param sign for SIGN
 * @param text as typed: for READ and SET a number, for RANGE the range, for NOTE and ABANDON words, for WARM the minutes
 *     that the heaters have been on
 * @param confirmed for READ: the operator was asked whether it is so
 * @param products for PRODUCTS
 * @param waveform for WAVEFORM
 * @param trapezoid for TRAPEZOID
 * @param weather for WEATHER
 * @param school for SCHOOL
 * @param conditions for CONDITIONS
 * @param meterId for CORRECT
 * @param told for TAKE: the readings that were shown when it was pressed; absent for those of now
 */
public record ActRequest(
        UUID clientId,
        long expectedSequence,
        Act act,
        @Nullable Check check,
        @Nullable ReadingRole role,
        @Nullable Control control,
        @Nullable SeenSign sign,
        @Nullable String text,
        @Nullable Boolean confirmed,
        @Nullable ProductsEntry products,
        @Nullable Waveform waveform,
        @Nullable Trapezoid trapezoid,
        @Nullable Weather weather,
        @Nullable School school,
        @Nullable ConditionsEntry conditions,
        @Nullable UUID meterId,
        @Nullable UUID told) {

    /**
     * What the run is made under, as typed; each may be left away.
     *
     * @param lineVoltage in volts
     * @param ambient in °C
     * @param resting plate current keyed without drive, in the unit of its meter
     */
    public record ConditionsEntry(
            @Nullable String lineVoltage,
            @Nullable String ambient,
            @Nullable String resting) {}

    /**
     * Two-tone products as typed, in decibels below; the fifth may be left away.
     *
     * @param through what the signal went through
     * @param toPep whether they count from PEP, else from one tone
     */
    public record ProductsEntry(
            SignalPath through, String third, @Nullable String fifth, boolean toPep) {}

    /** Kinds of act. */
    public enum Act {
        /** Did what the advice says. */
        FOLLOW,
        CHECK,
        /** Leaves a closing point unmeasured. */
        LEAVE,
        /** Goes on with the corrected record of a meter in use. */
        CORRECT,
        WARM,
        KEY,
        UNKEY,
        READ,
        /** Leaves a reading of the step in hand out. */
        UNREAD,
        /** Reads all meters that have a source, over the last half second; what is late is waited for. */
        TAKE,
        RANGE,
        SET,
        AGAIN,
        RECORD,
        UNDO,
        SIGN,
        PRODUCTS,
        WAVEFORM,
        /** What the output over the drive looks like. */
        TRAPEZOID,
        WEATHER,
        SCHOOL,
        CONDITIONS,
        NOTE,
        FINISH,
        ABANDON
    }
}
