package org.tubrin.server.practice;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.practice.Debrief;
import org.tubrin.core.practice.Hidden;
import org.tubrin.core.practice.Lesson;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;

/** What the page shows of exercises, in words. */
final class PracticeViews {
    private PracticeViews() {}

    /**
     * A lesson.
     *
     * @param alone points that a person came to in the campaign who is told nothing
     * @param helped points of one who follows the next move
     * @param times how often it was played here to its end
     * @param best most points here; null where it was not played to its end
     */
    record LessonView(
            Lesson code,
            String name,
            String says,
            int alone,
            int helped,
            int times,
            @Nullable Integer best) {}

    /** An amplifier to practise on; without an id the one that is the same for everybody. */
    record PracticeAmplifierView(@Nullable UUID id, String name) {}

    /** An exercise in the list. */
    record PracticeLine(
            UUID id,
            String lesson,
            String code,
            boolean helped,
            String startedOn,
            boolean ended,
            @Nullable Integer points) {}

    /** Lessons, the exercise of the week, what to practise on, and the newest exercises. */
    record PracticesView(
            List<LessonView> lessons,
            Lesson weekLesson,
            int weekSeed,
            String week,
            List<PracticeAmplifierView> amplifiers,
            int shortWarmUpS,
            List<PracticeLine> plays) {}

    /** A code with what it is called. */
    record PanelChoice(String code, String name) {}

    /**
     * What a meter shows, in the unit of its scale.
     *
     * @param most end of its scale
     * @param limit what it is not to pass; null where it has none
     */
    record PanelMeterView(
            String meter,
            ReadingRole role,
            String name,
            double value,
            double most,
            @Nullable Double limit,
            String shown,
            String unit,
            boolean atStop) {}

    /** All that is to be seen at the panel, so many seconds after the start. */
    record PanelView(
            double atS,
            boolean keyed,
            double keyedS,
            double exciter,
            Mode mode,
            Band band,
            boolean operate,
            boolean tripped,
            double plate,
            double load,
            @Nullable ReadingRole shown,
            String range,
            boolean holds,
            double warmUpLeftS,
            boolean snapped,
            List<PanelMeterView> meters) {}

    /** A dial of the panel. */
    record PanelDialView(
            double least,
            double most,
            double markStep,
            @Nullable String card) {}

    /** What helps to the next move. */
    record HelpView(
            String sentence,
            String why,
            List<String> cautions,
            List<String> lookAt,
            @Nullable String button) {}

    /** A limit that is to be kept. */
    record PanelLimitView(String name, String most) {}

    /** A step that was noted. */
    record NotedStepView(double driveW, @Nullable Double outputW) {}

    /** Something that was said to be wrong. */
    record SaidView(String name, boolean right, double atS) {}

    /**
     * An exercise being played.
     *
     * @param code by which others play the same
     * @param exciterUnit what the exciter's setting counts
     * @param matcher what its matcher wants; null where there is none
     * @param help null where none is wanted
     * @param causes what can be said to be wrong
     */
    record PlayView(
            UUID id,
            int sequence,
            String lesson,
            String goal,
            String code,
            String amplifier,
            boolean ended,
            Band band,
            String place,
            List<PanelLimitView> limits,
            PanelDialView plateDial,
            PanelDialView loadDial,
            String loadSense,
            double exciterLeast,
            double exciterMost,
            double exciterStep,
            String exciterUnit,
            List<PanelChoice> bands,
            List<PanelChoice> modes,
            List<PanelChoice> positions,
            List<PanelChoice> ranges,
            @Nullable String matcher,
            double keyDownAimS,
            double keyDownStopS,
            @Nullable HelpView help,
            List<NotedStepView> steps,
            List<PanelChoice> causes,
            List<SaidView> said,
            PanelView panel) {}

    /** What a subject was worth. */
    record MarkView(Debrief.Subject subject, String name, String figure, String says, int points, int most) {}

    /** A place of a climb: drive and output in watts, marks of the dials. */
    record ClimbPlaceView(double atS, double driveW, double outputW, double plate, double load) {}

    /** A place of both dials. */
    record DialsPlaceView(double plate, double load) {}

    /**
     * Output over both dials at the drive of the best end.
     *
     * @param outputs in watts, row by row, LOAD slow and PLATE fast
     */
    record TerrainView(
            double driveW, List<Double> plates, List<Double> loads, List<Double> outputs, List<Double> heights) {}

    /** Something that cost. */
    record MomentView(
            double fromS, double toS, String says, @Nullable String signs) {}

    /** Something hidden, and what became of it. */
    record FindView(
            Hidden code,
            String name,
            String tells,
            @Nullable Double atS) {}

    /** How things really stood at a moment; output and heat as shown, currents in mA. */
    record MomentSampleView(
            double atS,
            boolean keyed,
            double driveW,
            double plate,
            double load,
            double outputW,
            double plateMa,
            double gridMa,
            double heatPercent) {}

    /**
     * What an exercise came to.
     *
     * @param own the key-downs that were made
     * @param best the climb of somebody who knows the station
     */
    record DebriefView(
            UUID id,
            String lesson,
            String code,
            String amplifier,
            boolean helped,
            Instant startedAt,
            int points,
            List<MarkView> marks,
            List<ClimbPlaceView> own,
            List<ClimbPlaceView> best,
            ClimbPlaceView bestEnd,
            List<DialsPlaceView> ridge,
            TerrainView terrain,
            List<MomentView> moments,
            List<FindView> found,
            List<SaidView> said,
            List<MomentSampleView> samples,
            double plateLimitMa,
            double gridLimitMa,
            double licenceW) {}
}
