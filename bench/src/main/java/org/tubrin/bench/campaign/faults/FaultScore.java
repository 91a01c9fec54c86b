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
    private static final int TWO = 2;

    private static String kind(FaultyStation station) {
        return station.intermittent() ? "intermittent" : station.hidden().size() > 1 ? "double" : "single";
    }

    /** Makes the next check as it is said, until a cause is said to be sure. */
    static FaultScore tubrin(long seed) {
        FaultyStation station = new FaultyStation(seed);
        String kind = kind(station);
        Set<Cause> there = station.hidden();
        FaultCase about =
                new FaultCase("hidden", station.within(), station.symptoms(), station.intermittent(), "", List.of());
        int checks = 0;
        double minutes = 0;
        int inside = 0;
        int vain = 0;
        boolean byTwo = false;
        boolean asked = false;
        Optional<Double> stated = Optional.empty();
        boolean firstRight = false;
        StringBuilder story = new StringBuilder();
        while (checks < PATIENCE && vain < PATIENCE) {
            Diagnosis now = Diagnosis.of(about, Map.of());
            List<Diagnosis.Suspect> suspects = now.suspects();
            if (checks <= TWO && vain == 0) {
                byTwo = !suspects.isEmpty() && there.contains(suspects.get(0).cause());
            }
            Diagnosis.Verdict verdict = now.verdict();
            if (verdict == Diagnosis.Verdict.CHECK) {
                FaultCheck check = now.next().orElseThrow().check();
                asked |= checks < TWO && bears(check, there);
                boolean yes = station.answers(check);
                about = about.with(new CaseStep.Answered(Instant.EPOCH, check, yes));
                story.append(' ').append(check).append(yes ? "+" : "-");
                checks++;
                minutes += check.minutes();
                inside += check.care() == Care.HIGH_VOLTAGE ? 1 : 0;
                continue;
            }
            Optional<Diagnosis.Suspect> next = now.toFix();
            if (next.isEmpty()) {
                break;
            }
            Cause cause = next.get().cause();
            if (stated.isEmpty()) {
                stated = Optional.of(next.get().probability());
                firstRight = there.contains(cause);
            }
            boolean right = station.hidden().contains(cause);
            boolean gone = station.fix(cause);
            about = about.with(new CaseStep.Fixed(Instant.EPOCH, cause, gone));
            story.append(" fix:").append(cause);
            if (gone) {
                return new FaultScore(
                        "tubrin",
                        kind,
                        checks,
                        minutes,
                        inside,
                        vain,
                        byTwo,
                        asked,
                        true,
                        stated,
                        firstRight,
                        told(station, there, story));
            }
            vain += right ? 0 : 1;
        }
        return new FaultScore(
                "tubrin",
                kind,
                checks,
                minutes,
                inside,
                vain,
                byTwo,
                asked,
                false,
                stated,
                firstRight,
                told(station, there, story));
    }

    private static boolean bears(FaultCheck check, Set<Cause> there) {
        return there.stream().anyMatch(check.shares()::containsKey);
    }

    private static String told(FaultyStation station, Set<Cause> there, StringBuilder story) {
        return station.symptoms() + " by " + there + ":" + story;
    }

    /**
     * Goes down a list: the checks that bear on the symptom, the cheap and likely first, whatever the answers; after a yes the
     * likeliest of what it points at is put right.
     */
    static FaultScore list(long seed) {
        FaultyStation station = new FaultyStation(seed);
        String kind = kind(station);
        Set<Cause> there = station.hidden();
        Map<Cause, Double> likely = likely(station);
        int checks = 0;
        double minutes = 0;
        int inside = 0;
        int vain = 0;
        boolean byTwo = false;
        boolean asked = false;
        StringBuilder story = new StringBuilder();
        Set<Cause> tried = EnumSet.noneOf(Cause.class);
        // What comes and goes is gone through more than once.
        for (int round = 0; round < 3; round++) {
            for (FaultCheck check : ranked(likely)) {
                asked |= checks < TWO && bears(check, there);
                boolean yes = station.answers(check);
                checks++;
                minutes += check.minutes();
                inside += check.care() == Care.HIGH_VOLTAGE ? 1 : 0;
                story.append(' ').append(check).append(yes ? "+" : "-");
                if (!yes || check.kind() == FaultCheck.Kind.ONLY) {
                    continue;
                }
                Optional<Cause> pointed = check.shares().entrySet().stream()
                        .filter(share -> !tried.contains(share.getKey()))
                        .filter(share -> likely.containsKey(share.getKey()))
                        .max(Comparator.comparingDouble(
                                share -> share.getValue() * likely.getOrDefault(share.getKey(), 0.0)))
                        .map(Map.Entry::getKey);
                if (pointed.isEmpty()) {
                    continue;
                }
                tried.add(pointed.get());
                boolean right = station.hidden().contains(pointed.get());
                byTwo |= right && checks <= TWO;
                story.append(" fix:").append(pointed.get());
                if (station.fix(pointed.get())) {
                    return new FaultScore(
                            "fixed list",
                            kind,
                            checks,
                            minutes,
                            inside,
                            vain,
                            byTwo,
                            asked,
                            true,
                            Optional.empty(),
                            right,
                            told(station, there, story));
                }
                vain += right ? 0 : 1;
            }
            tried.clear();
        }
        return new FaultScore(
                "fixed list",
                kind,
                checks,
                minutes,
                inside,
                vain,
                byTwo,
                asked,
                false,
                Optional.empty(),
                false,
                told(station, there, story));
    }

    private static Map<Cause, Double> likely(FaultyStation station) {
        Map<Cause, Double> likely = new EnumMap<>(Cause.class);
        for (Cause cause : Cause.values()) {
            double share = 0;
            for (Symptom symptom : station.symptoms()) {
                share += cause.shares().getOrDefault(symptom, 0.0);
            }
            boolean canBe =
                    cause.within() == station.within() || cause.within().name().equals("ANY");
            if (share > 0 && canBe) {
                likely.put(cause, share * cause.count());
            }
        }
        return likely;
    }

    private static List<FaultCheck> ranked(Map<Cause, Double> likely) {
        Map<FaultCheck, Double> worth = new LinkedHashMap<>();
        for (FaultCheck check : FaultCheck.values()) {
            double finds = check.shares().entrySet().stream()
                    .mapToDouble(share -> share.getValue() * likely.getOrDefault(share.getKey(), 0.0))
                    .sum();
            if (finds > 0 && check.kind() != FaultCheck.Kind.RECORD && check.kind() != FaultCheck.Kind.ONLY) {
                double danger = check.care() == Care.HIGH_VOLTAGE ? 15 : check.care() == Care.MAINS ? 10 : 0;
                worth.put(check, finds / (2 + check.minutes() + danger));
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
