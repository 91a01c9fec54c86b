package org.tubrin.server.run;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Battery;
import org.tubrin.core.station.Candidate;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Instrument;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Supply;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Says in a line what a box is. */
final class EquipmentWords implements Equipment.Cases<String> {
    private final Words words;

    private EquipmentWords(Words words) {
        this.words = words;
    }

    static String detail(Equipment equipment, Words words) {
        return equipment.in(new EquipmentWords(words));
    }

    @Override
    public String amplifier(Amplifier amplifier) {
        return amplifier.stage().in(new Stage.Cases<>() {
            @Override
            public String tubes(Stage.Tubes tubes) {
                return words.say(
                        "detail.amplifier.tubes",
                        Map.of(
                                "count", tubes.tubeCount(),
                                "tube", tubes.tube().name(),
                                "drive", Figures.plain(amplifier.driveLimitW(), 2)));
            }

            @Override
            public String transistors(Stage.Transistors transistors) {
                return words.say("detail.amplifier.transistors");
            }

            @Override
            public String switching(Stage.Switching switching) {
                return words.say(
                        "detail.amplifier.switching",
                        Map.of(
                                "least", Figures.plain(switching.leastSupplyDcV(), 1),
                                "most", Figures.plain(switching.mostSupplyDcV(), 1)));
            }
        });
    }

    @Override
    public String exciter(Exciter exciter) {
        return words.say("detail.exciter", Map.of("most", Figures.plain(exciter.powerMaxW(), 1)));
    }

    @Override
    public String pad(Pad pad) {
        return words.say(
                "detail.pad",
                Map.of(
                        "attenuation", Figures.plain(pad.attenuationDb(), 2),
                        "most", Figures.plain(pad.powerLimitW(), 0)));
    }

    @Override
    public String meter(Meter meter) {
        return meter.channels().stream()
                .map(channel -> words.name(channel.role().name()))
                .distinct()
                .collect(Collectors.joining(", "));
    }

    @Override
    public String load(Load load) {
        return words.say(
                "detail.load",
                Map.of(
                        "resistance", Figures.plain(load.resistanceColdOhm(), 1),
                        "most", Figures.plain(load.powerLimitW(), 0)));
    }

    @Override
    public String antenna(Antenna antenna) {
        return String.join(
                ", ",
                antenna.bands().stream()
                        .map(band -> words.name(band.band().name()))
                        .toList());
    }

    @Override
    public String instrument(Instrument instrument) {
        return String.join(
                "; ",
                instrument.queries().stream()
                        .collect(Collectors.groupingBy(
                                Instrument.Query::meter,
                                LinkedHashMap::new,
                                Collectors.mapping(
                                        query -> words.name(query.role().name()), Collectors.joining(", "))))
                        .entrySet()
                        .stream()
                        .map(meter -> words.say(
                                "detail.instrument", Map.of("role", meter.getValue(), "meter", meter.getKey())))
                        .toList());
    }

    @Override
    public String supply(Supply supply) {
        return words.say(
                "line.supply",
                Map.of("kind", words.name(supply.type().name()), "volts", Figures.plain(supply.voltageV(), 2)));
    }

    @Override
    public String battery(Battery battery) {
        return words.name(battery.chemistry().name());
    }

    @Override
    public String candidate(Candidate candidate) {
        return words.say(
                "choosing.claim." + candidate.claim().name(), Map.of("watt", Figures.plain(candidate.claimW(), 0)));
    }
}
