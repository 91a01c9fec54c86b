package org.tubrin.server.card;

import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.card.Reach;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Termination;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Says how far one may move in frequency with the dials left where they are. */
@Component
public class ReachWords {
    /** Output that may be lost before the dials are touched again. */
    private static final double LOSS_SHARE = 0.1;

    private final Words words;

    ReachWords(Words words) {
        this.words = words;
    }

    /** Returns it in words; empty where the amplifier has no twin of the band. */
    public Optional<String> words(
            Amplifier amplifier, Band band, double frequencyHz, double driveW, Termination termination) {
        boolean constant =
                termination instanceof Antenna antenna && antenna.impedance().isEmpty();
        return Reach.of(amplifier, band, frequencyHz, driveW, Cards.into(termination), LOSS_SHARE)
                .map(reach -> words.say(
                        constant ? "reach.constant" : "reach",
                        Map.of(
                                "low", Figures.fixed(reach.lowestHz() / 1e6, 3),
                                "high", Figures.fixed(reach.highestHz() / 1e6, 3),
                                "lowBound",
                                        words.say("bound." + reach.lowBound().name()),
                                "highBound",
                                        words.say("bound." + reach.highBound().name()))));
    }
}
