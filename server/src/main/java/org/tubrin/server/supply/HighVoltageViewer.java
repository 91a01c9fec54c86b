package org.tubrin.server.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.tubrin.core.hv.BleedDown;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.hv.Inrush;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Tells what a high-voltage supply comes to. */
@Component
class HighVoltageViewer {
    private static final String THIN = "\u2009";
    private static final double PERCENT = 100;

    private final Words words;

    HighVoltageViewer(Words words) {
        this.words = words;
    }

    /**
     * A high-voltage supply as the page shows it.
     *
     * @param title all of it in one
     * @param reason why
     * @param findings parts beyond what they bear, the gravest first
     * @param groups figures, by what they are about
     * @param course voltage after switch-off, if every resistor works
     * @param lowV below which it is left to be shorted and measured
     * @param lowLabel words for it
     * @param cautions in plain words
     */
    public record HighVoltageView(
            String title,
            String reason,
            List<PlanView.PlanFinding> findings,
            List<FactGroup> groups,
            List<BleedPoint> course,
            double lowV,
            String lowLabel,
            List<String> cautions) {}

    /** Figures about one thing. */
    public record FactGroup(String title, List<PlanView.PlanFact> facts) {}

    /** A moment after switch-off. */
    public record BleedPoint(double atS, double volts) {}

    HighVoltageView view(HighVoltage supply) {
        HighVoltage.Judgement judged = supply.judged();
        List<PlanView.PlanFinding> findings =
                judged.findings().stream().map(this::finding).toList();
        Map<String, Object> facts = Map.of(
                "name", supply.name(),
                "low", volts(HighVoltage.LOW_V),
                "time", time(judged.allWork().terminalsS()),
                "volts", volts(supply.rectifier().openV()));
        return new HighVoltageView(
                findings.isEmpty()
                        ? words.say("hv.sound", facts)
                        : findings.get(0).title(),
                findings.isEmpty()
                        ? words.say("hv.sound.why", facts)
                        : findings.get(0).meaning() + " " + findings.get(0).act(),
                findings,
                List.of(
                        sharing(supply, judged),
                        bleeding(supply, judged),
                        load(supply, judged),
                        switchOn(supply, judged)),
                judged.course().stream()
                        .map(point -> new BleedPoint(point.atS(), point.volts()))
                        .toList(),
                HighVoltage.LOW_V,
                words.say("hv.low", Map.of("low", volts(HighVoltage.LOW_V))),
                List.of(words.say("hv.caution.measure"), words.say("hv.caution.lethal")));
    }

    private PlanView.PlanFinding finding(HighVoltage.Finding finding) {
        String key = "hvFault." + finding.fault().name();
        Map<String, Object> facts =
                Map.of("found", finding.found(), "bound", finding.bound(), "ratio", finding.found() / finding.bound());
        return new PlanView.PlanFinding(
                finding.fault().name(),
                words.say(key + ".title", facts),
                words.say(key + ".meaning", facts),
                words.say(key + ".act", facts));
    }

    private static String volts(double value) {
        return Figures.plain(value, 0) + THIN + "V";
    }

    private String time(double seconds) {
        return Double.isInfinite(seconds)
                ? words.say("hv.never")
                : Figures.plain(seconds, seconds < 1 ? 3 : seconds < 10 ? 1 : 0) + THIN + "s";
    }

    private PlanView.PlanFact fact(String key, String figure, Map<String, Object> facts) {
        return new PlanView.PlanFact(words.say("hv." + key, facts), figure, words.say("hv." + key + ".note", facts));
    }

    private FactGroup sharing(HighVoltage supply, HighVoltage.Judgement judged) {
        double most = judged.sharing().mostResistorOhm();
        List<PlanView.PlanFact> facts = List.of(
                fact(
                        "each",
                        volts(judged.sharing().worstV()),
                        Map.of(
                                "even", volts(judged.sharing().evenV()),
                                "rated", volts(supply.bank().eachRatedV()))),
                fact(
                        "resistor",
                        Double.isInfinite(most) ? words.say("hv.any") : Figures.plain(most / 1000, 0) + THIN + "kΩ",
                        Map.of("fitted", Figures.plain(supply.bank().resistorOhm() / 1000, 1))),
                fact(
                        "resistorHeat",
                        Figures.plain(judged.sharing().resistorHeatW(), 1) + THIN + "W",
                        Map.of(
                                "percent",
                                        Figures.plain(PERCENT * judged.sharing().resistorShare(), 0),
                                "rated", Figures.plain(supply.bank().resistorRatedW(), 1))));
        return new FactGroup(words.say("hv.sharing"), facts);
    }

    private FactGroup bleeding(HighVoltage supply, HighVoltage.Judgement judged) {
        BleedDown open = judged.oneOpen();
        List<PlanView.PlanFact> facts = List.of(
                fact(
                        "bleed",
                        time(judged.allWork().terminalsS()),
                        Map.of("slow", time(judged.slowestS()), "low", volts(HighVoltage.LOW_V))),
                fact("open", time(open.everyCapacitorS()), Map.of("left", volts(open.worstLeftV()))),
                fact(
                        "energy",
                        Figures.plain(supply.bank().energyJ(supply.rectifier().openV()), 0) + THIN + "J",
                        Map.of()));
        return new FactGroup(words.say("hv.bleeding"), facts);
    }

    private FactGroup load(HighVoltage supply, HighVoltage.Judgement judged) {
        List<PlanView.PlanFact> facts = List.of(
                fact("open.voltage", volts(supply.rectifier().openV()), Map.of()),
                fact(
                        "loaded",
                        volts(judged.underLoad().meanV()),
                        Map.of(
                                "ampere", Figures.plain(supply.loadA(), 2),
                                "sag",
                                        Figures.plain(
                                                PERCENT * judged.underLoad().sag(supply.rectifier()), 1))),
                fact(
                        "ripple",
                        Figures.plain(judged.underLoad().ripplePeakToPeakV(), 1) + THIN + "V",
                        Map.of(
                                "percent",
                                Figures.plain(PERCENT * judged.underLoad().rippleShare(), 2))),
                fact("charge", Figures.plain(judged.underLoad().chargePeakA(), 1) + THIN + "A", Map.of()),
                fact(
                        "inverse",
                        volts(supply.rectifier().inverseV()),
                        Map.of(
                                "percent",
                                Figures.plain(PERCENT * supply.rectifier().inverseShare(), 0))));
        return new FactGroup(words.say("hv.load"), facts);
    }

    private FactGroup switchOn(HighVoltage supply, HighVoltage.Judgement judged) {
        List<PlanView.PlanFact> facts = new ArrayList<>();
        facts.add(inrush("atOnce", judged.atOnce()));
        judged.softly().ifPresent(soft -> {
            facts.add(inrush("softly", soft));
            facts.add(fact(
                    "softEnergy",
                    Figures.plain(soft.resistorEnergyJ(), 0) + THIN + "J",
                    Map.of(
                            "rated",
                            Figures.plain(
                                    supply.softStart()
                                            .map(HighVoltage.SoftStart::ratedJ)
                                            .orElse(0.0),
                                    0))));
        });
        return new FactGroup(words.say("hv.switchOn"), facts);
    }

    private PlanView.PlanFact inrush(String key, Inrush inrush) {
        return fact(
                key,
                Figures.plain(inrush.primaryPeakA(), 0) + THIN + "A",
                Map.of("secondary", Figures.plain(inrush.peakA(), 1), "time", time(inrush.chargedS())));
    }
}
