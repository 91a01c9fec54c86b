package org.tubrin.server.practice;

import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.advice.KeyClock;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.practice.BestClimb;
import org.tubrin.core.practice.Course;
import org.tubrin.core.practice.Debrief;
import org.tubrin.core.practice.Exercise;
import org.tubrin.core.practice.Hidden;
import org.tubrin.core.practice.Lesson;
import org.tubrin.core.practice.Panel;
import org.tubrin.core.practice.Play;
import org.tubrin.core.practice.Terrain;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.PowerStep;
import org.tubrin.core.tank.Dial;
import org.tubrin.server.run.AdviceWords;
import org.tubrin.server.run.RunView;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Says exercises. */
@Component
class PracticeViewer {
    private static final int MARK_DECIMALS = 3;
    private static final double PERCENT = 100;
    private static final double MILLI = 1000;
    private static final String THIN = "\u2009";
    private static final Map<String, Object> MATCHER = Map.of(
            "least", Lesson.MATCH_LEAST_W,
            "most", Lesson.MATCH_MOST_W,
            "s", Lesson.MATCH_S);

    private final Practices practices;
    private final AdviceWords advice;
    private final Words words;

    PracticeViewer(Practices practices, AdviceWords advice, Words words) {
        this.practices = practices;
        this.advice = advice;
        this.words = words;
    }

