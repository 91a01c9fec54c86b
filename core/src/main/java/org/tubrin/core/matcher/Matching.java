package org.tubrin.core.matcher;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.matcher.NextMatch.Because;
import org.tubrin.core.matcher.NextMatch.Node;
import org.tubrin.core.quantity.Quantity;

/**
 * Where the order stands: the power amplifier proven to be off by both powers, the matcher tuned, drive down, the power amplifier on at
 * little drive. Each is opened by the readings of the one before, never by what somebody says.
 *
 * @param taken the key-downs so far, with what each was for and what it said
 * @param next the next one; empty at the end
 * @param end how it ended; empty while it goes on
 */
public record Matching(List<Taken> taken, Optional<NextMatch> next, Optional<End> end) {
    /** An SWR with which a matcher has done its work: what is fine at any input. */
    public static final double MATCHED_SWR = InputMatch.FINE_SWR;
    /** Bypassed, an output above so many times the input is amplified. */
    public static final double AMPLIFIED = 1.2;

    /** A line with standing waves shows more forward power than goes into it: behind a matcher so many times is no proof yet. */
    private static final double SURELY_AMPLIFIED = 2;
    /** What the least of amplifiers would bring. */
    private static final double LEAST_GAIN = 4;
    /** A bypassed path that lets less through than this loses more than 1 dB. */
    private static final double LEAST_THROUGH = 0.79;

    /** A path that seems to let through less than this, and may let through more, is looked at with more power. */
    private static final double HALF_LOST = 0.5;

    /** What an SWR meter shows beyond this share of a known load, it reads wrong. */
    private static final double MISREAD = 1.15;

    private static final int TRIES = 3;
    private static final double UP_3_DB = 2;
    private static final double HOTTER = 1.5;
    private static final double OVER_LEAST = 1.2;
    private static final double MOST_FIRST_SHARE = 0.5;
    private static final double SAME = 0.99;

    /**
     * One key-down that was taken.
     *
     * @param node what it was for
     * @param point its readings
     * @param said what they said, as why the next follows; of the last one why there is none
     */
    public record Taken(Node node, MatchPoint point, Optional<Because> said) {}

    /** How the order ends. */
    public enum End {
        /** Matched, and amplifying at little drive. */
        MATCHED,
        /** The known load is matched: the matcher reaches that far. */
        REACH_PROVEN,
        /** Not matched: what hangs on it may be out of its reach. */
        NOT_MATCHED,
        /** A known load within its reach is not matched. */
        MATCHER_FAULTY,
        /** The power amplifier was never seen to be off. */
        PA_STAYS_ON,
        /** It was never seen to amplify. */
        PA_STAYS_OFF,
        /** Much less comes out than goes in. */
        PATH_LOSES,
        /** Exciter and pad do not bring what the matcher needs. */
        POWER_SHORT,
        /** The meters do not tell whether anything is amplified. */
        NOT_TOLD
    }

    public Matching {
        taken = List.copyOf(taken);
    }

    /**
     * Returns where the order stands after some key-downs.
     *
     * @param trips for each time that the protection acted, how many of the key-downs had been read by then
     */
    public static Matching of(MatchTerms terms, List<MatchPoint> points, List<Integer> trips) {
        Order order = new Order(terms);
        List<Taken> taken = new ArrayList<>();
        for (int i = 0; i <= points.size() && order.end.isEmpty(); i++) {
            int read = i;
            trips.stream().filter(trip -> trip == read).forEach(trip -> order.trips());
            if (i < points.size() && order.end.isEmpty()) {
                Node node = order.next.node();
                order.take(points.get(i));
                taken.add(new Taken(
                        node,
                        points.get(i),
                        order.end.isPresent() ? Optional.empty() : Optional.of(order.next.because())));
            }
        }
        return new Matching(taken, order.end.isPresent() ? Optional.empty() : Optional.of(order.next), order.end);
    }

    /** Returns the last key-down of a kind. */
    public Optional<MatchPoint> last(Node node) {
        return taken.stream()
                .filter(one -> one.node() == node)
                .reduce((first, second) -> second)
                .map(Taken::point);
    }

    /** Returns the match at the input while amplifying; empty until the last key-down amplified. */
    public Optional<InputMatch> input() {
        return end.filter(End.MATCHED::equals)
                .flatMap(any -> last(Node.FIRST))
                .map(point -> InputMatch.of(point.swr().value()));
    }

