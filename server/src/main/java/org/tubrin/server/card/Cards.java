package org.tubrin.server.card;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.tubrin.core.station.Band;
import org.tubrin.core.tuneup.Preset;
import tools.jackson.databind.json.JsonMapper;

/** The tune cards. */
@Service
public class Cards {
    private final CardMapper mapper;
    private final JsonMapper json;

    Cards(CardMapper mapper, JsonMapper json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** A row with where it belongs. */
    public record Row(CardRecord record, CardBody body) {}

    /** Returns the newest row of each place, bands in rising order. */
    public List<Row> newest() {
        return mapper.newest().stream()
                .map(record -> new Row(record, json.readValue(record.body(), CardBody.class)))
                .sorted(java.util.Comparator.comparing((Row row) -> row.record().amplifier())
                        .thenComparing(row -> Band.valueOf(row.record().band()))
                        .thenComparing(row -> row.record().termination()))
                .toList();
    }

    /** Returns the dials that the card knows for a place: of the same load or antenna, else of another. */
    public Optional<Preset> best(String amplifier, Band band, String termination) {
        return Optional.ofNullable(mapper.best(amplifier, band.name(), termination))
                .map(record -> json.readValue(record.body(), CardBody.class))
                .map(body -> new Preset(body.plate(), body.load(), Preset.Source.CARD));
    }
}
