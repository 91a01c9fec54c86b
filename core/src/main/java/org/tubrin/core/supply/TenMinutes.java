package org.tubrin.core.supply;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Envelope;

/**
 * What boxes draw from their supply over the worst ten minutes of an operating pattern.
 *
 * <p>Method: second by second; a carrier that is keyed slowly is drawn as its slots, every other mode by its levels one after
 * the other in a fixed order that spreads them (steps of the golden section), so that each second shows one and all together
 * have the envelope's distribution. Average and peak are not taken from that picture but from the modes' own draw, so they
 * do not hang on it. The worst ten minutes are those of most charge. Source: our own.
 *
 * @param fromS where the worst ten minutes begin in the pattern
 * @param strips of each box, current second by second, in the order of the boxes
 * @param peakA all that transmit at once at their peak, with the rest; of the whole pattern
 * @param averageA over the ten minutes
 * @param restingA while nothing transmits
 */
public record TenMinutes(double fromS, List<Strip> strips, Quantity peakA, Quantity averageA, double restingA) {
    /** Length of the window, in seconds. */
    public static final int WINDOW_S = 600;

    /** Windows that an average is told over besides, in seconds. */
    private static final List<Integer> WINDOWS_S = List.of(60, 300, WINDOW_S, 1800, 3600);

    private static final double GOLDEN = 0.6180339887498949;
    /** Slots at least this long are drawn as they are, in seconds. */
    private static final double SLOW_SLOT_S = 2;

    private static final double EXACT = 1e-9;

    public TenMinutes {
        strips = List.copyOf(strips);
    }

    /**
     * A box's part of the picture.
     *
     * @param box its name
     * @param currentA at each second
     */
    public record Strip(String box, List<Double> currentA) {
        public Strip {
            currentA = List.copyOf(currentA);
        }
    }

    /**
     * An average.
     *
     * @param lengthS over how long, in seconds
     * @param averageA over the worst such time of the pattern
     */
    public record Window(int lengthS, Quantity averageA) {}

    /** Returns averages over the worst minute and longer, up to ten minutes or the whole pattern. */
    public static List<Window> windows(List<Box> boxes, List<Stretch> pattern) {
        List<Sent> sent = sent(boxes, pattern);
        int length = Math.max(WINDOW_S, lengthS(pattern));
        return WINDOWS_S.stream()
                .filter(windowS -> windowS <= length)
                .map(windowS ->
                        new Window(windowS, average(sent, worst(sent, length, windowS), windowS, restingA(boxes))))
                .toList();
    }

    /**
     * Returns the worst ten minutes of a pattern; what lies beyond its end is rest.
     *
     * @param boxes each with a name of its own
     * @param pattern of boxes that can transmit; stretches of one box do not overlap
     */
    public static TenMinutes of(List<Box> boxes, List<Stretch> pattern) {
        List<Sent> sent = sent(boxes, pattern);
        double restingA = restingA(boxes);
        int from = worst(sent, Math.max(WINDOW_S, lengthS(pattern)), WINDOW_S);
        return new TenMinutes(
                from,
                strips(boxes, sent, from),
                peak(sent, restingA),
                average(sent, from, WINDOW_S, restingA),
                restingA);
    }

    private static List<Sent> sent(List<Box> boxes, List<Stretch> pattern) {
        List<Sent> sent = new ArrayList<>();
        for (Stretch stretch : pattern) {
            for (Box box : boxes) {
                if (box instanceof Box.Transmitting set && set.name().equals(stretch.box())) {
                    sent.add(Sent.of(set, stretch));
                }
            }
        }
        return sent;
    }

    private static int lengthS(List<Stretch> pattern) {
        return (int) Math.ceil(pattern.stream()
                .mapToDouble(stretch -> stretch.fromS() + stretch.lengthS())
                .max()
                .orElse(0));
    }

    private static double restingA(List<Box> boxes) {
        return boxes.stream().mapToDouble(Box::restingA).sum();
    }

