package org.tubrin.server.practice;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.practice.Act;
import org.tubrin.core.practice.Exercise;
import org.tubrin.core.practice.Hidden;
import org.tubrin.core.practice.Lesson;
import org.tubrin.core.practice.Panel;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Control;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.PowerStep;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.server.station.Stations;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.web.Required;

/** Practice at the panel of a simulated station. */
@RestController
@RequestMapping("/api/practices")
public class PracticeController {
    private final Practices practices;
    private final PracticeViewer viewer;
    private final Stations stations;

    PracticeController(Practices practices, PracticeViewer viewer, Stations stations) {
        this.practices = practices;
        this.viewer = viewer;
        this.stations = stations;
    }

    /** In which steps the exciter's power is set. */
    public enum ExciterScale {
        TENTHS,
        WHOLE_WATTS,
        PERCENT;

        PowerStep step() {
            return switch (this) {
                case TENTHS -> new PowerStep(PowerStep.Scale.WATT, 0.1);
                case WHOLE_WATTS -> new PowerStep(PowerStep.Scale.WATT, 1);
                case PERCENT -> new PowerStep(PowerStep.Scale.PERCENT, 1);
            };
        }
    }

    /**
     * An exercise to begin.
     *
     * @param id of the caller's; the same again begins nothing new
     * @param seed 0 to 999 999; any where it is absent
     * @param amplifierId one of the station's with tubes and a twin; the one that is the same for everybody where it is absent
     */
    public record PracticeRequest(
            UUID id,
            Lesson lesson,
            @Nullable Integer seed,
            Panel.Kind panel,
            ExciterScale scale,
            boolean shortWarmUp,
            boolean helped,
            @Nullable UUID amplifierId) {}

    /** What is done at the panel. */
    public enum Does {
        /** With {@code control} and {@code to}. */
        TURN,
        /** With {@code on}: down or up. */
        KEY,
        /** With {@code band}. */
        BAND,
        /** With {@code mode}. */
        MODE,
        /** With {@code on}. */
        OPERATE,
        /** With {@code role}. */
        METER,
        /** With {@code range}. */
        RANGE,
        /** With {@code on}: whether the wattmeter holds peaks. */
        DETECTOR,
        MATCH,
        RESET,
        READ,
        DONE,
        /** With {@code hidden}. */
        NAME,
        END
    }

    /**
     * An act.
     *
     * @param clientId of the caller's; the same again does nothing more
     * @param to a mark, or the exciter's setting
     */
    public record PracticeActRequest(
            UUID clientId,
            Does does,
            @Nullable Control control,
            @Nullable Double to,
            @Nullable Boolean on,
            @Nullable Band band,
            @Nullable Mode mode,
            @Nullable ReadingRole role,
            @Nullable String range,
            @Nullable Hidden hidden) {

        /** Returns the act; the exciter's power is in the unit of its setting. */
        Act act(Exercise exercise) {
            return switch (does) {
                case TURN ->
                    new Act.Turned(
                            Required.given("control", control),
                            control == Control.DRIVE
                                    ? exercise.exciterW(Required.given("to", to))
                                    : Required.given("to", to));
                case KEY -> new Act.Keyed(Required.given("on", on));
                case BAND -> new Act.BandSet(Required.given("band", band));
                case MODE -> new Act.ModeSet(Required.given("mode", mode));
                case OPERATE -> new Act.OperateSet(Required.given("on", on));
                case METER -> new Act.MeterSwitched(Required.given("role", role));
                case RANGE -> new Act.RangeSet(Required.given("range", range));
                case DETECTOR -> new Act.DetectorSet(Required.given("on", on));
                case MATCH -> new Act.Matched();
                case RESET -> new Act.Reset();
                case READ -> new Act.Read();
                case DONE -> new Act.Done();
                case NAME -> new Act.Named(Required.given("hidden", hidden));
                case END -> new Act.Ended();
            };
        }
    }

    @GetMapping
    PracticeViews.PracticesView all() {
        LocalDate day = LocalDate.ofInstant(practices.today(), ZoneOffset.UTC);
        return viewer.all(day, ownAmplifiers());
    }

    private List<Stations.Stored> ownAmplifiers() {
        return stations.readableEquipment().stream()
                .filter(one -> one.equipment() instanceof Amplifier amplifier
                        && TubeTwin.of(amplifier).isPresent())
                .toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    PracticeViews.PlayView begin(@RequestBody PracticeRequest request) {
        Exercise exercise = new Exercise(
                request.lesson(),
                request.seed() == null ? new Random().nextInt(Exercise.MOST_SEED + 1) : request.seed(),
                request.panel(),
                request.scale().step(),
                request.shortWarmUp(),
                request.helped(),
                amplifier(request.amplifierId()),
                practices.names(),
                Optional.of(Lesson.faults()));
        practices.begin(request.id(), exercise);
        return one(request.id());
    }

    private Amplifier amplifier(@Nullable UUID id) {
        if (id == null) {
            return practices.trainingAmplifier();
        }
        return ownAmplifiers().stream()
                .filter(one -> one.id().equals(id))
                .map(one -> (Amplifier) one.equipment())
                .findFirst()
                .orElseThrow(() -> new Refused(
                        new Problem(ProblemCode.UNKNOWN_NAME, "amplifierId", id.toString(), new Allowed.Nothing())));
    }

    @GetMapping("/{id}")
    PracticeViews.PlayView one(@PathVariable UUID id) {
        return practices.now(id, viewer::play);
    }

    /** Returns what is to be seen at the panel at this moment. */
    @GetMapping("/{id}/now")
    PracticeViews.PanelView now(@PathVariable UUID id) {
        return practices.now(id, one -> viewer.panel(one.play()));
    }

    @PostMapping("/{id}/acts")
    PracticeViews.PlayView act(@PathVariable UUID id, @RequestBody PracticeActRequest request) {
        return practices.does(id, request.clientId(), request::act, viewer::play);
    }

    /** Returns what one came to that has ended. */
    @GetMapping("/{id}/debrief")
    PracticeViews.DebriefView debrief(@PathVariable UUID id) {
        return practices.now(id, one -> {
            if (!one.play().ended()) {
                throw new NotThere(id.toString());
            }
            return viewer.debrief(one);
        });
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        practices.remove(id);
    }
}
