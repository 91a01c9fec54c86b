package org.tubrin.server.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToDoubleBiFunction;
import org.springframework.stereotype.Component;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.hv.Inrush;
import org.tubrin.core.hv.Spread;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Tells what a high-voltage supply comes to. */
@Component
class HighVoltageViewer {
    private static final String THIN = "\u2009";
    private static final double PERCENT = 100;
    private static final double KILOHM = 1000;

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
        return new Told(supply).view();
    }

    /** One supply being told. */
    private final class Told {
        private final HighVoltage supply;
        private final Spread spread;
        private final HighVoltage.Findings judged;

        Told(HighVoltage supply) {
            this.supply = supply;
            this.spread = Spread.of(supply);
            this.judged = spread.judged();
        }

        HighVoltageView view() {
            List<PlanView.PlanFinding> findings =
                    supply.faults(judged).stream().map(this::finding).toList();
            Map<String, Object> facts = Map.of(
                    "name", supply.name(),
                    "low", low(),
                    "time", figure(Unit.SECOND, (of, as) -> as.allWork().terminalsS()),
                    "volts", openVoltage());
            return new HighVoltageView(
                    findings.isEmpty()
                            ? words.say("hv.sound", facts)
                            : findings.get(0).title(),
                    findings.isEmpty()
                            ? words.say("hv.sound.why", facts)
                            : findings.get(0).meaning() + " " + findings.get(0).act(),
                    findings,
                    List.of(sharing(), bleeding(), load(), switchOn()),
                    judged.course().stream()
                            .map(point -> new BleedPoint(point.atS(), point.volts()))
                            .toList(),
                    HighVoltage.LOW_V,
                    words.say("hv.low", Map.of("low", low())),
                    List.of(words.say("hv.caution.measure"), words.say("hv.caution.lethal")));
        }

        private PlanView.PlanFinding finding(HighVoltage.Fault fault) {
            String key = "hvFault." + fault.name();
            double bound = fault.held(supply, judged).bound();
            Map<String, Object> facts = Map.of(
                    "found",
                    spread.figure(fault)
                            .map(found -> fault.unit() == Unit.ONE ? percent(found) : written(found))
                            .orElse(words.say("hv.never")),
                    "bound",
                    Figures.plain(bound, 0),
                    "ratio",
                    spread.figure(fault)
                            .map(found -> Figures.of(found, bound, "").withUncertainty())
                            .orElse(""));
            return new PlanView.PlanFinding(
                    fault.name(),
                    words.say(key + ".title", facts),
                    words.say(key + ".meaning", facts),
                    words.say(key + ".act", facts));
        }

        private String low() {
            return Figures.plain(HighVoltage.LOW_V, 0) + THIN + "V";
        }

        private String openVoltage() {
            return figure(Unit.VOLT, (of, as) -> of.rectifier().openV());
        }

        private String figure(Unit unit, ToDoubleBiFunction<HighVoltage, HighVoltage.Findings> of) {
            return spread.figure(unit, of).map(this::written).orElse(words.say("hv.never"));
        }

        private String share(ToDoubleBiFunction<HighVoltage, HighVoltage.Findings> of) {
            return spread.figure(Unit.ONE, of).map(this::percent).orElse("");
        }

        private String written(Quantity figure) {
            return Figures.written(figure, words.say("unit." + figure.unit().name()));
        }

        private String percent(Quantity share) {
            return Figures.written(share, 1 / PERCENT, "%");
        }

        private PlanView.PlanFact fact(String key, String figure, Map<String, Object> facts) {
            return new PlanView.PlanFact(
                    words.say("hv." + key, facts), figure, words.say("hv." + key + ".note", facts));
        }

        private FactGroup sharing() {
            List<PlanView.PlanFact> facts = List.of(
                    fact(
                            "each",
                            figure(Unit.VOLT, (of, as) -> as.sharing().worstV()),
                            Map.of(
                                    "even",
                                    figure(Unit.VOLT, (of, as) -> as.sharing().evenV()),
                                    "rated",
                                    Figures.plain(supply.bank().eachRatedV(), 0))),
                    fact(
                            "resistor",
                            spread.figure(Unit.OHM, (of, as) -> as.sharing().mostResistorOhm())
                                    .map(ohm -> Figures.written(ohm, KILOHM, "kΩ"))
                                    .orElse(words.say("hv.any")),
                            Map.of("fitted", Figures.plain(supply.bank().resistorOhm() / KILOHM, 1))),
                    fact(
                            "resistorHeat",
                            figure(Unit.WATT, (of, as) -> as.sharing().resistorHeatW()),
                            Map.of(
                                    "percent",
                                    share((of, as) -> as.sharing().resistorShare()),
                                    "rated",
                                    Figures.plain(supply.bank().resistorRatedW(), 1))));
            return new FactGroup(words.say("hv.sharing"), facts);
        }

        private FactGroup bleeding() {
            double slowestS = judged.slowestS();
            List<PlanView.PlanFact> facts = List.of(
                    fact(
                            "bleed",
                            figure(Unit.SECOND, (of, as) -> as.allWork().terminalsS()),
                            Map.of(
                                    "slow",
                                    Double.isInfinite(slowestS)
                                            ? words.say("hv.never")
                                            : Figures.plain(slowestS, 0) + THIN + "s",
                                    "low",
                                    low())),
                    fact(
                            "open",
                            figure(Unit.SECOND, (of, as) -> as.oneOpen().everyCapacitorS()),
                            Map.of(
                                    "left",
                                    figure(Unit.VOLT, (of, as) -> as.oneOpen().worstLeftV()))),
                    fact(
                            "energy",
                            figure(
                                    Unit.JOULE,
                                    (of, as) -> of.bank().energyJ(of.rectifier().openV())),
                            Map.of()));
            return new FactGroup(words.say("hv.bleeding"), facts);
        }

        private FactGroup load() {
            List<PlanView.PlanFact> facts = List.of(
                    fact("open.voltage", openVoltage(), Map.of()),
                    fact(
                            "loaded",
                            figure(Unit.VOLT, (of, as) -> as.underLoad().meanV()),
                            Map.of(
                                    "ampere",
                                    Figures.plain(supply.loadA(), 2),
                                    "sag",
                                    share((of, as) -> as.underLoad().sag(of.rectifier())))),
                    fact(
                            "ripple",
                            figure(Unit.VOLT, (of, as) -> as.underLoad().ripplePeakToPeakV()),
                            Map.of("percent", share((of, as) -> as.underLoad().rippleShare()))),
                    fact(
                            "charge",
                            figure(Unit.AMPERE, (of, as) -> as.underLoad().chargePeakA()),
                            Map.of()),
                    fact(
                            "inverse",
                            figure(Unit.VOLT, (of, as) -> of.rectifier().inverseV()),
                            Map.of("percent", share((of, as) -> of.rectifier().inverseShare()))));
            return new FactGroup(words.say("hv.load"), facts);
        }

        private FactGroup switchOn() {
            List<PlanView.PlanFact> facts = new ArrayList<>();
            facts.add(inrush("atOnce", HighVoltage.Findings::atOnce));
            supply.softStart().ifPresent(soft -> {
                facts.add(inrush("softly", as -> as.softly().orElseThrow()));
                facts.add(fact(
                        "softEnergy",
                        figure(Unit.JOULE, (of, as) -> as.softly().orElseThrow().resistorEnergyJ()),
                        Map.of("rated", Figures.plain(soft.ratedJ(), 0))));
            });
            return new FactGroup(words.say("hv.switchOn"), facts);
        }

        private PlanView.PlanFact inrush(String key, Function<HighVoltage.Findings, Inrush> which) {
            return fact(
                    key,
                    figure(Unit.AMPERE, (of, as) -> which.apply(as).primaryPeakA()),
                    Map.of(
                            "secondary",
                            figure(Unit.AMPERE, (of, as) -> which.apply(as).peakA()),
                            "time",
                            figure(Unit.SECOND, (of, as) -> which.apply(as).chargedS())));
        }
    }
}
