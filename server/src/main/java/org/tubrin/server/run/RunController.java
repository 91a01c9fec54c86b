package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.tubrin.core.advice.SuggestedSchool;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.StepFigure;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Instrument;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.ModeSwitch;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.server.feed.BenchLink;
import org.tubrin.server.station.Stations;
import org.tubrin.server.web.Csv;
import org.tubrin.server.words.Words;

/** Tuning runs. */
@RestController
@RequestMapping("/api")
public class RunController {
    private final Runs runs;
    private final RunStore store;
    private final RunMapper mapper;
    private final Stations stations;
    private final BenchLink bench;
    private final Calculations calculations;
    private final Words words;

    RunController(
            Runs runs,
            RunStore store,
            RunMapper mapper,
            Stations stations,
            BenchLink bench,
            Calculations calculations,
            Words words) {
        this.runs = runs;
        this.store = store;
        this.mapper = mapper;
        this.stations = stations;
        this.bench = bench;
        this.calculations = calculations;
        this.words = words;
    }

    @PostMapping("/runs")
    @ResponseStatus(HttpStatus.CREATED)
    RunView begin(@RequestBody StartRequest request) {
        return runs.begin(request);
    }

    /** Returns what a run would be like, without beginning it. */
    @PostMapping("/runs/preview")
    RunPreview preview(@RequestBody StartRequest request) {
        return runs.preview(request);
    }

    @GetMapping("/runs/{id}")
    RunView view(@PathVariable UUID id) {
        return runs.view(id);
    }

    @GetMapping("/runs/{id}/steps/{place}/figures/{figure}")
    CalculationView calculation(@PathVariable UUID id, @PathVariable int place, @PathVariable StepFigure figure) {
        return calculations.view(id, place, figure);
    }

    @GetMapping("/runs/{id}/steps/{place}/readings/{role}")
    CalculationView reading(@PathVariable UUID id, @PathVariable int place, @PathVariable ReadingRole role) {
        return calculations.view(id, place, role);
    }

    @GetMapping(value = "/runs/{id}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live(@PathVariable UUID id) {
        return runs.watch(id);
    }

    /** Returns what is live of a run at this moment. */
    @GetMapping("/runs/{id}/now")
    RunLive.LiveFrame now(@PathVariable UUID id) {
        return runs.frame(id);
    }

    @PostMapping("/runs/{id}/bench")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void moveOnBench(@PathVariable UUID id, @RequestBody BenchRequest request) {
        runs.moveOnBench(id, request);
    }

    @PostMapping("/runs/{id}/acts")
    RunView act(@PathVariable UUID id, @RequestBody ActRequest request) {
        return runs.act(id, request);
    }

    /** Takes a trace as a scope saved it, which is longer than any act. */
    @PostMapping("/runs/{id}/trace")
    RunView trace(@PathVariable UUID id, @RequestBody TraceRequest request) {
        return runs.trace(id, request);
    }

    @GetMapping(value = "/runs/{id}/steps.csv", produces = Csv.TYPE)
    ResponseEntity<String> csv(@PathVariable UUID id) {
        return RunCsv.of(runs.view(id), store.state(id));
    }

    @GetMapping("/choices")
    Choices choices() {
        List<Stations.Stored> kept = stations.equipment();
        List<RunRow> newest = mapper.runs(RunFilter.ALL, false, 0, 1);
        Optional<Station> station = stations.station().map(Stations.KeptStation::station);
        return new Choices(
                station.isPresent(),
                choices(kept, Amplifier.class),
                choices(kept, Exciter.class),
                choices(kept, Pad.class),
                choices(kept, Termination.class),
                choices(kept, Meter.class),
                List.of(Band.values()).stream()
                        .map(band -> new BandChoice(
                                band,
                                words.name(band.name()),
                                station.map(one -> one.lowestHz(band)).orElse(band.lowestHz()),
                                station.map(one -> one.highestHz(band)).orElse(band.highestHz())))
                        .toList(),
                List.of(Mode.values()).stream()
                        .filter(Mode::givesCarrier)
                        .map(mode -> new NamedChoice(mode.name(), words.name(mode.name()), ""))
                        .toList(),
                List.of(School.values()).stream()
                        .map(school -> new SchoolChoice(
                                school,
                                words.name(school.name()),
                                words.say("school." + school.name()),
                                words.say("school." + school.name() + ".suits"),
                                words.say("school." + school.name() + ".costs"),
                                school.suits(Use.LONG_CARRIER)))
                        .toList(),
                List.of(Use.values()).stream()
                        .map(use -> new NamedChoice(use.name(), words.name(use.name()), words.say("use." + use.name())))
                        .toList(),
                suggestions(kept),
                List.of(Rungs.values()).stream()
                        .map(rungs -> new NamedChoice(rungs.name(), words.name(rungs.name()), ""))
                        .toList(),
                sources(kept),
                store.going()
                        .map(id -> RunSummary.of(Objects.requireNonNull(mapper.run(id)), words))
                        .orElse(null),
                newest.stream().findFirst().map(RunRow::amplifier).orElse(null));
    }

