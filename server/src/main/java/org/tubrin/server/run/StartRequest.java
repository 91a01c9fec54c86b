package org.tubrin.server.run;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;

/**
 * What a run is to be about.
 *
 * @param runId made by the caller: a run of the same id is begun once
 * @param amplifierId the amplifier
 * @param exciterId the exciter
 * @param carrier mode of the carrier
 * @param meterIds the meters in use
 * @param terminationId load or antenna
 * @param band the band
 * @param frequency in MHz, as typed
 * @param school how to decide
 * @param warmUpSpeed 1, or more for demonstration
 * @param source where readings come from
 * @param padId between exciter and amplifier; absent where there is none
 * @param rungs how the ladder is spaced; absent for the school's own custom
 * @param ownDrives for a ladder of one's own: watts as typed, parted by spaces or semicolons
 * @param wantedOutput output at which a drive table ends, in watts, as typed; absent where it goes as far as the amplifier is rated for
 * @param switchPosition of the amplifier's own mode switch; absent to leave it as the record has it
 * @param sound the way of the sound whose level is tried; absent for every other run
 * @param firstCeiling plate current not to pass at the first step, in amperes, as typed; absent where none is named
 */
public record StartRequest(
        UUID runId,
        UUID amplifierId,
        UUID exciterId,
        Mode carrier,
        List<UUID> meterIds,
        UUID terminationId,
        Band band,
        String frequency,
        School school,
        @Nullable Double warmUpSpeed,
        ReadingSource source,
        @Nullable UUID padId,
        @Nullable Rungs rungs,
        @Nullable String ownDrives,
        @Nullable String firstCeiling,
        @Nullable String wantedOutput,
        @Nullable String switchPosition,
        @Nullable SoundEntry sound) {

    /**
     * The way of the sound, as typed.
     *
     * @param program what makes it, and which of its sliders is moved
     * @param device what carries it to the exciter
     * @param systemVolume of the computer, in per cent; absent where there is none
     * @param setPower of the exciter, in watts
     * @param otherPower a second one
     * @param low tone in hertz
     * @param middle tone in hertz
     * @param high tone in hertz
     */
    public record SoundEntry(
            String program,
            String device,
            @Nullable String systemVolume,
            String setPower,
            String otherPower,
            String low,
            String middle,
            String high) {

        SoundPath path(Exciter exciter) {
            return new SoundPath(
                    program.strip(),
                    device.strip(),
                    Optional.ofNullable(systemVolume)
                            .filter(text -> !text.isBlank())
                            .map(text -> NumberEntry.parsePlain("sound.systemVolume", text, 1, 100, Unit.ONE) / 100),
                    power("sound.setPower", setPower, exciter),
                    power("sound.otherPower", otherPower, exciter),
                    tone("sound.low", low),
                    tone("sound.middle", middle),
                    tone("sound.high", high));
        }

        private static double power(String field, String text, Exciter exciter) {
            return NumberEntry.parsePlain(field, text, exciter.powerMinW(), exciter.powerMaxW(), Unit.WATT);
        }

        private static double tone(String field, String text) {
            return NumberEntry.parsePlain(field, text, 50, 5000, Unit.HERTZ);
        }
    }
}
