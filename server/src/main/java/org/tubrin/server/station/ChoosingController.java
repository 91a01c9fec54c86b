package org.tubrin.server.station;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.choosing.Choosing;
import org.tubrin.core.station.Candidate;
import org.tubrin.core.station.Exciter;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** The amplifiers that one thinks of, side by side. */
@RestController
@RequestMapping("/api/choosing")
public class ChoosingController {
    private static final double PERCENT = 100;
    private static final double HIGH_MAINS_V = 230;
    private static final double LOW_MAINS_V = 120;

    private final Stations stations;
    private final Words words;
    private final ConditionWords condition;

    ChoosingController(Stations stations, Words words, ConditionWords condition) {
        this.stations = stations;
        this.words = words;
        this.condition = condition;
    }

    /** All candidates, held against the operator's own licence and exciter where they are described. */
    public record ChoosingView(
            @Nullable Double licenceW, @Nullable Double exciterW, List<CandidateView> candidates) {}

    /** Something that speaks against a claim, with the arithmetic. */
    public record FlagView(Choosing.Flag code, String title, String meaning) {}

    /** What a candidate comes to, in words. */
    public record CandidateView(
            UUID id,
            String name,
            String claim,
            @Nullable String asCarrier,
            @Nullable String sheet,
            @Nullable String heat,
            @Nullable String bound,
            String countedOn,
            @Nullable String overLicence,
            @Nullable String overExciter,
            @Nullable String louder,
            String mains,
            @Nullable String priceNew,
            @Nullable String priceUsed,
            String tubes,
            @Nullable String weight,
            @Nullable String delivery,
            @Nullable String condition,
            boolean knockedOut,
            List<FlagView> flags) {}

    private record Held(Stations.Stored kept, Candidate candidate, Choosing found) {}

    /** Returns the candidates, those that bring most first. */
    @GetMapping
    ChoosingView choosing() {
        OptionalDouble licenceW = stations.station().stream()
                .mapToDouble(kept -> kept.station().licenceLimitW())
                .findFirst();
        List<Stations.Stored> all = stations.readableEquipment();
        OptionalDouble exciterW = all.stream()
                .map(Stations.Stored::equipment)
                .filter(Exciter.class::isInstance)
                .mapToDouble(one -> ((Exciter) one).powerMaxW())
                .max();
        List<Held> held = all.stream()
                .filter(one -> one.equipment() instanceof Candidate)
                .map(one -> held(one, (Candidate) one.equipment(), licenceW, exciterW))
                .sorted(Comparator.comparingDouble((Held one) -> -one.found().usableW()))
                .toList();
        return new ChoosingView(
                boxed(licenceW),
                boxed(exciterW),
                held.stream().map(one -> view(one, held.get(0))).toList());
    }

    private static Held held(
            Stations.Stored kept, Candidate candidate, OptionalDouble licenceW, OptionalDouble exciterW) {
        return new Held(kept, candidate, Choosing.of(candidate, licenceW, exciterW));
    }

    private CandidateView view(Held held, Held loudest) {
        Candidate candidate = held.candidate();
        Choosing found = held.found();
        Map<String, Object> args = args(candidate, found);
        boolean isConverted =
                candidate.claim() == Candidate.Claim.PULSED || candidate.claim() == Candidate.Claim.SPEECH;
        return new CandidateView(
                held.kept().id(),
                candidate.name(),
                words.say(
                        "choosing.claim." + candidate.claim().name(),
                        Map.of("watt", Figures.plain(candidate.claimW(), 0))),
                isConverted ? words.say("choosing.asCarrier", Map.of("watt", args.get("claim"))) : null,
                candidate.operation().isPresent() ? words.say("choosing.sheet", args) : null,
                found.heatPerTubeW().isPresent() ? words.say("choosing.heat", args) : null,
                found.boundW().isPresent() ? words.say("choosing.bound", args) : null,
                Figures.plain(found.carrierW(), 0) + "\u2009W",
                overLicence(found),
                overExciter(found),
                louder(held, loudest),
                words.say(
                        "choosing.mains",
                        Map.of(
                                "high", Figures.fixed(found.mainsA(HIGH_MAINS_V), 0),
                                "low", Figures.fixed(found.mainsA(LOW_MAINS_V), 0))),
                price(candidate.priceNew(), found),
                price(candidate.priceUsed(), found),
                tubes(candidate),
                candidate.weightKg().isPresent()
                        ? Figures.plain(candidate.weightKg().getAsDouble(), 1) + "\u2009kg"
                        : null,
                delivery(candidate),
                condition.said(found.condition()).orElse(null),
                found.condition().knockedOut(),
                found.flags().stream().map(flag -> flag(flag, args)).toList());
    }

