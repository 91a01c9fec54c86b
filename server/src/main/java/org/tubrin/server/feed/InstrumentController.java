package org.tubrin.server.feed;

import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Instrument;
import org.tubrin.server.store.CoreJson;
import org.tubrin.server.words.Words;

/** Tries a connection to an instrument. */
@RestController
@RequestMapping("/api/instruments")
public class InstrumentController {
    private static final long LONGEST_NS = 20_000_000_000L;

    private final Hosts hosts;
    private final Words words;

    InstrumentController(Hosts hosts, Words words) {
        this.hosts = hosts;
        this.words = words;
    }

    /**
     * Asks an instrument each of its queries once, in their order; its record need not be kept. Where nobody is, none of the others
     * is asked, nor once it has taken so long that nobody waits for more.
     */
    @PostMapping("/try")
    List<Trial> attempt(@RequestBody Equipment body) {
        if (!(body instanceof Instrument instrument)) {
            throw new Refused(new Problem(
                    ProblemCode.UNKNOWN_NAME,
                    "kind",
                    CoreJson.kind(Equipment.class, body),
                    new Allowed.Codes(List.of("instrument"))));
        }
        List<Trial> trials = new ArrayList<>();
        long startedNs = System.nanoTime();
        try (Asking asking = new Asking(instrument, hosts)) {
            Asking.Said said = Asking.Said.nothing(Source.Health.STARTING, true);
            for (Instrument.Query query : instrument.queries()) {
                if (System.nanoTime() - startedNs > LONGEST_NS) {
                    said = Asking.Said.nothing(Source.Health.STARTING, true);
                } else if (said.reached()) {
                    said = asking.ask(query);
                }
                trials.add(trial(query, said));
            }
        }
        return trials;
    }

    private Trial trial(Instrument.Query query, Asking.Said said) {
        return new Trial(
                query.query(),
                said.health().name(),
                words.say("source." + said.health().name()),
                said.answer(),
                said.value().orElse(null));
    }
}