    /** Returns what the meter shows of a load of a known SWR while nothing is matched, where it reads too high. */
    public Optional<Quantity> misread(double knownSwr) {
        return last(Node.PROVE).map(MatchPoint::swr).filter(swr -> swr.value() > MISREAD * knownSwr);
    }

    /** Goes through the order, key-down by key-down. */
    private static final class Order {
        private final MatchTerms terms;
        private NextMatch next;
        private Optional<End> end = Optional.empty();
        private int seenOn;
        private int seenOff;
        private int lost;
        private int tuned;

        Order(MatchTerms terms) {
            this.terms = terms;
            next = new NextMatch(Node.PROVE, terms.firstW(), Because.UNPROVEN);
        }

        void take(MatchPoint point) {
            switch (next.node()) {
                case PROVE -> proves(point);
                case TUNE -> tunes(point);
                case FIRST -> amplifies(point);
            }
        }

        private void proves(MatchPoint point) {
            Quantity share = point.share();
            if (share.value() > AMPLIFIED && share.low() > 1) {
                isOn(Because.PA_IS_ON);
            } else if (point.outputW()
                            .minus(point.inputW().scaled(LEAST_THROUGH))
                            .high()
                    < 0) {
                lost++;
                goOn(
                        lost < 2,
                        End.PATH_LOSES,
                        new NextMatch(
                                Node.PROVE, Math.min(terms.tuneMostW(), UP_3_DB * next.driveW()), Because.PATH_LOSES));
            } else if (share.high() >= LEAST_GAIN || share.value() < HALF_LOST) {
                raise(terms.tuneMostW());
            } else {
                next = new NextMatch(Node.TUNE, terms.tuneW(), Because.PROVEN);
            }
        }

        private void isOn(Because because) {
            seenOn++;
            goOn(seenOn < TRIES, End.PA_STAYS_ON, new NextMatch(Node.PROVE, terms.firstW(), because));
        }

        /** What is off does not trip; behind a matcher that is done, little drive does not make it. */
        void trips() {
            if (end.isPresent()) {
                return;
            }
            if (next.node().amplifies()) {
                again(Because.TRIPPED_MATCHED, terms.tuneW());
            } else {
                isOn(Because.TRIPPED);
            }
        }

        private void again(Because because, double driveW) {
            tuned++;
            goOn(
                    tuned < TRIES,
                    terms.isWithinReach() ? End.MATCHER_FAULTY : End.NOT_MATCHED,
                    new NextMatch(Node.TUNE, driveW, because));
        }

        /** At more power the same meters tell more. */
        private void raise(double mostW) {
            goOn(
                    next.driveW() < SAME * mostW,
                    End.NOT_TOLD,
                    new NextMatch(next.node(), Math.min(mostW, UP_3_DB * next.driveW()), Because.NOT_TOLD));
        }

        private void tunes(MatchPoint point) {
            double leastW = terms.matcher().leastW();
            boolean couldBeMore = next.driveW() < SAME * terms.tuneMostW();
            double inputW = point.inputW().value();
            if (point.share().low() > SURELY_AMPLIFIED) {
                isOn(Because.PA_IS_ON);
            } else if (inputW < leastW) {
                goOn(
                        couldBeMore,
                        End.POWER_SHORT,
                        new NextMatch(
                                Node.TUNE,
                                Math.min(terms.tuneMostW(), next.driveW() * OVER_LEAST * leastW / inputW),
                                Because.POWER_SHORT));
            } else if (point.swr().value() <= MATCHED_SWR) {
                goOn(
                        terms.knownSwr().isEmpty(),
                        End.REACH_PROVEN,
                        new NextMatch(Node.FIRST, terms.firstW(), Because.MATCHED));
            } else {
                again(Because.NOT_MATCHED, Math.min(terms.tuneMostW(), HOTTER * next.driveW()));
            }
        }

        private void amplifies(MatchPoint point) {
            Quantity share = point.share();
            if (share.low() > SURELY_AMPLIFIED) {
                end = Optional.of(End.MATCHED);
            } else if (share.high() < LEAST_GAIN) {
                seenOff++;
                goOn(seenOff < TRIES, End.PA_STAYS_OFF, new NextMatch(Node.FIRST, next.driveW(), Because.PA_IS_OFF));
            } else {
                raise(Math.min(terms.mostW(), MOST_FIRST_SHARE * terms.fullW()));
            }
        }

        private void goOn(boolean goesOn, End without, NextMatch with) {
            if (goesOn) {
                next = with;
            } else {
                end = Optional.of(without);
            }
        }
    }
}
