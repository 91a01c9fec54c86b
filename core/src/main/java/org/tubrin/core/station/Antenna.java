package org.tubrin.core.station;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * An antenna with its line.
 *
 * @param name what it is called
 * @param bands what is known of it per band, each band once
 */
public record Antenna(String name, List<AntennaBand> bands) implements Termination {
    public Antenna {
        bands = List.copyOf(bands);
        new Checks()
                .name("name", name)
                .size("bands", bands, 1, Band.values().length)
                .distinct("bands", bands.stream().map(AntennaBand::band).toList())
                .done();
    }

    /** Returns what is known of it on a band. */
    public Optional<AntennaBand> on(Band band) {
        return bands.stream().filter(entry -> entry.band() == band).findFirst();
    }

    /**
     * One band of an antenna.
     *
     * @param band the band
     * @param swr standing-wave ratio at the station end of the line, 1 to 50
     * @param lineLossDb loss of the line when matched, 0 to 20 dB
     */
    public record AntennaBand(Band band, double swr, double lineLossDb) {
        public AntennaBand {
            new Checks()
                    .range("swr", swr, 1, 50, Unit.ONE)
                    .range("lineLossDb", lineLossDb, 0, 20, Unit.DECIBEL)
                    .done();
        }
    }
}
