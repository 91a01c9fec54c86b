package org.tubrin.core.station;

import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;

/**
 * Something of the station that was changed: what was found with it before rests on what is no longer there.
 *
 * @param equipment name of what was changed
 * @param part which part of it
 * @param at when
 * @param note what exactly, 0 to 200 characters
 */
public record Alteration(String equipment, Part part, Instant at, String note) {
    /** What was changed. */
    public enum Part {
        TUBES,
        /** One that drive or current flows through: at the input, the cathode, the grid. */
        RESISTOR,
        /** Coil, capacitor or band switch. */
        TANK,
        RELAY,
        FIRMWARE,
        CABLE,
        ANTENNA,
        OTHER
    }

    public Alteration {
        new Checks().name("equipment", equipment).text("note", note, 0, 200).done();
    }

    /** Returns the first change of any of these after a moment: since then what was found at that moment no longer holds. */
    public static Optional<Alteration> closing(List<Alteration> all, Collection<String> equipment, Instant found) {
        return all.stream()
                .filter(one -> equipment.contains(one.equipment()) && one.at().isAfter(found))
                .min(Comparator.comparing(Alteration::at));
    }

    /** Returns the last change of any of these: what was found since then holds. */
    public static Optional<Alteration> last(List<Alteration> all, Collection<String> equipment) {
        return all.stream()
                .filter(one -> equipment.contains(one.equipment()))
                .max(Comparator.comparing(Alteration::at));
    }
}
