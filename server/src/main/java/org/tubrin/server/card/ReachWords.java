package org.tubrin.server.card;

import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.card.Reach;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Termination;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Says how far one may move in frequency with the dials left where they are. */
@Component
public class ReachWords {
    private final Stations stations;
    private final Words words;

    ReachWords(Stations stations, Words words) {
        this.stations = stations;
        this.words = words;
    }

    /** Returns it in words; empty where the amplifier has no twin of the band. */
    public Optional<String> words(
            Amplifier amplifier, Band band, double frequencyHz, double driveW, Termination termination) {
        boolean constant =
                termination instanceof Antenna antenna && antenna.impedance().isEmpty();
        return Reach.of(amplifier, band, frequencyHz, driveW, termination::at, Reach.LOSS_SHARE)
                .map(reach -> stations.station()
                        .map(kept -> reach.within(
                                kept.station().lowestHz(band), kept.station().highestHz(band)))
                        .orElse(reach))
                .map(reach -> words.say(
                        constant ? "reach.constant" : "reach",
                        Map.of(
                                "low", Figures.fixed(reach.lowestHz() / 1e6, 3),
                                "high", Figures.fixed(reach.highestHz() / 1e6, 3),
                                "lowBound", bound(reach.lowBound()),
                                "highBound", bound(reach.highBound()))));
    }

    private String bound(Reach.Bound bound) {
        return words.say("bound." + bound.name(), Map.of("loss", Figures.plain(100 * Reach.LOSS_SHARE, 0)));
    }
}
