package org.tubrin.server.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Mains;
import org.tubrin.core.station.Supply;
import org.tubrin.core.supply.Box;
import org.tubrin.core.supply.Conductor;
import org.tubrin.core.supply.KindChoice;
import org.tubrin.core.supply.MainsSide;
import org.tubrin.core.supply.ModeUse;
import org.tubrin.core.supply.OwnCircuit;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.PlanJudgement;
import org.tubrin.core.supply.RunDown;
import org.tubrin.core.supply.Sizing;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Tells the figures of a plan, each with what it is and a note. */
@Component
class PlanFacts {
    private static final double SQUARE_MILLIMETRE = 1e-6;
    private static final double HOUR_S = 3600;
    private static final double KILOWATT_HOUR_J = 3.6e6;
    private static final double HUNDREDTH = 100;
    private static final String THIN = "\u2009";

    private final Words words;

    PlanFacts(Words words) {
        this.words = words;
    }

    static String ampere(double value) {
        return Figures.plain(value, 1);
    }

    /** Returns a cross-section in square millimetres. */
    static String square(double areaM2) {
        return Figures.plain(areaM2 / SQUARE_MILLIMETRE, 2);
    }

    List<PlanView.PlanSchool> schools(Plan plan, Sizing sizing) {
        return sizing.needs().stream()
                .map(need -> new PlanView.PlanSchool(
                        need.school().name(),
                        words.name(need.school().name()),
                        words.say(
                                "sizing." + need.school().name(),
                                Map.of(
                                        "continuous", Figures.written(need.continuousA(), "A"),
                                        "short", Figures.written(need.shortTermA(), "A"),
                                        "most", Figures.written(need.atMostA(), "A"))),
                        need.shortTermA().value(),
                        need.atMostA().value(),
                        need.metBy(plan.supply()),
                        sizing.governs().filter(need::equals).isPresent()))
                .toList();
    }

    PlanView.OwnSupply ownSupply(Plan plan, PlanJudgement judgement, Supply supply) {
        boolean fits = plan.suits(supply);
        int met = judgement.sizing().metBy(supply).size();
        int all = judgement.sizing().needs().size();
        String says = !fits
                ? words.say("own.voltage", Map.of("volts", Figures.plain(supply.voltageV(), 1)))
                : words.say(
                                "own.schools",
                                Map.of(
                                        "met",
                                        met,
                                        "all",
                                        all,
                                        "continuous",
                                        ampere(supply.continuousA()),
                                        "short",
                                        ampere(supply.intermittentA())))
                        + supply.adjustable()
                                .map(range -> words.say(
                                        "own.adjustable",
                                        Map.of(
                                                "low", Figures.plain(range.lowestV(), 1),
                                                "high", Figures.plain(range.highestV(), 1))))
                                .orElse("")
                        + supply.pricePerAmpere()
                                .map(each -> words.say("own.price", Map.of("each", Figures.plain(each, 1))))
                                .orElse("")
                        + supply.weightKg()
                                .map(weight -> words.say("own.weight", Map.of("weight", Figures.plain(weight, 1))))
                                .orElse("");
        return new PlanView.OwnSupply(
                supply.name(),
                says,
                fits && met == all,
                supply.name().equals(plan.supply().name()));
    }

    List<PlanView.PlanKind> kinds(Plan plan) {
        return KindChoice.ranked(plan.wishes()).stream()
                .map(choice -> new PlanView.PlanKind(
                        choice.kind().name(),
                        words.name(choice.kind().name()),
                        words.say("merit." + choice.givesUp().name()),
                        words.say("kind." + choice.kind().name()),
                        choice.kind() == plan.supply().type()))
                .toList();
    }

    List<PlanView.PlanFact> mains(Plan plan, MainsSide mains) {
        List<PlanView.PlanFact> facts = new ArrayList<>();
        facts.add(fact(
                "mains.peak",
                Figures.written(mains.peakAcRmsA(), "A"),
                Map.of(
                        "watt", Figures.written(mains.peakW(), "W"),
                        "may", ampere(mains.mayContinuouslyA()),
                        "percent", Figures.plain(HUNDREDTH * plan.circuit().continuousShare(), 0),
                        "breaker", Figures.plain(plan.circuit().breakerA(), 0))));
        facts.add(fact(
                "mains.average",
                Figures.written(mains.averageAcRmsA(), "A"),
                Map.of("watt", Figures.written(mains.averageW(), "W"))));
        facts.add(fact(
                "mains.heat",
                Figures.written(mains.averageHeatW(), "W"),
                Map.of("peak", Figures.written(mains.peakHeatW(), "W"))));
        facts.add(plan.supply()
                .inrushPeakA()
                .map(peak -> fact("mains.inrush", Figures.plain(peak, 0) + THIN + "A", Map.of()))
                .orElseGet(() -> fact("mains.inrush.unknown", "", Map.of())));
        facts.add(fact(
                "mains.energy",
                Figures.written(mains.energyPerMonthJ(), KILOWATT_HOUR_J, "kWh"),
                Map.of(
                        "hours", Figures.plain(plan.hoursPerDay(), 1),
                        "cost",
                                Figures.of(mains.costPerMonth(plan.pricePerKilowattHour()), 1, "")
                                        .withUncertainty())));
        return facts;
    }

