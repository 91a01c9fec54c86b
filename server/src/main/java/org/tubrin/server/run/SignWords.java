package org.tubrin.server.run;

import java.util.Map;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.signs.Evidence;
import org.tubrin.core.signs.Sign;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Puts signs and what they rest on into words. */
@Component
class SignWords {
    private static final String THIN = "\u2009";

    private final Words words;

    SignWords(Words words) {
        this.words = words;
    }

    /** Returns a sign in words. */
    RunView.SignView view(Sign sign) {
        String key = "sign." + sign.code().name();
        return new RunView.SignView(
                sign.code(),
                sign.severity(),
                words.say(key + ".title"),
                words.say(key + ".meaning"),
                words.say(key + ".act"),
                sign.evidence().stream().map(this::evidence).toList(),
                sign.evidence().isEmpty()
                        ? ""
                        : words.say("certainty." + sign.standing().name()));
    }

    private String evidence(Evidence evidence) {
        boolean near = evidence.certainty() < 0.5;
        return words.say(
                "evidence." + (near ? "near" : evidence.above() ? "above" : "below"),
                Map.of(
                        "figure", words.name(evidence.figure().name()),
                        "found", found(evidence),
                        "bound", bound(evidence),
                        "basis", words.say("basis." + evidence.basis().name())));
    }

    private String found(Evidence evidence) {
        if (isShare(evidence)) {
            return Figures.percent(evidence.found()).withUncertainty() + THIN + "%";
        }
        boolean exact = evidence.found().standardUncertainty() == 0;
        String shown = exact
                ? Figures.plain(evidence.found().value(), 2)
                : Figures.of(evidence.found(), 1, "", 3).withUncertainty();
        return shown + unit(evidence);
    }

    private String bound(Evidence evidence) {
        if (isShare(evidence)) {
            return Figures.plain(100 * evidence.bound(), 0) + THIN + "%";
        }
        boolean coarse = evidence.found().unit() == Unit.WATT && evidence.bound() >= 10;
        return Figures.plain(evidence.bound(), coarse ? 0 : 3) + unit(evidence);
    }

    private String unit(Evidence evidence) {
        String symbol = words.say("unit." + evidence.found().unit().name());
        return symbol.isEmpty() ? "" : THIN + symbol;
    }

    private static boolean isShare(Evidence evidence) {
        return switch (evidence.figure()) {
            case EFFICIENCY, SAG, GRID_TO_PLATE, SCREEN_TO_PLATE -> true;
            case OUTPUT,
                    PLATE_CURRENT,
                    GRID_CURRENT,
                    SCREEN_CURRENT,
                    INPUT_SWR,
                    HEAT_PER_TUBE,
                    DRIVE,
                    GROWTH,
                    PLATE_CURRENT_RISE,
                    PLATE_DRIFT,
                    WATTMETERS -> false;
        };
    }
}
