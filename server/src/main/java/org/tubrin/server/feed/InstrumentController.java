package org.tubrin.server.feed;

import java.io.IOException;
import java.net.SocketTimeoutException;
import java.util.List;
import org.jspecify.annotations.Nullable;
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
    private final Hosts hosts;
    private final Words words;

    InstrumentController(Hosts hosts, Words words) {
        this.hosts = hosts;
        this.words = words;
    }

    /** Asks an instrument once; its record need not be kept. */
    @PostMapping("/try")
    Trial attempt(@RequestBody Equipment body) {
        if (!(body instanceof Instrument instrument)) {
            throw new Refused(new Problem(
                    ProblemCode.UNKNOWN_NAME,
                    "kind",
                    CoreJson.kind(Equipment.class, body),
                    new Allowed.Codes(List.of("instrument"))));
        }
        int timeoutMs = (int) Math.round(1000 * instrument.timeoutS());
        try (Line line = Line.to(hosts.address(instrument.host(), instrument.port()), timeoutMs)) {
            String answer = line.ask(instrument.query(), timeoutMs);
            return Source.valueOf(answer, instrument)
                    .map(value -> trial(Source.Health.OK, answer, value))
                    .orElseGet(() -> trial(Source.Health.UNREADABLE, answer, null));
        } catch (SocketTimeoutException e) {
            return trial(Source.Health.SILENT, "", null);
        } catch (IOException e) {
            return trial(Source.Health.AWAY, "", null);
        }
    }

    private Trial trial(Source.Health health, String answer, @Nullable Double value) {
        return new Trial(health.name(), words.say("source." + health.name()), answer, value);
    }
}
