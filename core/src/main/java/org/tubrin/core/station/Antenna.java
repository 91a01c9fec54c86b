package org.tubrin.core.station;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;

/**
 * An antenna with its line.
 *
 * @param name what it is called
 * @param bands what is known of it per band, each band once
 * @param impedance as measured at the station end of the line, 2 to 2001 points in rising order of frequency; absent where
 *     it was not measured
 */
public record Antenna(String name, List<AntennaBand> bands, Optional<List<ImpedancePoint>> impedance)
        implements Termination {
    private static final int MOST_POINTS = 2001;

    public Antenna {
        bands = List.copyOf(bands);
        impedance = impedance.map(List::copyOf);
        new Checks()
                .name("name", name)
                .size("bands", bands, 1, Band.values().length)
                .distinct("bands", bands.stream().map(AntennaBand::band).toList())
                .done();
        impedance.ifPresent(points -> {
            Checks checks = new Checks().size("impedance", points, 2, MOST_POINTS);
            for (int i = 1; i < points.size(); i++) {
                double before = points.get(i - 1).frequencyHz();
                checks.range(
                        "impedance." + i + ".frequencyHz",
                        points.get(i).frequencyHz(),
                        Math.nextUp(before),
                        1e10,
                        Unit.HERTZ);
            }
            checks.done();
        });
    }

    /** Returns the impedance at a frequency in hertz, linear between the measured points; empty beyond them. */
    public Optional<ImpedancePoint> impedanceAt(double frequencyHz) {
        List<ImpedancePoint> points = impedance.orElse(List.of());
        for (int i = 1; i < points.size(); i++) {
            ImpedancePoint low = points.get(i - 1);
            ImpedancePoint high = points.get(i);
            if (frequencyHz >= low.frequencyHz() && frequencyHz <= high.frequencyHz()) {
                double share = (frequencyHz - low.frequencyHz()) / (high.frequencyHz() - low.frequencyHz());
                return Optional.of(new ImpedancePoint(
                        frequencyHz,
                        low.ohm() + share * (high.ohm() - low.ohm()),
                        low.reactanceOhm() + share * (high.reactanceOhm() - low.reactanceOhm())));
            }
        }
        return Optional.empty();
    }

    @Override
    public ImpedancePoint at(double frequencyHz) {
        return impedanceAt(frequencyHz).orElseGet(() -> new ImpedancePoint(frequencyHz, Mismatch.LINE_OHM, 0));
    }

    /** Returns the standing-wave ratio at a frequency in hertz: as measured there, else what the record says of the band. */
    public Optional<Double> swrAt(Band band, double frequencyHz) {
        return impedanceAt(frequencyHz)
                .map(point -> Mismatch.swr(point.ohm(), point.reactanceOhm()))
                .or(() -> on(band).map(AntennaBand::swr));
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

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.antenna(this);
    }
}
