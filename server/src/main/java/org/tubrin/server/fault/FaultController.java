package org.tubrin.server.fault;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.faults.CaseStep;
import org.tubrin.core.faults.Cause;
import org.tubrin.core.faults.Diagnosis;
import org.tubrin.core.faults.FaultCase;
import org.tubrin.core.faults.FaultCheck;
import org.tubrin.core.faults.Symptom;
import org.tubrin.core.faults.Within;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Stage;
import org.tubrin.server.station.Stations;
import org.tubrin.server.web.Required;
import org.tubrin.server.web.Stale;

/** From a symptom to its cause. */
@RestController
@RequestMapping("/api/faults")
public class FaultController {
    private final FaultCases cases;
    private final FaultViewer viewer;
    private final Records records;
    private final Stations stations;
    private final Clock clock;

    FaultController(FaultCases cases, FaultViewer viewer, Records records, Stations stations, Clock clock) {
        this.cases = cases;
        this.viewer = viewer;
        this.records = records;
        this.stations = stations;
        this.clock = clock;
    }

    /**
     * A case to open.
     *
     * @param id of the caller's; the same again opens nothing new
     * @param amplifier name of one of the station's, or of any other
     * @param symptoms 1 to 4
     * @param intermittent whether it comes and goes
     * @param note may be absent
     * @param known what is remembered already, each question once; may be absent
     */
    public record CaseRequest(
            UUID id,
            String amplifier,
            List<Symptom> symptoms,
            boolean intermittent,
            @Nullable String note,
            @Nullable List<Remembered> known) {}

    /** A question about what was, and its answer. */
    public record Remembered(FaultCheck check, boolean yes) {}

    /** What is done in a case. */
    public enum Act {
        /** The check was answered; with {@code check} and {@code yes}. */
        ANSWER,
        /** The check cannot be made; with {@code check}. */
        SKIP,
        /** The cause was put right; with {@code cause}, and in {@code yes} whether the symptom is gone. */
        FIX,
        /** The symptom came back after it seemed to be cured. */
        BACK,
        /** The last step is taken back. */
        UNDO
    }

    /**
     * An act.
     *
     * @param revision of the case as it was read
     */
    public record CaseActRequest(
            int revision,
            Act act,
            @Nullable FaultCheck check,
            @Nullable Cause cause,
            @Nullable Boolean yes) {}

    @GetMapping
    FaultViews.FaultsView all() {
        Map<Cause, Integer> own = cases.own();
        return new FaultViews.FaultsView(
                Stream.of(Symptom.values())
                        .map(symptom -> new FaultViews.SymptomView(symptom, viewer.name(symptom), symptom.within()))
                        .toList(),
                FaultCase.MOST_SYMPTOMS,
                amplifiers()
                        .map(one -> new FaultViews.CaseAmplifierView(one.name(), within(one)))
                        .toList(),
                cases.all().stream().map(one -> viewer.line(one, own)).toList());
    }

    private Stream<Amplifier> amplifiers() {
        return stations.readableEquipment().stream()
                .map(Stations.Stored::equipment)
                .filter(Amplifier.class::isInstance)
                .map(Amplifier.class::cast);
    }

    private static Within within(Amplifier amplifier) {
        return amplifier.stage().in(new Stage.Cases<>() {
            @Override
            public Within tubes(Stage.Tubes tubes) {
                return Within.TUBES;
            }

            @Override
            public Within transistors(Stage.Transistors transistors) {
                return Within.TRANSISTORS;
            }

            @Override
            public Within switching(Stage.Switching switching) {
                return Within.TRANSISTORS;
            }
        });
    }

    /** Returns what is asked when a case is opened: what can be answered from memory and tells anything of these symptoms. */
    @GetMapping("/questions")
    List<FaultViews.RememberedView> questions(
            @RequestParam Within within, @RequestParam(defaultValue = "") List<Symptom> symptoms) {
        return Diagnosis.askedFirst(within, symptoms).stream()
                .map(viewer::question)
                .toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    FaultViews.CaseView open(@RequestBody CaseRequest request) {
        String amplifier = request.amplifier().strip();
        Optional<Amplifier> known =
                amplifiers().filter(one -> one.name().equals(amplifier)).findFirst();
        FaultCase about = new FaultCase(
                amplifier,
                known.map(FaultController::within).orElse(Within.ANY),
                request.symptoms(),
                request.intermittent(),
                request.note() == null ? "" : request.note().strip(),
                known(known, request.known() == null ? List.of() : request.known()));
        return viewer.view(cases.open(request.id(), about));
    }

    /** Returns what is known before anything is done: by the records, by memory, and that there is no second amplifier. */
    private List<CaseStep> known(Optional<Amplifier> about, List<Remembered> remembered) {
        Checks checks = new Checks()
                .distinct("known", remembered.stream().map(Remembered::check).toList());
        List<String> questions = Stream.of(FaultCheck.values())
                .filter(FaultCheck::isOfWhatWas)
                .map(Enum::name)
                .toList();
        remembered.forEach(one -> checks.oneOf("known.check", one.check().name(), questions));
        checks.done();
        Instant now = clock.instant();
        List<CaseStep> known = new ArrayList<>();
        about.ifPresent(one -> known.addAll(records.of(one.name())));
        remembered.forEach(one -> known.add(new CaseStep.Answered(now, one.check(), one.yes())));
        if (about.isPresent() && amplifiers().count() == 1) {
            known.add(new CaseStep.Skipped(now, FaultCheck.SEE_SHARED));
        }
        return known;
    }

    @GetMapping("/{id}")
    FaultViews.CaseView one(@PathVariable UUID id) {
        return viewer.view(cases.get(id));
    }

    /** Does something in a case that still stands as it was read. */
    @PostMapping("/{id}/acts")
    FaultViews.CaseView act(@PathVariable UUID id, @RequestBody CaseActRequest request) {
        FaultCases.Stored read = cases.get(id);
        if (read.revision() != request.revision()) {
            throw new Stale(id.toString());
        }
        return viewer.view(done(read, request));
    }

    private FaultCases.Stored done(FaultCases.Stored read, CaseActRequest request) {
        Instant now = clock.instant();
        return switch (request.act()) {
            case ANSWER ->
                cases.add(
                        read,
                        new CaseStep.Answered(
                                now, Required.given("check", request.check()), Required.given("yes", request.yes())));
            case SKIP -> cases.add(read, new CaseStep.Skipped(now, Required.given("check", request.check())));
            case FIX ->
                cases.add(
                        read,
                        new CaseStep.Fixed(
                                now, Required.given("cause", request.cause()), Required.given("yes", request.yes())));
            case BACK -> cases.cameBack(read);
            case UNDO -> cases.undo(read);
        };
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        cases.remove(id);
    }
}