    PracticeViews.PracticesView all(LocalDate day, List<Stations.Stored> own) {
        Map<String, PracticeMapper.LessonRow> played = practices.lessons().stream()
                .collect(Collectors.toMap(PracticeMapper.LessonRow::lesson, Function.identity()));
        List<PracticeViews.PracticeAmplifierView> amplifiers = new ArrayList<>();
        amplifiers.add(new PracticeViews.PracticeAmplifierView(null, words.say("practice.sameForAll")));
        own.forEach(one -> amplifiers.add(new PracticeViews.PracticeAmplifierView(
                one.id(), one.equipment().name())));
        return new PracticeViews.PracticesView(
                Stream.of(Lesson.values())
                        .map(lesson -> lesson(lesson, Optional.ofNullable(played.get(lesson.name()))))
                        .toList(),
                Exercise.lessonOfWeek(day),
                Exercise.seedOfWeek(day),
                day.get(IsoFields.WEEK_BASED_YEAR) + "-W"
                        + String.format(Locale.ROOT, "%02d", day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR)),
                amplifiers,
                (int) Exercise.SHORT_S,
                practices.newest().stream().map(this::line).toList());
    }

    private PracticeViews.LessonView lesson(Lesson lesson, Optional<PracticeMapper.LessonRow> row) {
        return new PracticeViews.LessonView(
                lesson,
                name(lesson),
                words.say("practice.says." + lesson, MATCHER),
                lesson.pointsAlone(),
                lesson.pointsHelped(),
                row.map(PracticeMapper.LessonRow::times).orElse(0),
                row.map(one -> (int) Math.round(one.mostPoints())).orElse(null));
    }

    private String name(Lesson lesson) {
        return words.say("practice.lesson." + lesson);
    }

    private PracticeViews.PracticeLine line(PracticeRow row) {
        Lesson lesson = Lesson.valueOf(row.lesson());
        return new PracticeViews.PracticeLine(
                row.id(),
                name(lesson),
                code(lesson, row.seed()),
                row.helped(),
                Figures.day(row.startedAt()),
                row.endedAt() != null,
                row.points() == null ? null : (int) Math.round(row.points()));
    }

    /** By it others play the same. */
    private static String code(Lesson lesson, int seed) {
        return String.format(Locale.ROOT, "%d-%06d", List.of(Lesson.values()).indexOf(lesson) + 1, seed);
    }

    PracticeViews.PlayView play(Practices.Played one) {
        Play play = one.play();
        Exercise exercise = play.exercise();
        TuneSetup setup = play.setup();
        return new PracticeViews.PlayView(
                one.row().id(),
                one.sequence(),
                name(exercise.lesson()),
                words.say("practice.goal." + exercise.lesson()),
                code(exercise.lesson(), exercise.seed()),
                exercise.amplifier().name(),
                play.ended(),
                setup.band(),
                words.say(
                        "practice.place",
                        Map.of(
                                "band", words.name(setup.band().name()),
                                "frequency", Figures.fixed(setup.frequencyHz() / 1e6, 3),
                                "into", setup.termination().name())),
                limits(setup),
                dial(setup, Control.PLATE),
                dial(setup, Control.LOAD),
                words.say("dial.LOAD." + setup.tubes().loadSense()),
                exercise.setting(setup.exciter().powerMinW()),
                exercise.setting(setup.exciter().powerMaxW()),
                exercise.step().size(),
                exercise.step().scale() == PowerStep.Scale.PERCENT ? "%" : "W",
                choices(exercise.bands(), Band::name),
                choices(List.of(Mode.CW, Mode.SSB), Mode::name),
                choices(positions(setup), ReadingRole::name),
                setup.channelFor(ReadingRole.OUTPUT).orElseThrow().ranges().stream()
                        .map(range -> new PracticeViews.PanelChoice(range.name(), range.name()))
                        .toList(),
                exercise.lesson().hasAntenna() ? words.say("practice.matcher", MATCHER) : null,
                setup.settings().keyDownAimS(),
                setup.settings().keyDownStopS(),
                exercise.helped() && !play.ended() ? help(play) : null,
                play.state().steps().stream()
                        .map(step -> new PracticeViews.NotedStepView(
                                step.driveW().value(),
                                step.measured(ReadingRole.OUTPUT)
                                        .map(Quantity::value)
                                        .orElse(null)))
                        .toList(),
                Stream.of(Hidden.values())
                        .filter(hidden -> hidden.kind() == Hidden.Kind.FAULT)
                        .map(hidden -> new PracticeViews.PanelChoice(hidden.name(), name(hidden)))
                        .toList(),
                said(play.said()),
                panel(play));
    }

    private static List<ReadingRole> positions(TuneSetup setup) {
        return Stream.of(ReadingRole.values()).filter(setup::isSwitched).toList();
    }

    private <T> List<PracticeViews.PanelChoice> choices(List<T> of, Function<T, String> code) {
        return of.stream()
                .map(code)
                .map(one -> new PracticeViews.PanelChoice(one, words.name(one)))
                .toList();
    }

    private List<PracticeViews.PanelLimitView> limits(TuneSetup setup) {
        List<PracticeViews.PanelLimitView> limits = new ArrayList<>();
        for (ReadingRole role : List.of(
                ReadingRole.GRID_CURRENT, ReadingRole.SCREEN_CURRENT, ReadingRole.PLATE_CURRENT, ReadingRole.OUTPUT)) {
            setup.limitOf(role)
                    .filter(limit -> setup.channelFor(role).isPresent())
                    .ifPresent(limit -> {
                        ScaleUnit unit = setup.channelFor(role).orElseThrow().scaleUnit();
                        limits.add(new PracticeViews.PanelLimitView(
                                words.name(role.name()),
                                Figures.plain(limit / unit.inUnit(), 0) + THIN + unit.symbol()));
                    });
        }
        limits.add(new PracticeViews.PanelLimitView(
                words.say("practice.driveLimit"), Figures.plain(setup.topDriveW(), 1) + THIN + "W"));
        return limits;
    }

    private PracticeViews.PanelDialView dial(TuneSetup setup, Control control) {
        Dial dial =
                control == Control.PLATE ? setup.tubes().plate() : setup.tubes().load();
        boolean isKnown = setup.preset().source() != Preset.Source.NONE;
        double at = control == Control.PLATE
                ? setup.preset().plate()
                : setup.preset().load();
        return new PracticeViews.PanelDialView(
                dial.least(), dial.most(), dial.markStep(), isKnown ? Figures.dial(at) : null);
    }

    private PracticeViews.HelpView help(Play play) {
        RunView.AdviceView view = advice.view(play.advice(), play.state(), KeyClock.of(play.state(), play.now()));
        return new PracticeViews.HelpView(view.sentence(), view.why(), view.cautions(), view.lookAt(), view.button());
    }

    PracticeViews.PanelView panel(Play play) {
        Panel panel = play.panel();
        return new PracticeViews.PanelView(
                play.nowS(),
                panel.keyed(),
                panel.keyedS(),
                play.exercise().setting(panel.exciterW()),
                panel.mode(),
                panel.band(),
                panel.operate(),
                panel.tripped(),
                panel.plate(),
                panel.load(),
                panel.shown().orElse(null),
                panel.range(),
                panel.holds(),
                panel.warmUpLeftS(),
                panel.snapped(),
                panel.meters().stream().map(one -> meter(one, play.setup())).toList());
    }

    private PracticeViews.PanelMeterView meter(Panel.Showing one, TuneSetup setup) {
        double inUnit = one.unit().inUnit();
        MeterRange range = one.range();
        double division = Panel.division(range) / inUnit;
        return new PracticeViews.PanelMeterView(
                one.meter(),
                one.role(),
                words.name(one.role().name()),
                one.value() / inUnit,
                range.fullScale() / inUnit,
                setup.limitOf(one.role())
                        .filter(limit -> limit <= range.fullScale())
                        .map(limit -> limit / inUnit)
                        .orElse(null),
                Figures.fixed(one.value() / inUnit, division < 0.1 ? 2 : division < 1 ? 1 : 0),
                one.unit().symbol(),
                one.atStop());
    }

    private List<PracticeViews.SaidView> said(List<Play.Said> said) {
        return said.stream()
                .map(one -> new PracticeViews.SaidView(name(one.hidden()), one.right(), one.atS()))
                .toList();
    }

    private String name(Hidden hidden) {
        return words.say("practice.hidden." + hidden);
    }

    PracticeViews.DebriefView debrief(Practices.Played one) {
        Debrief debrief = one.debrief();
        Play play = one.play();
        TuneSetup setup = play.setup();
        BestClimb best = debrief.best();
        return new PracticeViews.DebriefView(
                one.row().id(),
                name(play.exercise().lesson()),
                code(play.exercise().lesson(), play.exercise().seed()),
                play.exercise().amplifier().name(),
                play.exercise().helped(),
                one.row().startedAt(),
                (int) Math.round(debrief.points()),
                debrief.marks().stream().map(mark -> mark(mark, debrief)).toList(),
                debrief.course().keyDowns().stream()
                        .map(end -> new PracticeViews.ClimbPlaceView(
                                end.atS(), end.driveW(), end.outputW(), end.plate(), end.load()))
                        .toList(),
                best.rungs().stream().map(PracticeViewer::place).toList(),
                place(best.end()),
                best.ridge().stream()
                        .map(dials -> new PracticeViews.DialsPlaceView(dials.plate(), dials.load()))
                        .toList(),
                terrain(Terrain.of(play, debrief)),
                debrief.course().moments().stream().map(this::moment).toList(),
                debrief.finds().stream()
                        .map(find -> new PracticeViews.FindView(
                                find.hidden(),
                                name(find.hidden()),
                                words.say("practice.tells." + find.hidden()),
                                find.atS().orElse(null)))
                        .toList(),
                said(debrief.said()),
                debrief.course().samples().stream().map(PracticeViewer::sample).toList(),
                MILLI * setup.tubes().plateCurrentLimitA(),
                MILLI * setup.tubes().gridCurrentLimitA(),
                setup.licenceW());
    }

    private static PracticeViews.TerrainView terrain(Terrain terrain) {
        return new PracticeViews.TerrainView(
                terrain.driveW(),
                Figures.rounded(terrain.plates(), MARK_DECIMALS),
                Figures.rounded(terrain.loads(), MARK_DECIMALS),
                Figures.rounded(terrain.outputs(), 1),
                terrain.heights());
    }

    private static PracticeViews.ClimbPlaceView place(BestClimb.Rung rung) {
        return new PracticeViews.ClimbPlaceView(0, rung.driveW(), rung.outputW(), rung.plate(), rung.load());
    }

    private static PracticeViews.MomentSampleView sample(Course.Sample sample) {
        return new PracticeViews.MomentSampleView(
                sample.atS(),
                sample.keyed(),
                sample.driveW(),
                sample.plate(),
                sample.load(),
                sample.outputW(),
                MILLI * sample.plateCurrentA(),
                MILLI * sample.gridCurrentA(),
                PERCENT * sample.plateHeatShare());
    }

    private PracticeViews.MarkView mark(Debrief.Mark mark, Debrief debrief) {
        double value = mark.value();
        String figure = switch (mark.subject()) {
            case OUTPUT, HEAT -> Figures.fixed(PERCENT * value, 0) + THIN + "%";
            case LIMITS ->
                words.say("practice.beyond", Map.of("beyond", Figures.fixed(value, 1), "slips", debrief.slips()));
            case CARRIER -> Figures.fixed(value, 1) + THIN + "s";
            case LINEARITY -> value == 0 ? "–" : Figures.fixed(value, 0) + THIN + "dB";
            case DIAGNOSIS ->
                words.say(
                        "practice.foundOf",
                        Map.of(
                                "found", Figures.plain(value, 0),
                                "all", Integer.toString(debrief.finds().size())));
        };
        return new PracticeViews.MarkView(
                mark.subject(),
                words.say("practice.subject." + mark.subject()),
                figure,
                words.say(
                        "practice.judged." + mark.subject(),
                        Map.of(
                                "clean", Figures.fixed(Debrief.CLEAN_DB, 0),
                                "wrong", Figures.fixed(Debrief.WRONG_POINTS, 0),
                                "best", Figures.fixed(debrief.best().end().outputW(), 0),
                                "carrier", Figures.fixed(debrief.best().carrierS(), 0))),
                (int) Math.round(mark.points()),
                (int) Math.round(mark.most()));
    }

    private PracticeViews.MomentView moment(Course.Moment moment) {
        return new PracticeViews.MomentView(
                moment.fromS(),
                moment.toS(),
                words.say(
                        "practice.cost." + moment.cost(),
                        Map.of(
                                "lasted", Figures.fixed(moment.lastedS(), 1),
                                "percent", Figures.fixed(PERCENT * moment.most(), 0))),
                signs(moment.signs()));
    }

    private @Nullable String signs(List<Sign.Code> signs) {
        return signs.isEmpty()
                ? null
                : signs.stream()
                        .map(sign -> words.say("sign." + sign + ".title"))
                        .collect(Collectors.joining(" · "));
    }
}