    /** Returns where readings can come from, best first. */
    private List<NamedChoice> sources(List<Stations.Stored> kept) {
        return Stream.of(ReadingSource.BENCH, ReadingSource.INSTRUMENTS, ReadingSource.TYPED)
                .filter(source -> switch (source) {
                    case TYPED -> true;
                    case BENCH -> bench.lastPanel().isPresent();
                    case INSTRUMENTS ->
                        kept.stream()
                                .anyMatch(one -> one.equipment() instanceof Instrument instrument
                                        && !instrument.host().equals("bench"));
                })
                .map(source -> new NamedChoice(
                        source.name(), words.name(source.name()), words.say("sourceOf." + source.name())))
                .toList();
    }

    private List<SchoolSuggestion> suggestions(List<Stations.Stored> kept) {
        List<SchoolSuggestion> suggestions = new ArrayList<>();
        for (Stations.Stored one : kept) {
            if (one.equipment() instanceof Amplifier amplifier) {
                for (Band band : amplifier.bands()) {
                    for (SuggestedSchool suggested : SuggestedSchool.of(amplifier, band)) {
                        suggestions.add(suggestion(one.id(), band, suggested));
                    }
                }
            }
        }
        return suggestions;
    }

    private SchoolSuggestion suggestion(UUID amplifierId, Band band, SuggestedSchool suggested) {
        return new SchoolSuggestion(
                amplifierId,
                band,
                suggested.asks().stream().map(ReadingRole::name).sorted().toList(),
                suggested.school(),
                words.say("school." + suggested.school().name() + ".suggested"));
    }

    private List<Choice> choices(List<Stations.Stored> kept, Class<? extends Equipment> type) {
        return kept.stream()
                .filter(one -> type.isInstance(one.equipment()))
                .map(one -> choice(one.id(), one.equipment()))
                .toList();
    }

    private Choice choice(UUID id, Equipment equipment) {
        boolean tuned = equipment instanceof Amplifier amplifier && amplifier.stage() instanceof Stage.Tubes;
        List<Band> bands = equipment instanceof Amplifier amplifier
                ? amplifier.bands()
                : equipment instanceof Antenna antenna
                        ? antenna.bands().stream()
                                .map(Antenna.AntennaBand::band)
                                .toList()
                        : List.of();
        List<String> reads = equipment instanceof Meter meter
                ? meter.channels().stream()
                        .map(channel -> channel.role().name())
                        .distinct()
                        .toList()
                : List.of();
        List<String> switchPositions = equipment instanceof Amplifier amplifier
                ? amplifier.modeSwitch().stream()
                        .flatMap(one -> one.positions().stream())
                        .map(ModeSwitch.Position::name)
                        .toList()
                : List.of();
        return new Choice(
                id,
                equipment.name(),
                EquipmentWords.detail(equipment, words),
                tuned,
                bands,
                reads,
                switchPositions,
                equipment instanceof Meter meter
                        ? meter.powerPositions().stream()
                                .map(one -> new MeterPosition(one, MeterWords.position(one, words)))
                                .toList()
                        : List.of(),
                equipment instanceof Meter meter ? meter.usualPositions(false) : List.of(),
                equipment instanceof Meter meter ? meter.usualPositions(true) : List.of(),
                equipment instanceof Amplifier amplifier ? amplifier.matcher().orElse(null) : null,
                equipment instanceof Amplifier amplifier && amplifier.stage() instanceof Stage.Switching switching
                        ? switching.moduleCount()
                        : null);
    }
}