    /**
     * A stretch with what its box draws in it.
     *
     * @param beyondRestA on average, over what it draws at rest
     * @param peakBeyondRestA at its peak
     * @param levelsA at each level of its envelope, with the share of the time up to which it stands
     */
    private record Sent(Stretch stretch, Quantity beyondRestA, Quantity peakBeyondRestA, List<double[]> levelsA) {
        static Sent of(Box.Transmitting set, Stretch stretch) {
            Draw draw = Draw.of(set.profile(), stretch.envelope(), stretch.peakEnvelopeW());
            Quantity rest = exact(set.restingA());
            List<double[]> levels = new ArrayList<>();
            double upTo = 0;
            for (Envelope.Level level : stretch.envelope().levels()) {
                upTo += level.timeShare();
                double currentA = set.profile()
                        .currentA(level.powerShare() * stretch.peakEnvelopeW())
                        .value();
                levels.add(new double[] {upTo, currentA});
            }
            return new Sent(stretch, draw.averageA().minus(rest), draw.peakA().minus(rest), levels);
        }

        /** Seconds of it within a window. */
        double within(double from, int windowS) {
            double end = Math.min(stretch.fromS() + stretch.lengthS(), from + windowS);
            return Math.max(0, end - Math.max(stretch.fromS(), from));
        }

        /** What the picture shows so many seconds after it began. */
        double drawnA(double sinceS) {
            double quantile = quantile(sinceS);
            for (double[] level : levelsA) {
                if (quantile < level[0]) {
                    return level[1];
                }
            }
            return levelsA.get(levelsA.size() - 1)[1];
        }

        private double quantile(double sinceS) {
            if (stretch.envelope() instanceof Envelope.Keyed keyed && keyed.slotS() >= SLOW_SLOT_S) {
                double slot = Math.floor(sinceS / keyed.slotS());
                boolean on =
                        Math.ceil((slot + 1) * keyed.onShare() - EXACT) > Math.ceil(slot * keyed.onShare() - EXACT);
                return on ? 1 : 0;
            }
            return (sinceS * GOLDEN + 0.5) % 1;
        }
    }

    private static Quantity exact(double currentA) {
        return Quantity.exact(currentA, Unit.AMPERE, Standing.COMPUTED);
    }

    private static int worst(List<Sent> sent, int length, int windowS) {
        int worst = 0;
        double most = -1;
        double[] beyondA =
                sent.stream().mapToDouble(one -> one.beyondRestA().value()).toArray();
        for (int from = 0; from <= length - windowS; from++) {
            double charge = 0;
            for (int i = 0; i < beyondA.length; i++) {
                charge += sent.get(i).within(from, windowS) * beyondA[i];
            }
            if (charge > most + EXACT) {
                most = charge;
                worst = from;
            }
        }
        return worst;
    }

    private static Quantity average(List<Sent> sent, double from, int windowS, double restingA) {
        Quantity average = exact(restingA);
        for (Sent one : sent) {
            average = average.plus(one.beyondRestA().scaled(one.within(from, windowS) / windowS));
        }
        return average;
    }

    /** The peak is reached when all that overlap in time are at their peaks at once. */
    private static Quantity peak(List<Sent> sent, double restingA) {
        Quantity most = exact(restingA);
        for (Sent begins : sent) {
            Quantity together = exact(restingA);
            for (Sent one : sent) {
                if (one.stretch().covers(begins.stretch().fromS())) {
                    together = together.plus(one.peakBeyondRestA());
                }
            }
            most = together.value() > most.value() ? together : most;
        }
        return most;
    }

    private static List<Strip> strips(List<Box> boxes, List<Sent> sent, int from) {
        List<Strip> strips = new ArrayList<>();
        for (Box box : boxes) {
            List<Double> current = new ArrayList<>();
            for (int second = 0; second < WINDOW_S; second++) {
                double atS = from + second;
                current.add(sent.stream()
                        .filter(one -> one.stretch().box().equals(box.name())
                                && one.stretch().covers(atS))
                        .mapToDouble(one -> one.drawnA(atS - one.stretch().fromS()))
                        .findFirst()
                        .orElse(box.restingA()));
            }
            strips.add(new Strip(box.name(), current));
        }
        return strips;
    }
}
