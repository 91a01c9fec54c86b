package org.tubrin.core.supply;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Battery;
import org.tubrin.core.station.Supply;

/**
 * A plan of what feeds what.
 *
 * @param name its name
 * @param supply that feeds all boxes
 * @param boxes at most 20, each with a name of its own
 * @param pattern at most 200 stretches, of boxes that can transmit; those of one box do not overlap
 * @param lead to the box that draws most when it transmits
 * @param circuit of the house that the supply is on
 * @param hoursPerDay that the station is on, 0 to 24
 * @param pricePerKilowattHour in the station's own money, 0 to 100
 * @param battery that feeds the boxes while the mains are away; absent where there is none
 * @param wishes what the operator wants of a supply, the first first
 */
public record Plan(
        String name,
        Supply supply,
        List<Box> boxes,
        List<Stretch> pattern,
        Lead lead,
        MainsSide.Circuit circuit,
        double hoursPerDay,
        double pricePerKilowattHour,
        Optional<Standby> battery,
        List<KindChoice.Merit> wishes) {

    public Plan {
        boxes = List.copyOf(boxes);
        pattern = List.copyOf(pattern);
        wishes = List.copyOf(wishes);
        List<String> senders = boxes.stream()
                .filter(Box.Transmitting.class::isInstance)
                .map(Box::name)
                .toList();
        Checks checks = new Checks()
                .name("name", name)
                .size("boxes", boxes, 0, 20)
                .distinct("boxes", boxes.stream().map(Box::name).toList())
                .size("pattern", pattern, 0, 200)
                .distinct("wishes", wishes)
                .range("hoursPerDay", hoursPerDay, 0, 24, Unit.ONE)
                .range("pricePerKilowattHour", pricePerKilowattHour, 0, 100, Unit.ONE);
        for (int i = 0; i < pattern.size(); i++) {
            checks.oneOf("pattern." + i + ".box", pattern.get(i).box(), senders);
            double least = pattern.get(i).fromS();
            for (int k = 0; k < i; k++) {
                Stretch before = pattern.get(k);
                boolean overlaps = before.box().equals(pattern.get(i).box())
                        && before.fromS()
                                < pattern.get(i).fromS() + pattern.get(i).lengthS()
                        && pattern.get(i).fromS() < before.fromS() + before.lengthS();
                least = overlaps ? Math.max(least, before.fromS() + before.lengthS()) : least;
            }
            checks.range("pattern." + i + ".fromS", pattern.get(i).fromS(), least, 86_400, Unit.SECOND);
        }
        checks.done();
    }

    /**
     * What lies between the supply and a set.
     *
     * @param lengthM of the route, one way, 0.01 to 200 m
     * @param areaM2 of each conductor, 1e-7 to 2.4e-4 m²
     * @param ambientC of its surroundings, −40 to 60 °C
     * @param fuseA of the fuse in it, 0.1 to 200 A
     * @param fuseOhm of the fuse and its holder, 0 to 1 Ω
     * @param connectorsOhm of all connectors, 0 to 1 Ω
     */
    public record Lead(
            double lengthM, double areaM2, double ambientC, double fuseA, double fuseOhm, double connectorsOhm) {
        public Lead {
            new Checks()
                    .range("lengthM", lengthM, 0.01, 200, Unit.METRE)
                    .range("areaM2", areaM2, 1e-7, 2.4e-4, Unit.SQUARE_METRE)
                    .range("ambientC", ambientC, -40, 60, Unit.CELSIUS)
                    .range("fuseA", fuseA, 0.1, 200, Unit.AMPERE)
                    .range("fuseOhm", fuseOhm, 0, 1, Unit.OHM)
                    .range("connectorsOhm", connectorsOhm, 0, 1, Unit.OHM)
                    .done();
        }

        /** Returns its conductors at the temperature of their surroundings. */
        public Conductor conductor() {
            return new Conductor(lengthM, areaM2, ambientC);
        }
    }

    /**
     * A battery that stands by.
     *
     * @param battery which
     * @param chargingA that a panel or charger gives on average meanwhile, 0 to 200 A
     * @param temperatureC of the battery, −30 to 60 °C
     */
    public record Standby(Battery battery, double chargingA, double temperatureC) {
        public Standby {
            new Checks()
                    .range("chargingA", chargingA, 0, 200, Unit.AMPERE)
                    .range("temperatureC", temperatureC, -30, 60, Unit.CELSIUS)
                    .done();
        }

        Standby withCapacity(double share) {
            Battery other = new Battery(
                    battery.name(),
                    battery.chemistry(),
                    battery.cells(),
                    share * battery.capacityC(),
                    battery.ratedHours(),
                    battery.internalOhm());
            return new Standby(other, chargingA, temperatureC);
        }
    }

    /** Returns the box that draws most at a stretch's peak, which the lead goes to; empty where nothing can transmit. */
    public Optional<Box.Transmitting> fed() {
        Box.Transmitting most = null;
        double mostA = -1;
        for (Box box : boxes) {
            if (box instanceof Box.Transmitting set) {
                double peakA = set.profile().currentA(peakEnvelopeW(set)).value();
                if (peakA > mostA) {
                    mostA = peakA;
                    most = set;
                }
            }
        }
        return Optional.ofNullable(most);
    }

    /** Returns the greatest peak envelope power that a box is used with, in watts; its profile's greatest where it is not. */
    public double peakEnvelopeW(Box.Transmitting set) {
        return pattern.stream()
                .filter(stretch -> stretch.box().equals(set.name()))
                .mapToDouble(Stretch::peakEnvelopeW)
                .max()
                .orElse(set.profile().greatestW());
    }

    /** Returns whether a supply has, or can be set to, a voltage that the set that draws most can work with. */
    public boolean suits(Supply other) {
        return fed().map(set -> other.highestV() >= set.leastV() && other.lowestV() <= set.mostV())
                .orElse(true);
    }

    /** Returns the fuses of what may transmit at once with those of the rest; empty where one is not known. */
    Optional<Double> fusesA() {
        Set<String> at = new HashSet<>();
        double most = 0;
        boolean known =
                !boxes.isEmpty() && boxes.stream().allMatch(box -> box.fuseA().isPresent());
        for (Stretch begins : pattern) {
            at.clear();
            pattern.stream().filter(one -> one.covers(begins.fromS())).forEach(one -> at.add(one.box()));
            double sum = boxes.stream()
                    .filter(box -> box instanceof Box.Steady || at.contains(box.name()))
                    .mapToDouble(box -> box.fuseA().orElse(0.0))
                    .sum();
            most = Math.max(most, sum);
        }
        return known && most > 0 ? Optional.of(most) : Optional.empty();
    }
}
