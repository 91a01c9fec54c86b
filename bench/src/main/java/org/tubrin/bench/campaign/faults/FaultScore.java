package org.tubrin.bench.campaign.faults;

import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.tubrin.core.faults.Care;
import org.tubrin.core.faults.CaseStep;
import org.tubrin.core.faults.Cause;
import org.tubrin.core.faults.Diagnosis;
import org.tubrin.core.faults.FaultCase;
import org.tubrin.core.faults.FaultCheck;
import org.tubrin.core.faults.Symptom;

/**
 * How a hidden fault was found.
 *
 * @param procedure who looked
 * @param kind single, double or intermittent
 * @param checks until the symptom was gone
 * @param minutes that these took
 * @param inside how many of them were inside the amplifier
 * @param vain what was put right in vain
 * @param namedByTwo whether a cause that was there was the most probable one after two checks
 * @param askedByTwo whether one of the first two checks bears on a cause that was there
 * @param found whether the symptom was gone before the patience
 * @param stated how probable the cause was said to be that was put right first; empty for a list
 * @param firstRight whether that was there
 */
record FaultScore(
        String procedure,
        String kind,
        int checks,
        double minutes,
        int inside,
        int vain,
        boolean namedByTwo,
        boolean askedByTwo,
        boolean found,
        Optional<Double> stated,
        boolean firstRight,
        String story) {
    private static final int PATIENCE = 40;
    private static final int ROUNDS = 3;
    private static final int TWO = 2;
    /** What the list's maker counts for each check besides, in minutes. */
    private static final double GETTING_UP = 2;

    /** One search as it goes on. */
    private static final class Search {
        private final String procedure;
        private final FaultyStation station;
        private final String kind;
        private final Set<Cause> there;
        private final StringBuilder story = new StringBuilder();
        private int checks;
        private double minutes;
        private int inside;
        private int vain;
        private boolean namedByTwo;
        private boolean askedByTwo;
        private Optional<Double> stated = Optional.empty();
        private boolean firstRight;

        Search(String procedure, long seed) {
            this.procedure = procedure;
            station = new FaultyStation(seed);
            there = station.hidden();
            kind = station.intermittent() ? "intermittent" : there.size() > 1 ? "double" : "single";
        }

        /** Makes a check and returns its answer. */
        boolean asks(FaultCheck check) {
            askedByTwo |= checks < TWO && there.stream().anyMatch(check.shares()::containsKey);
            boolean yes = station.answers(check);
            story.append(' ').append(check).append(yes ? "+" : "-");
            checks++;
            minutes += check.minutes();
            inside += check.care() == Care.HIGH_VOLTAGE ? 1 : 0;
            return yes;
        }

        /** Says what was seen before anything is done, where it is remembered: it takes its time, but no walk. */
        Optional<Boolean> tells(FaultCheck check) {
            Optional<Boolean> told = station.remembers(check);
            told.ifPresent(yes -> story.append(" (").append(check).append(yes ? "+)" : "-)"));
            minutes += check.minutes();
            return told;
        }

        /** Puts a cause right and returns whether the symptom is gone. */
        boolean fixes(Cause cause) {
            vain += station.hidden().contains(cause) ? 0 : 1;
            story.append(" fix:").append(cause);
            return station.fix(cause);
        }

        FaultScore ends(boolean found) {
            return new FaultScore(
                    procedure,
                    kind,
                    checks,
                    minutes,
                    inside,
                    vain,
                    namedByTwo,
                    askedByTwo,
                    found,
                    stated,
                    firstRight,
                    station.symptoms() + " by " + there + ":" + story);
        }
    }

    /** Makes the next check as it is said, until a cause is said to be sure. */
    static FaultScore tubrin(long seed) {
        Search search = new Search("tubrin", seed);
        FaultyStation station = search.station;
        FaultCase about =
                new FaultCase("hidden", station.within(), station.symptoms(), station.intermittent(), "", List.of());
        for (FaultCheck check : Diagnosis.askedFirst(station.within(), station.symptoms())) {
            Optional<Boolean> told = search.tells(check);
            if (told.isPresent()) {
                about = about.with(new CaseStep.Answered(Instant.EPOCH, check, told.get()));
            }
        }
        if (!station.hasAnother()) {
            about = about.with(new CaseStep.Skipped(Instant.EPOCH, FaultCheck.SEE_SHARED));
        }
        while (search.checks < PATIENCE) {
            Diagnosis now = Diagnosis.of(about, Map.of());
            if (search.checks <= TWO && search.vain == 0) {
                search.namedByTwo =
                        now.suspects().stream().limit(1).anyMatch(one -> search.there.contains(one.cause()));
            }
            if (now.verdict() == Diagnosis.Verdict.CHECK) {
                FaultCheck check = now.next().orElseThrow().check();
                about = about.with(new CaseStep.Answered(Instant.EPOCH, check, search.asks(check)));
                continue;
            }
            Optional<Diagnosis.Suspect> next = now.toFix();
            if (next.isEmpty()) {
                break;
            }
            Cause cause = next.get().cause();
            if (search.stated.isEmpty()) {
                search.stated = Optional.of(next.get().probability());
                search.firstRight = search.there.contains(cause);
            }
            boolean gone = search.fixes(cause);
            about = about.with(new CaseStep.Fixed(Instant.EPOCH, cause, gone));
            if (gone) {
                return search.ends(true);
            }
        }
        return search.ends(false);
    }

    /**
     * Goes down a list: the checks that bear on the symptom, the cheap and likely first, whatever the answers; after a yes the
     * likeliest of what it points at is put right.
     */
    static FaultScore list(long seed) {
        Search search = new Search("fixed list", seed);
        Map<Cause, Double> likely = likely(search.station);
        // What comes and goes is gone through more than once.
        for (int round = 0; round < ROUNDS; round++) {
            Set<Cause> tried = EnumSet.noneOf(Cause.class);
            for (FaultCheck check : ranked(likely, search.station.hasAnother())) {
                Optional<Cause> pointed = search.asks(check)
                        ? check.shares().entrySet().stream()
                                .filter(share -> !tried.contains(share.getKey()) && likely.containsKey(share.getKey()))
                                .max(Comparator.comparingDouble(
                                        share -> share.getValue() * likely.getOrDefault(share.getKey(), 0.0)))
                                .map(Map.Entry::getKey)
                        : Optional.empty();
                if (pointed.isPresent()) {
                    tried.add(pointed.get());
                    search.namedByTwo |=
                            search.checks <= TWO && search.station.hidden().contains(pointed.get());
                    if (search.fixes(pointed.get())) {
                        return search.ends(true);
                    }
                }
            }
        }
        return search.ends(false);
    }

    private static Map<Cause, Double> likely(FaultyStation station) {
        Map<Cause, Double> likely = new EnumMap<>(Cause.class);
        for (Cause cause : Cause.values()) {
            double share = 0;
            for (Symptom symptom : station.symptoms()) {
                share += cause.shares().getOrDefault(symptom, 0.0);
            }
            if (share > 0 && cause.within().canBeIn(station.within())) {
                likely.put(cause, share * cause.count());
            }
        }
        return likely;
    }

    private static List<FaultCheck> ranked(Map<Cause, Double> likely, boolean hasAnother) {
        Map<FaultCheck, Double> worth = new LinkedHashMap<>();
        for (FaultCheck check : FaultCheck.values()) {
            double finds = check.shares().entrySet().stream()
                    .mapToDouble(share -> share.getValue() * likely.getOrDefault(share.getKey(), 0.0))
                    .sum();
            boolean isThere = hasAnother || check != FaultCheck.SEE_SHARED;
            if (finds > 0 && isThere && check.kind() != FaultCheck.Kind.RECORD && !check.isOfWhatWas()) {
                worth.put(
                        check,
                        finds / (GETTING_UP + check.minutes() + check.care().asMinutes()));
            }
        }
        return worth.entrySet().stream()
                .sorted(Comparator.comparingDouble((Map.Entry<FaultCheck, Double> one) -> -one.getValue()))
                .map(Map.Entry::getKey)
                .toList();
    }

    static Stream<FaultScore> both(long seed) {
        return Stream.of(tubrin(seed), list(seed));
    }
}