    private PlanView.PlanFact fact(String key, String figure, Map<String, Object> facts) {
        return new PlanView.PlanFact(words.say(key), figure, words.say(key + ".note", facts));
    }

    List<PlanView.PlanFact> lead(Plan plan, PlanJudgement judgement) {
        List<PlanView.PlanFact> facts = new ArrayList<>();
        judgement
                .lead()
                .ifPresent(choice -> facts.add(new PlanView.PlanFact(
                        words.say("lead.choice"),
                        words.say("lead.area", Map.of("area", square(choice.areaM2()))),
                        words.say(choice.serves() ? "lead." + choice.governs().name() : "lead.none"))));
        Conductor conductor = plan.lead().conductor();
        facts.add(new PlanView.PlanFact(
                words.say("lead.carries"),
                Figures.written(conductor.carriesA(plan.lead().ambientC()), "A"),
                words.say(
                        "lead.carries.note",
                        Map.of("ambient", Figures.plain(plan.lead().ambientC(), 0)))));
        judgement
                .outputKeptShare()
                .ifPresent(kept -> facts.add(new PlanView.PlanFact(
                        words.say("lead.output"),
                        percent(kept),
                        words.say("lead.output."
                                + plan.fed()
                                        .map(set ->
                                                set.fall().exponent().standing().name())
                                        .orElse("ASSUMED")))));
        judgement
                .diodes()
                .forEach(one -> facts.add(new PlanView.PlanFact(
                        one.box(),
                        Figures.written(one.behindV(), "V"),
                        words.say(
                                "lead.diodes",
                                Map.of(
                                        "drop", Figures.written(one.dropV(), "V"),
                                        "heat", Figures.written(one.heatEachW(), "W"))))));
        return facts;
    }

    private static String percent(Quantity share) {
        return Figures.written(share, 1 / HUNDREDTH, "%");
    }

    PlanView.DrawRow mode(ModeUse use) {
        String code = use.mode().name();
        return new PlanView.DrawRow(
                words.say("draw." + code),
                words.say("draw." + code + ".source"),
                Figures.written(use.draw().peakA(), "A"),
                Figures.written(use.draw().averageA(), "A"),
                Figures.plain(use.draw().outputW(), 1) + THIN + "W",
                Figures.written(use.mains().averageW(), "W"),
                Figures.written(use.mains().averageHeatW(), "W"));
    }

    PlanView.PlanFact amplifier(Plan plan, Amplifier amplifier, Mains mains) {
        OwnCircuit circuit = OwnCircuit.of(mains, plan.circuit().continuousShare());
        return new PlanView.PlanFact(
                amplifier.name(),
                Figures.plain(mains.currentAcRmsA(), 1) + THIN + "A",
                words.say(
                        circuit.breakerA().isPresent() ? "amplifier.circuit" : "amplifier.none",
                        Map.of(
                                "volts", Figures.plain(mains.voltageAcRmsV(), 0),
                                "breaker", Figures.plain(circuit.breakerA().orElse(0.0), 0),
                                "half", Figures.plain(circuit.halfVoltageV(), 0),
                                "more", Figures.plain(circuit.halfVoltageA(), 0))));
    }

    PlanView.BatteryView battery(Plan plan, PlanJudgement judgement, Plan.Standby standby, RunDown down) {
        Optional<Quantity> runtime = judgement.runtimeS();
        Map<String, Object> facts = Map.of(
                "battery", standby.battery().name(),
                "hours", runtime.map(one -> Figures.written(one, HOUR_S, "h")).orElse(""));
        double endV = plan.fed().map(Box.Transmitting::leastV).orElse(1.0);
        return new PlanView.BatteryView(
                words.say("runDown." + down.end().name(), facts),
                words.say("runDown." + down.end().name() + ".why", facts),
                judgement
                        .standby()
                        .map(on -> onBattery(on, standby, down.end()))
                        .orElse(List.of()),
                down.course().stream()
                        .map(point -> new PlanView.BatteryPoint(point.atS() / HOUR_S, point.restingV(), point.peakV()))
                        .toList(),
                endV,
                words.say("runDown.end", Map.of("volts", Figures.plain(endV, 2))));
    }

    private List<PlanView.PlanFact> onBattery(PlanJudgement.OnBattery on, Plan.Standby standby, RunDown.End end) {
        List<PlanView.PlanFact> facts = new ArrayList<>();
        facts.add(new PlanView.PlanFact(
                words.say("battery.output"),
                end == RunDown.End.VOLTAGE_AT_PEAK || end == RunDown.End.CHARGE
                        ? words.say(
                                "battery.fromTo",
                                Map.of("full", percent(on.outputFullShare()), "end", percent(on.outputEndShare())))
                        : percent(on.outputFullShare()),
                words.say("battery.output.note." + end.name())));
        on.aloneS()
                .filter(alone -> standby.chargingA() > 0)
                .ifPresent(alone -> facts.add(new PlanView.PlanFact(
                        words.say("battery.alone"),
                        Figures.written(alone, HOUR_S, "h"),
                        words.say("battery.alone.note", Map.of("ampere", ampere(standby.chargingA()))))));
        return facts;
    }
}
