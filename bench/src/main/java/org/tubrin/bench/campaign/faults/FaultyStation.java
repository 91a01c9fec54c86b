package org.tubrin.bench.campaign.faults;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import org.tubrin.core.faults.Cause;
import org.tubrin.core.faults.FaultCheck;
import org.tubrin.core.faults.Symptom;
import org.tubrin.core.faults.Within;

/**
 * A station in which something is wrong, and which answers checks by what is wrong in it. How often its causes are met, how they
 * show and what its checks show of them is not what the table says: each share is moved in its odds, each count by a factor.
 */
final class FaultyStation {
    /** Standard deviation of the odds of a share, in nepers, and of a count's logarithm. */
    private static final double OFF = 0.5;

    private static final double TWO_AT_ONCE = 0.1;
    private static final double COMES_AND_GOES = 0.15;
    /** Somebody does not remember. */
    private static final double FORGOT = 0.15;
    /** Somebody has a second amplifier that can be put in the place of the first. */
    private static final double HAS_ANOTHER = 0.3;
    /** Somebody looks wrongly, or says the wrong thing. */
    private static final double SLIP = 0.03;

    private final Within within;
    private final List<Symptom> symptoms;
    private final boolean intermittent;
    private final double shownShare;
    private final Map<FaultCheck, Map<Cause, Double>> shows;
    private final RandomGenerator chance;
    private final Set<Cause> hidden;
    private final boolean another;

    FaultyStation(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        chance = random;
        within = random.nextDouble() < 0.6 ? Within.TUBES : Within.TRANSISTORS;
        hidden = EnumSet.noneOf(Cause.class);
        hidden.add(drawn(random));
        if (random.nextDouble() < TWO_AT_ONCE) {
            hidden.add(drawn(random));
        }
        symptoms = complaints(random);
        intermittent = random.nextDouble() < COMES_AND_GOES;
        shownShare = intermittent ? 0.35 + 0.4 * random.nextDouble() : 1;
        shows = new EnumMap<>(FaultCheck.class);
        for (FaultCheck check : FaultCheck.values()) {
            Map<Cause, Double> moved = new EnumMap<>(Cause.class);
            check.shares().forEach((cause, share) -> moved.put(cause, moved(share, random)));
            shows.put(check, moved);
        }
        another = random.nextDouble() < HAS_ANOTHER;
    }

    /** Returns whether there is a second amplifier. */
    boolean hasAnother() {
        return another;
    }

    /** Returns what somebody answers who is asked what was; empty where it is not remembered. */
    Optional<Boolean> remembers(FaultCheck check) {
        return chance.nextDouble() < FORGOT ? Optional.empty() : Optional.of(answers(check));
    }

    private static double moved(double share, RandomGenerator random) {
        double odds = share / (1 - share) * Math.exp(OFF * random.nextGaussian());
        return odds / (1 + odds);
    }

    private Cause drawn(RandomGenerator random) {
        List<Cause> may = new ArrayList<>();
        List<Double> upTo = new ArrayList<>();
        double sum = 0;
        for (Cause cause : Cause.values()) {
            if (cause.within().canBeIn(within)) {
                sum += cause.count() * Math.exp(OFF * random.nextGaussian());
                may.add(cause);
                upTo.add(sum);
            }
        }
        double at = sum * random.nextDouble();
        for (int i = 0; i < may.size(); i++) {
            if (at < upTo.get(i)) {
                return may.get(i);
            }
        }
        return may.get(may.size() - 1);
    }

    /** What is complained of: one symptom of each cause, none twice. */
    private List<Symptom> complaints(RandomGenerator random) {
        Set<Symptom> complaints = EnumSet.noneOf(Symptom.class);
        for (Cause cause : hidden) {
            double sum = 0;
            Map<Symptom, Double> shares = new EnumMap<>(Symptom.class);
            for (Map.Entry<Symptom, Double> share : cause.shares().entrySet()) {
                double weight = share.getValue() * Math.exp(OFF * random.nextGaussian());
                shares.put(share.getKey(), weight);
                sum += weight;
            }
            double at = sum * random.nextDouble();
            for (Map.Entry<Symptom, Double> share : shares.entrySet()) {
                at -= share.getValue();
                if (at < 0) {
                    complaints.add(share.getKey());
                    break;
                }
            }
        }
        return List.copyOf(complaints);
    }

    Within within() {
        return within;
    }

    List<Symptom> symptoms() {
        return symptoms;
    }

    boolean intermittent() {
        return intermittent;
    }

    /** Returns all that is still wrong. */
    Set<Cause> hidden() {
        return EnumSet.copyOf(hidden.isEmpty() ? EnumSet.noneOf(Cause.class) : hidden);
    }

    /** Returns what somebody answers who makes the check: looks while it shows, gives a swap twice the time. */
    boolean answers(FaultCheck check) {
        boolean staysAway =
                check.kind() == FaultCheck.Kind.SWAP && chance.nextDouble() < (1 - shownShare) * (1 - shownShare);
        boolean told = chance.nextDouble() < SLIP;
        return told != (staysAway || says(check));
    }

    private boolean says(FaultCheck check) {
        boolean any = false;
        boolean all = !hidden.isEmpty();
        for (Cause cause : hidden) {
            Double share = shows.getOrDefault(check, Map.of()).get(cause);
            boolean yes = share != null && chance.nextDouble() < share;
            any |= yes;
            all &= yes;
        }
        return (check.kind() == FaultCheck.Kind.SWAP || check.kind() == FaultCheck.Kind.ONLY) ? all : any;
    }

    /** Puts a cause right, and returns whether the symptom seems to be gone: what comes and goes is waited for. */
    boolean fix(Cause cause) {
        hidden.remove(cause);
        return hidden.isEmpty();
    }
}
