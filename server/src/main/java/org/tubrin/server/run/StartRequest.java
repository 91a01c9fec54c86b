package org.tubrin.server.run;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.metering.Position;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.resonance.ResonancePlan;
import org.tubrin.core.resonance.Witness;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.Use;
import org.tubrin.core.scope.ScopePlan;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;

/**
 * What a run is to be about.
 *
 * @param runId made by the caller: a run of the same id is begun once
 * @param amplifierId the amplifier
 * @param exciterId the exciter
 * @param carrier mode of the carrier
 * @param meterIds the meters in use
 * @param positions of the meters that can show power in several ways, each with the ways in use; absent for what is customary
 * @param terminationId load or antenna
 * @param band the band
 * @param frequency in MHz, as typed
 * @param school how to decide
 * @param warmUpSpeed 1, or more for demonstration
 * @param source where readings come from
 * @param padId between exciter and amplifier; absent where there is none
 * @param rungs how the ladder is spaced; absent for the school's own custom
 * @param ownDrives for a ladder of one's own: watts as typed, parted by spaces or semicolons
 * @param wantedOutput output at which a drive table ends, in watts, as typed; absent where it goes as far as the amplifier is rated for. Of a long
 *     carrier what it is to bring; absent for what is customary
 * @param use what the dials are to be for; absent for speech and CW, and where there are none
 * @param unfiltered whether no filter stands between amplifier and wattmeter; absent where one does
 * @param switchPosition of the amplifier's own mode switch; absent to leave it as the record has it
 * @param sound the way of the sound whose level is tried; absent for every other run
 * @param bias the idle current that is set; absent for every other run
 * @param chain what is driven up; absent for every other run
 * @param scope what a waveform check expects; absent for every other run
 * @param resonance what an antenna is watched by; absent for every other run
 * @param unread what is left unread though a meter in use could show it; absent where nothing is
 * @param modules how many modules of an amplifier that switches are in; absent for all
 * @param pace of one's own; absent for what is customary
 * @param firstCeiling plate current not to pass at the first step, in amperes, as typed; absent where none is named
 */
