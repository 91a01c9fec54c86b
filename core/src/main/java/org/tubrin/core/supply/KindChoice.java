package org.tubrin.core.supply;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.tubrin.core.station.Supply;

/**
 * Which kind of supply suits what the operator ranks first: of price, capacity, efficiency and quietness three can be had.
 *
 * <p>Source: customary; a linear supply is heavy, hot and quiet in RF, though it may hum; a switching one is light, efficient
 * and may be noisy; a battery is quiet and runs down; a computer's gives 12 V and not 13.8; one for lighting is cheap and
 * without a screen.
 *
 * @param kind which
 * @param givesUp what it serves worst of all four
 */
public record KindChoice(Supply.Kind kind, Merit givesUp) {

    /** What one may want of a supply. */
    public enum Merit {
        /** Little money for each ampere. */
        PRICE,
        /** Amperes for as long as wanted, and little weight for them. */
        CAPACITY,
        EFFICIENCY,
        /** No noise in the receiver, no hum. */
        QUIETNESS
    }

    private record Merits(int price, int capacity, int efficiency, int quietness) {
        static Merits of(Supply.Kind kind) {
            return switch (kind) {
                case LINEAR -> new Merits(1, 1, 0, 2);
                case SWITCHING -> new Merits(2, 3, 3, 1);
                case BATTERY -> new Merits(0, 0, 2, 3);
                case COMPUTER -> new Merits(3, 2, 2, 1);
                case LIGHTING -> new Merits(3, 2, 2, 0);
            };
        }
    }

    /** Returns how well a kind serves a wish, 0 poor to 3 best. */
    public static int merit(Supply.Kind kind, Merit merit) {
        Merits merits = Merits.of(kind);
        return switch (merit) {
            case PRICE -> merits.price();
            case CAPACITY -> merits.capacity();
            case EFFICIENCY -> merits.efficiency();
            case QUIETNESS -> merits.quietness();
        };
    }

    /** Returns all kinds, the best first, by the operator's wishes in their order; the first wish decides before the second. */
    public static List<KindChoice> ranked(List<Merit> wishes) {
        List<Supply.Kind> kinds = new ArrayList<>(List.of(Supply.Kind.values()));
        Comparator<Supply.Kind> order = Comparator.comparingInt(kind -> 0);
        for (Merit wish : wishes) {
            order = order.thenComparing(kind -> -merit(kind, wish));
        }
        kinds.sort(order);
        return kinds.stream().map(kind -> new KindChoice(kind, worst(kind))).toList();
    }

    private static Merit worst(Supply.Kind kind) {
        Merit worst = Merit.PRICE;
        for (Merit merit : Merit.values()) {
            worst = merit(kind, merit) < merit(kind, worst) ? merit : worst;
        }
        return worst;
    }
}
