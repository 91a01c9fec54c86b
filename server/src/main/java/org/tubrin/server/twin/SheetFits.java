package org.tubrin.server.twin;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Stage;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.SheetFit;
import org.tubrin.core.twin.TwinFromSheet;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Finds a twin from a maker's sheet and says how good it is. */
@Component
class SheetFits {
    private final Stations stations;
    private final Words words;

    SheetFits(Stations stations, Words words) {
        this.stations = stations;
        this.words = words;
    }

    TwinViews.FitView fit(TwinViews.FitRequest request) {
        Stations.Stored kept = stations.equipment(request.amplifierId());
        if (!(kept.equipment() instanceof Amplifier amplifier) || !(amplifier.stage() instanceof Stage.Tubes)) {
            throw new Refused(new Problem(
                    ProblemCode.NO_SHEET_FIT, "amplifier", kept.equipment().name(), new Allowed.Nothing()));
        }
        if (!(TwinFromSheet.of(amplifier, request.sheet()) instanceof Outcome.Settled<SheetFit> settled)) {
            throw new Refused(new Problem(ProblemCode.TWIN_UNSETTLED, "sheet", "", new Allowed.Nothing()));
        }
        SheetFit fit = settled.point();
        return new TwinViews.FitView(
                fit.readings().stream().map(this::row).toList(),
                fit.parameters().stream().map(this::row).toList(),
                notes(fit),
                amplifier.withTwin(fit.constants()),
                kept.revision());
    }

    private List<String> notes(SheetFit fit) {
        List<String> notes = new ArrayList<>();
        if (!fit.assumedBands().isEmpty()) {
            notes.add(words.say(
                    "fit.assumedBands",
                    Map.of(
                            "bands",
                            String.join(
                                    ", ",
                                    fit.assumedBands().stream()
                                            .map(band -> words.name(band.name()))
                                            .toList()))));
        }
        notes.add(words.say(
                "fit.supply",
                Map.of(
                        "open", Figures.fixed(fit.constants().supplyOpenV(), 0),
                        "source", Figures.fixed(fit.constants().supplySourceOhm(), 0))));
        return notes;
    }

    private TwinViews.FitRow row(SheetFit.Reading reading) {
        int decimals = switch (reading.figure()) {
            case OUTPUT -> 0;
            case INPUT_SWR -> 2;
            case RESTING_CURRENT, PLATE_CURRENT, GRID_CURRENT, SCREEN_CURRENT -> 3;
        };
        return new TwinViews.FitRow(
                words.say(
                        "fit.figure." + reading.figure().name(),
                        Map.of("point", Integer.toString(reading.operation() + 1))),
                Figures.fixed(reading.sheet(), decimals),
                Figures.fixed(reading.twin(), decimals),
                reading.sheet() == 0 ? 0 : 100 * (reading.twin() / reading.sheet() - 1));
    }

    private TwinViews.ConstantRow row(SheetFit.Parameter parameter) {
        double value = parameter.value();
        String shown = value < 0.1
                ? String.format(java.util.Locale.ROOT, "%.2e", value)
                : Figures.plain(value, value < 100 ? 1 : 0);
        return new TwinViews.ConstantRow(
                words.say("fit.constant." + parameter.constant().name()),
                shown,
                parameter.standing(),
                words.say("fit.determined." + parameter.standing().name()));
    }
}
