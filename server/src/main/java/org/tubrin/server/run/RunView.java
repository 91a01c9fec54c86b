package org.tubrin.server.run;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.advice.KeyClock;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.StepFigure;
import org.tubrin.core.run.Use;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Mode;
import org.tubrin.server.words.Figures.Figure;

/** All that the screens of one run show, derived from its events at one moment; in JSON its parts lie side by side. */
public record RunView(
        @JsonUnwrapped Moment moment,
        @JsonUnwrapped About about,
        @JsonUnwrapped Climb climb,
        @JsonUnwrapped Doing doing,
        @JsonUnwrapped Beside beside) {

    /** Which run, and where it stands at the time. */
    public record Moment(UUID id, long sequence, RunState.Phase phase, Instant startedAt, Instant now) {}

    /** What the run is about. */
    public record About(
            String title,
            String subtitle,
            String band,
            double frequencyHz,
            String amplifier,
            String termination,
            String exciter,
            Mode carrier,
            RunKind kind,
            School school,
            String schoolName,
            Use use,
            List<SchoolName> maySwitchTo,
            double licenceLimitW,
            List<Double> drivesW,
            ReadingSource source,
            boolean twin) {}

    /** Its steps, and what they come to. */
    public record Climb(
            List<Node> line,
            List<Row> rows,
            List<StepView> steps,
            StepView draft,
            RoomsView room,
            List<SignView> signs,
            List<DialView> dials,
            @Nullable LevelView levels,
            @Nullable BiasView bias,
            @Nullable MatchView match,
            @Nullable ChainClimbView chain,
            @Nullable ScopeView scope,
            @Nullable VoltsView volts,
            @Nullable ResonanceView resonance,
            @Nullable WattmetersView wattmeters) {}

    /**
     * What is to be done, and the time for it.
     *
     * @param onceDone what is to be done after that, as far as it is known before; null where the move is done by other means
     */
    public record Doing(
            AdviceView advice,
            @Nullable AdviceView onceDone,
            ClockView clock,
            WarmView warm,
            List<CheckView> preflight,
            List<CheckView> closing,
            List<SeenSign> mayReport,
            List<CorrectionView> corrections) {}

    /** What is to be minded beside it. */
    public record Beside(
            List<String> notes,
            @Nullable String conditions,
            List<String> onAir,
            List<GuardView> guard,
            List<SchoolEndView> schoolEnds) {}

    /** A mode's power in the exciter against what was tuned for, in watts. */
    public record GuardView(
            String mode,
            String set,
            String most,
            @Nullable String output,
            boolean above,
            String says,
            @Nullable String level) {}

    /** A school that the run may go on by. */
    public record SchoolName(School code, String name) {}

    /** Where a school would have set the dials, by the twin. */
    public record SchoolEndView(
            String schools,
            String plate,
            String load,
            double outputW,
            double gridCurrentA,
            double heatPerTubeW,
            @Nullable Double thirdDb) {}

    /** A box on the signal line; {@code toNext} stands between it and the next. */
    public record Node(String title, String detail, boolean watch, String toNext) {}

    /** A row of the step table that is read off a meter; {@code pointer} is null of one that shows figures. */
    public record Row(
            ReadingRole role,
            String label,
            String unit,
            String instrument,
            String range,
            List<String> ranges,
            boolean asked,
            @Nullable PointerScale pointer) {}

    /**
     * The scale of a meter with a pointer, in its unit.
     *
     * @param fullScale end of the range that it stands on
     * @param stop what it shows where the hand goes back; null where it watches no limit
     * @param stopShown the same in figures
     */
    public record PointerScale(
            double fullScale,
            @Nullable Double stop,
            @Nullable String stopShown) {}

    /** A reading in its place, as it was read, and corrected where its meter was compared with a better one. */
    public record Cell(
            ReadingRole role,
            String shown,
            @Nullable String corrected,
            String range,
            @Nullable String question,
            boolean confirmed) {}

    /** One column of the step table. */
    public record StepView(
            int place,
            Step.Kind kind,
            @Nullable Double driveW,
            @Nullable String drive,
            @Nullable String plate,
            @Nullable String load,
            @Nullable String tone,
            @Nullable String level,
            @Nullable String device,
            @Nullable String path,
            @Nullable String attenuator,
            @Nullable String supply,
            @Nullable String modules,
            @Nullable String motor,
            List<Control> moved,
            List<Cell> cells,
            @Nullable Figure output,
            @Nullable Double doublingW,
            @Nullable Figure growth,
            @Nullable Figure efficiency,
            @Nullable Figure heatPerTube,
            @Nullable Figure heatPerTubeCorrected,
            @Nullable Figure gain,
            @Nullable Figure sag,
            @Nullable Advice expected,
            boolean complete,
            List<ReadingRole> unread,
            List<Sign.Code> signs,
            List<RunLive.ExpectedCell> twin) {

        /** Output to expect, in watts. */
        public record Advice(double leastW, double mostW) {}
    }

    /**
     * The next move.
     *
     * @param missing what it reads, or looks at again
     * @param mayLeave which of them the step can do without
     * @param meterSwitch where the switch of a panel meter goes; absent where no meter has one
     */
    public record AdviceView(
            MoveCode move,
            String sentence,
            String why,
            String rule,
            @Nullable String expect,
            List<String> cautions,
            List<String> lookAt,
            @Nullable String button,
            @Nullable Control control,
            @Nullable Double from,
            @Nullable Double to,
            @Nullable Double leftS,
            List<ReadingRole> missing,
            List<ReadingRole> mayLeave,
            @Nullable String meterSwitch,
            List<StopView> stops,
            @Nullable Check onSignal) {}

    /** What a meter is not to pass while a knob is turned, as it shows it. */
    public record StopView(ReadingRole role, String label, String shown) {}

    /** Room left, at the step it is reckoned for. */
    public record RoomsView(
            int place,
            @Nullable String atDrive,
            List<RoomView> rooms,
            @Nullable String lowered) {}

    /**
     * Room left to one limit; all numbers in the unit shown.
     *
     * @param share the value as a share of the limit
     * @param role the reading that is held against it; null where it is no reading
     * @param figure the figure that is; null where it is none
     */
    public record RoomView(
            String kind,
            String label,
            String shown,
            String verdict,
            String verdictWords,
            double value,
            double halfWidth,
            double limit,
            double share,
            @Nullable ReadingRole role,
            @Nullable StepFigure figure) {}

    /** The key-down clock. */
    public record ClockView(
            KeyClock.Phase phase,
            Instant since,
            double aimS,
            double stopS,
            @Nullable Double restS,
            double lastKeyDownS,
            @Nullable Double temperatureC,
            boolean hot,
            @Nullable String load,
            @Nullable String tubes) {}

    /** The warm-up. */
    public record WarmView(@Nullable Instant heatersOnSince, double wholeS, double leftS, double speed) {}

    /** A dial with where it stands, where it should go, and where the twin has it for the drive in hand. */
    public record DialView(
            Control control,
            double least,
            double most,
            double markStep,
            @Nullable Double position,
            @Nullable String shown,
            @Nullable Double adviseTo,
            @Nullable Double twinAt,
            String hint) {}

    /** A sign: what it means, what to do, what it rests on, and how certain that is. */
    public record SignView(
            Sign.Code code,
            Sign.Severity severity,
            String title,
            String meaning,
            String act,
            List<String> evidence,
            String certainty) {}

    /** A point to answer for. */
    public record CheckView(String code, String text, Check.Moment moment, boolean answered, boolean due) {}

    /**
     * What reading all meters at this moment would come to.
     *
     * @param id says which readings they are
     * @param sequence where the run stands before it
     * @param draft the step in hand, without what is expected of it
     */
    public record IfRead(UUID id, long sequence, StepView draft, RoomsView room, List<SignView> signs) {}

    /** A meter in use whose record was corrected since. */
    public record CorrectionView(UUID meterId, String meter) {}
}