public record StartRequest(
        UUID runId,
        UUID amplifierId,
        UUID exciterId,
        Mode carrier,
        List<UUID> meterIds,
        @Nullable List<PositionEntry> positions,
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
        @Nullable Use use,
        @Nullable Boolean unfiltered,
        @Nullable List<ReadingRole> unread,
        @Nullable String switchPosition,
        @Nullable SoundEntry sound,
        @Nullable BiasEntry bias,
        @Nullable ChainRequest chain,
        @Nullable ScopeEntry scope,
        @Nullable ResonanceEntry resonance,
        @Nullable Integer modules,
        @Nullable PaceEntry pace) {
    private static final double PERCENT = 100;

    /** A position in use of a meter. */
    public record PositionEntry(UUID meterId, Position position) {}

    /** Returns what the dials are to be for. */
    Use dialsFor() {
        return use == null ? Use.SPEECH_AND_CW : use;
    }

    /** Returns the meters as they are read in the run, by their records; refuses positions of a meter that is not in use. */
    List<Meter> meters(Function<UUID, Meter> record) {
        List<PositionEntry> named = positions == null ? List.of() : positions;
        for (PositionEntry one : named) {
            if (!meterIds.contains(one.meterId())) {
                throw new Refused(new Problem(
                        ProblemCode.UNKNOWN_NAME,
                        "positions",
                        one.meterId().toString(),
                        new Allowed.OneOf(meterIds.stream().map(UUID::toString).toList())));
            }
        }
        return meterIds.stream().map(id -> inUse(record.apply(id), id, named)).toList();
    }

    private Meter inUse(Meter meter, UUID id, List<PositionEntry> named) {
        List<Position> own = named.stream()
                .filter(one -> one.meterId().equals(id))
                .map(PositionEntry::position)
                .toList();
        return meter.in(own.isEmpty() ? meter.usualPositions(school == School.PULSED) : own);
    }

    /**
     * How fast and how near the limits, as typed; each empty for what is customary.
     *
     * @param aim of a key-down, in seconds
     * @param stop of a key-down, in seconds
     * @param rest the least between two, in seconds
     * @param margin by which the limits of the amplifier are lowered, in per cent
     */
    public record PaceEntry(
            @Nullable String aim,
            @Nullable String stop,
            @Nullable String rest,
            @Nullable String margin) {
        boolean leavesAim() {
            return aim == null || aim.isBlank();
        }

        TuneSettings in(TuneSettings usual) {
            double stopS = number("pace.stop", stop, 1, 120, Unit.SECOND, usual.keyDownStopS());
            return usual.at(
                    number("pace.aim", aim, 1, stopS, Unit.SECOND, Math.min(stopS, usual.keyDownAimS())),
                    stopS,
                    number("pace.rest", rest, 0, 120, Unit.SECOND, usual.restS()),
                    margin == null || margin.isBlank()
                            ? 0
                            : NumberEntry.parsePercent("pace.margin", margin, 0, PERCENT * TuneSettings.MOST_MARGIN));
        }

        private static double number(
                String field, @Nullable String text, double least, double most, Unit unit, double otherwise) {
            return text == null || text.isBlank() ? otherwise : NumberEntry.parsePlain(field, text, least, most, unit);
        }
    }

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
                            .map(text -> NumberEntry.parsePercent("sound.systemVolume", text, 1, 100)),
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
            return NumberEntry.parsePlain(field, text, SoundPath.LOWEST_HZ, SoundPath.HIGHEST_HZ, Unit.HERTZ);
        }
    }

    /**
     * What an antenna is watched by.
     *
     * @param witness phase, or volts and amperes
     * @param agreesAt volts over amperes at a match, as typed; absent for 50
     */
    public record ResonanceEntry(Witness witness, @Nullable String agreesAt) {
        private static final double OHM = 50;

        ResonancePlan plan() {
            return new ResonancePlan(
                    witness,
                    Optional.ofNullable(agreesAt)
                            .filter(text -> !text.isBlank())
                            .map(text -> NumberEntry.parsePlain(
                                    "resonance.agreesAt",
                                    text,
                                    ResonancePlan.LEAST_RATIO,
                                    ResonancePlan.MOST_RATIO,
                                    Unit.ONE))
                            .orElse(OHM));
        }
    }

    /**
     * What a waveform check expects, as typed, in watts.
     *
     * @param drive what the exciter sends at its peaks
     * @param output what the amplifier is to bring
     */
    public record ScopeEntry(String drive, String output) {
        ScopePlan plan() {
            return new ScopePlan(
                    NumberEntry.parsePlain(
                            "scope.drive", drive, ScopePlan.LEAST_DRIVE_W, ScopePlan.MOST_DRIVE_W, Unit.WATT),
                    NumberEntry.parsePlain(
                            "scope.output", output, ScopePlan.LEAST_OUTPUT_W, ScopePlan.MOST_OUTPUT_W, Unit.WATT));
        }
    }

    /**
     * The idle current, as typed.
     *
     * @param devices transistors with a pot of their own
     * @param idle wanted of each, in milliamperes
     * @param because where that figure is from
     * @param nominal resistance of the sense resistor as printed, in ohms; absent where an ammeter is used
     * @param measured its resistance as measured
     * @param bound what the measurement may be off, in per cent
     * @param potTurns of a pot from end to end
     * @param newBoard whether the devices are not yet in
     */
    public record BiasEntry(
            String devices,
            String idle,
            String because,
            @Nullable String nominal,
            @Nullable String measured,
            @Nullable String bound,
            String potTurns,
            boolean newBoard) {

        BiasPlan plan() {
            return new BiasPlan(
                    count("bias.devices", devices),
                    milliamperes("bias.idle", idle),
                    because.strip(),
                    isGiven(nominal) || isGiven(measured)
                            ? Optional.of(new BiasPlan.Sense(
                                    ohm("bias.nominal", nominal),
                                    ohm("bias.measured", measured),
                                    NumberEntry.parsePercent(
                                            "bias.bound",
                                            text(bound),
                                            PERCENT * BiasPlan.Sense.LEAST_BOUND,
                                            PERCENT * BiasPlan.Sense.MOST_BOUND)))
                            : Optional.empty(),
                    NumberEntry.parsePlain(
                            "bias.potTurns", potTurns, BiasPlan.LEAST_TURNS, BiasPlan.MOST_TURNS, Unit.ONE),
                    newBoard);
        }

        private static int count(String field, String text) {
            double count = NumberEntry.parsePlain(field, text, 1, BiasPlan.MOST_DEVICES, Unit.ONE);
            if (count != Math.rint(count)) {
                throw new Refused(new Problem(
                        ProblemCode.OUT_OF_RANGE,
                        field,
                        text,
                        new Allowed.OneOf(IntStream.rangeClosed(1, BiasPlan.MOST_DEVICES)
                                .mapToObj(Integer::toString)
                                .toList())));
            }
            return (int) count;
        }

        private static double milliamperes(String field, String text) {
            return NumberEntry.parse(field, text, ScaleUnit.MA, BiasPlan.LEAST_IDLE_A, BiasPlan.MOST_IDLE_A);
        }

        private static boolean isGiven(@Nullable String text) {
            return !text(text).isBlank();
        }

        private static String text(@Nullable String text) {
            return text == null ? "" : text;
        }

        private static double ohm(String field, @Nullable String text) {
            return NumberEntry.parsePlain(
                    field, text(text), BiasPlan.Sense.LEAST_OHM, BiasPlan.Sense.MOST_OHM, Unit.OHM);
        }
    }
}