    private static Map<String, Object> args(Candidate candidate, Choosing found) {
        Map<String, Object> args = new HashMap<>();
        args.put("claim", Figures.plain(found.claimAsCarrierW(), 0));
        args.put("percent", Figures.fixed(PERCENT * found.boundEfficiency(), 0));
        args.put("pulsed", Figures.plain(Choosing.PULSED_W, 0));
        args.put("speech", Figures.plain(Choosing.SPEECH_W, 0));
        args.put("carrier", Figures.plain(Choosing.CARRIER_W, 0));
        args.put("known", found.efficiency().isPresent() ? "yes" : "no");
        found.boundW().ifPresent(bound -> {
            args.put("bound", Figures.plain(bound, 0));
            args.put("watt", Figures.plain(bound, 0));
        });
        found.heatPerTubeW().ifPresent(heat -> args.put("heat", Figures.plain(heat, 0)));
        candidate.tubes().ifPresent(tubes -> {
            args.put("count", Integer.toString(tubes.count()));
            args.put("rated", Figures.plain(tubes.plateDissipationPerTubeW(), 0));
        });
        candidate.operation().ifPresent(line -> {
            args.put("output", Figures.plain(line.outputW(), 0));
            args.put("sheet", Figures.plain(line.outputW(), 0));
            args.put("input", Figures.plain(line.inputW(), 0));
        });
        return args;
    }

    private @Nullable String overLicence(Choosing found) {
        return found.overLicenceDb().isEmpty()
                ? null
                : words.say(
                        "choosing.overLicence",
                        Map.of(
                                "reaches",
                                found.overLicenceDb().getAsDouble() >= 0 ? "yes" : "no",
                                "db",
                                Figures.fixed(Math.abs(found.overLicenceDb().getAsDouble()), 1)));
    }

    private @Nullable String overExciter(Choosing found) {
        return found.overExciterDb().isEmpty()
                ? null
                : words.say(
                        "choosing.overExciter",
                        Map.of(
                                "db",
                                Figures.fixed(found.overExciterDb().getAsDouble(), 1),
                                "units",
                                Figures.fixed(
                                        Choosing.sUnits(found.overExciterDb().getAsDouble()), 1)));
    }

    private static @Nullable Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private @Nullable String louder(Held held, Held loudest) {
        if (held.kept().id().equals(loudest.kept().id())) {
            return null;
        }
        double lessDb = loudest.found().louderThanDb(held.found());
        return words.say(
                "choosing.louder",
                Map.of(
                        "heard", Choosing.isHeard(lessDb) ? "yes" : "no",
                        "db", Figures.fixed(lessDb, 1),
                        "other", loudest.candidate().name()));
    }

    private @Nullable String price(OptionalDouble price, Choosing found) {
        return found.perWatt(price).isEmpty()
                ? null
                : words.say(
                        "choosing.price",
                        Map.of(
                                "price", Figures.plain(price.getAsDouble(), 2),
                                "each", Figures.plain(found.perWatt(price).getAsDouble(), 2)));
    }

    private String tubes(Candidate candidate) {
        String made = words.say("choosing.made." + candidate.stillMade().name());
        return candidate.tubeSetPrice().isEmpty()
                ? made
                : words.say(
                        "choosing.set",
                        Map.of("price", Figures.plain(candidate.tubeSetPrice().getAsDouble(), 2), "made", made));
    }

    private @Nullable String delivery(Candidate candidate) {
        return Stream.concat(
                        candidate.origin().map(origin -> words.say("choosing.origin." + origin.name())).stream(),
                        candidate.delivery().stream())
                .collect(Collectors.collectingAndThen(Collectors.joining("; "), text -> text.isEmpty() ? null : text));
    }

    private FlagView flag(Choosing.Flag flag, Map<String, Object> args) {
        String key = "choosing.flag." + flag.name();
        return new FlagView(flag, words.say(key + ".title"), words.say(key + ".meaning", args));
    }
}
