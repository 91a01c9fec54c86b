package org.tubrin.server.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Mains;
import org.tubrin.core.station.Supply;
import org.tubrin.core.supply.Box;
import org.tubrin.core.supply.Conductor;
import org.tubrin.core.supply.Judgement;
import org.tubrin.core.supply.KindChoice;
import org.tubrin.core.supply.MainsSide;
import org.tubrin.core.supply.ModeUse;
import org.tubrin.core.supply.OwnCircuit;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.RunDown;
import org.tubrin.core.supply.Sizing;
import org.tubrin.core.supply.TenMinutes;
import org.tubrin.core.supply.VoltageStair;
import org.tubrin.server.run.RunView;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Tells what a plan comes to. */
@Component
class PlanViewer {
    private static final double SQUARE_MILLIMETRE = 1e-6;
    private static final double HOUR_S = 3600;
    private static final double KILOWATT_HOUR_J = 3.6e6;
    private static final double HUNDREDTH = 100;
    private static final String THIN = "\u2009";

    private final Words words;

    PlanViewer(Words words) {
        this.words = words;
    }

    /** Returns what a plan comes to, in words, beside the station's own supplies. */
    PlanView view(Plan plan, Judgement judgement, List<Equipment> station) {
        return new PlanView(
                verdict(plan, judgement),
                judgement.findings().stream().map(this::finding).toList(),
                line(plan, judgement),
                strip(plan, judgement),
                judgement
                        .stair()
                        .flatMap(stair -> plan.fed().map(set -> stair(plan, stair, set)))
                        .orElse(null),
                schools(plan, judgement.sizing()),
                judgement
                        .sizing()
                        .nextStandardA()
                        .map(size -> ampere(size) + THIN + "A")
                        .orElse(null),
                station.stream()
                        .filter(Supply.class::isInstance)
                        .map(Supply.class::cast)
                        .map(supply -> ownSupply(plan, judgement, supply))
                        .toList(),
                kinds(plan),
                mains(plan, judgement.mains()),
                station.stream()
                        .filter(Amplifier.class::isInstance)
                        .map(Amplifier.class::cast)
                        .flatMap(one -> one.mains().map(mains -> amplifier(plan, one, mains)).stream())
                        .toList(),
                lead(plan, judgement),
                judgement.modes().stream().map(this::mode).toList(),
                judgement
                        .runDown()
                        .flatMap(down -> plan.battery().map(standby -> battery(plan, judgement, standby, down)))
                        .orElse(null),
                cautions(plan));
    }

    private static String figure(Quantity quantity, String unit) {
        return Figures.of(quantity, 1, unit).withUncertainty() + THIN + unit;
    }

    private static String figure(Quantity quantity, double inUnit, String unit) {
        return Figures.of(quantity, inUnit, unit).withUncertainty() + THIN + unit;
    }

    private static String ampere(double value) {
        return Figures.plain(value, 1);
    }

    private static String square(double areaM2) {
        return Figures.plain(areaM2 / SQUARE_MILLIMETRE, 2);
    }

    private PlanView.PlanVerdict verdict(Plan plan, Judgement judgement) {
        String code = judgement.verdict().name();
        Map<String, Object> facts = Map.of(
                "supply", plan.supply().name(),
                "most",
                        ampere(judgement
                                .sizing()
                                .governs()
                                .map(Sizing.Need::atMostA)
                                .orElse(0.0)),
                "cause",
                        judgement
                                .stair()
                                .map(stair -> words.say(
                                        "stair." + stair.steepest().cause().name() + ".in"))
                                .orElse(""),
                "fall",
                        judgement
                                .stair()
                                .map(stair -> figure(stair.steepest().fallV(), "V"))
                                .orElse(""),
                "missed", missed(plan, judgement));
        if (judgement.findings().isEmpty()) {
            return new PlanView.PlanVerdict(
                    code,
                    words.say("supply." + code + ".title", facts),
                    words.say("supply." + code + ".reason", facts));
        }
        PlanView.PlanFinding gravest = finding(judgement.findings().get(0));
        return new PlanView.PlanVerdict(code, gravest.title(), gravest.meaning() + " " + gravest.act());
    }

    private String missed(Plan plan, Judgement judgement) {
        List<Sizing.School> met = judgement.sizing().metBy(plan.supply());
        return String.join(
                ", ",
                judgement.sizing().needs().stream()
                        .filter(need -> !met.contains(need.school()))
                        .map(need -> words.name(need.school().name()).toLowerCase(Locale.ROOT))
                        .toList());
    }

    private PlanView.PlanFinding finding(Judgement.Finding finding) {
        String unit = words.say("unit." + finding.found().unit().name());
        Map<String, Object> facts = Map.of(
                "found", figure(finding.found(), unit), "bound", Figures.plain(finding.bound(), 2) + THIN + unit);
        String key = "fault." + finding.fault().name();
        return new PlanView.PlanFinding(
                finding.fault().name(),
                words.say(key + ".title", facts),
                words.say(key + ".meaning", facts),
                words.say(key + ".act", facts));
    }

    private List<RunView.Node> line(Plan plan, Judgement judgement) {
        List<Judgement.Fault> faults =
                judgement.findings().stream().map(Judgement.Finding::fault).toList();
        Supply supply = plan.supply();
        List<RunView.Node> nodes = new ArrayList<>();
        nodes.add(new RunView.Node(
                words.say(
                        "line.mains",
                        Map.of("volts", Figures.plain(plan.circuit().voltageAcRmsV(), 0))),
                words.say(
                        "line.circuit",
                        Map.of("ampere", Figures.plain(plan.circuit().breakerA(), 0))),
                faults.contains(Judgement.Fault.CIRCUIT_FULL),
                figure(judgement.mains().peakAcRmsA(), "A")));
        nodes.add(new RunView.Node(
                supply.name(),
                words.say(
                        "line.supply",
                        Map.of("kind", words.name(supply.type().name()), "volts", Figures.plain(supply.voltageV(), 2))),
                faults.stream()
                        .anyMatch(fault -> fault == Judgement.Fault.SUPPLY_RISES
                                || fault == Judgement.Fault.SUPPLY_PEAK
                                || fault == Judgement.Fault.SUPPLY_AVERAGE),
                figure(judgement.tenMinutes().peakA(), "A")));
        plan.fed().ifPresent(set -> {
            Plan.Lead lead = plan.lead();
            nodes.add(new RunView.Node(
                    words.say("line.lead"),
                    words.say(
                            "line.lead.detail",
                            Map.of("length", Figures.plain(lead.lengthM(), 2), "area", square(lead.areaM2()))),
                    faults.contains(Judgement.Fault.LEAD_HOT)
                            || faults.contains(Judgement.Fault.LEAD_THIN)
                            || faults.contains(Judgement.Fault.VOLTAGE_LOW),
                    ""));
            nodes.add(new RunView.Node(
                    words.say("line.fuse", Map.of("ampere", Figures.plain(lead.fuseA(), 1))),
                    words.say("line.fuse.detail"),
                    faults.contains(Judgement.Fault.FUSE_SMALL) || faults.contains(Judgement.Fault.FUSE_LARGE),
                    judgement
                            .stair()
                            .map(stair -> figure(stair.atTheSetV(), "V"))
                            .orElse("")));
            nodes.add(new RunView.Node(
                    set.name(),
                    words.say("line.set", Map.of("watt", Figures.plain(plan.peakEnvelopeW(set), 1))),
                    faults.contains(Judgement.Fault.VOLTAGE_LOW) || faults.contains(Judgement.Fault.VOLTAGE_HIGH),
                    ""));
        });
        return nodes;
    }

    private PlanView.PlanStrip strip(Plan plan, Judgement judgement) {
        TenMinutes ten = judgement.tenMinutes();
        List<PlanView.PlanBand> bands = new ArrayList<>();
        for (int i = 0; i < ten.strips().size(); i++) {
            bands.add(new PlanView.PlanBand(
                    ten.strips().get(i).box(),
                    plan.boxes().get(i) instanceof Box.Transmitting,
                    ten.strips().get(i).currentA().stream()
                            .map(value -> Math.round(value * HUNDREDTH) / HUNDREDTH)
                            .toList()));
        }
        Supply supply = plan.supply();
        return new PlanView.PlanStrip(
                words.say("strip.title"),
                supply.name(),
                ten.fromS(),
                bands,
                ten.peakA().value(),
                figure(ten.peakA(), "A"),
                ten.averageA().value(),
                figure(ten.averageA(), "A"),
                supply.continuousA(),
                words.say("strip.continuous", Map.of("supply", supply.name(), "ampere", ampere(supply.continuousA()))),
                supply.intermittentA(),
                words.say(
                        "strip.intermittent",
                        Map.of(
                                "supply", supply.name(),
                                "ampere", ampere(supply.intermittentA()),
                                "percent", Figures.plain(HUNDREDTH * supply.intermittentShare(), 0))));
    }

    private PlanView.PlanStair stair(Plan plan, VoltageStair stair, Box.Transmitting set) {
        return new PlanView.PlanStair(
                set.name(),
                words.say(
                        "stair.subtitle",
                        Map.of(
                                "ampere", figure(set.profile().currentA(plan.peakEnvelopeW(set)), "A"),
                                "length", Figures.plain(plan.lead().lengthM(), 2),
                                "area", square(plan.lead().areaM2()))),
                stair.treads().stream()
                        .map(tread -> new PlanView.PlanTread(
                                words.say("stair." + tread.cause().name()),
                                tread.behindV().value(),
                                Figures.fixed(tread.behindV().value(), 2),
                                figure(tread.fallV(), "V")))
                        .toList(),
                set.leastV(),
                words.say("stair.least", Map.of("set", set.name(), "volts", Figures.plain(set.leastV(), 2))));
    }

    private List<PlanView.PlanSchool> schools(Plan plan, Sizing sizing) {
        return sizing.needs().stream()
                .map(need -> new PlanView.PlanSchool(
                        need.school().name(),
                        words.name(need.school().name()),
                        words.say(
                                "sizing." + need.school().name(),
                                Map.of(
                                        "continuous", ampere(need.continuousA()),
                                        "short", ampere(need.shortTermA()),
                                        "most", ampere(need.atMostA()))),
                        need.shortTermA(),
                        need.atMostA(),
                        need.metBy(plan.supply()),
                        sizing.governs().filter(need::equals).isPresent()))
                .toList();
    }

    private PlanView.OwnSupply ownSupply(Plan plan, Judgement judgement, Supply supply) {
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

    private List<PlanView.PlanKind> kinds(Plan plan) {
        return KindChoice.ranked(plan.wishes()).stream()
                .map(choice -> new PlanView.PlanKind(
                        choice.kind().name(),
                        words.name(choice.kind().name()),
                        words.say("merit." + choice.givesUp().name()),
                        words.say("kind." + choice.kind().name()),
                        choice.kind() == plan.supply().type()))
                .toList();
    }

    private List<PlanView.PlanFact> mains(Plan plan, MainsSide mains) {
        List<PlanView.PlanFact> facts = new ArrayList<>();
        facts.add(fact(
                "mains.peak",
                figure(mains.peakAcRmsA(), "A"),
                Map.of(
                        "watt", figure(mains.peakW(), "W"),
                        "may", ampere(mains.mayContinuouslyA()),
                        "percent", Figures.plain(HUNDREDTH * plan.circuit().continuousShare(), 0),
                        "breaker", Figures.plain(plan.circuit().breakerA(), 0))));
        facts.add(fact(
                "mains.average", figure(mains.averageAcRmsA(), "A"), Map.of("watt", figure(mains.averageW(), "W"))));
        facts.add(
                fact("mains.heat", figure(mains.averageHeatW(), "W"), Map.of("peak", figure(mains.peakHeatW(), "W"))));
        facts.add(plan.supply()
                .inrushPeakA()
                .map(peak -> fact("mains.inrush", Figures.plain(peak, 0) + THIN + "A", Map.of()))
                .orElseGet(() -> fact("mains.inrush.unknown", "", Map.of())));
        facts.add(fact(
                "mains.energy",
                figure(mains.energyPerMonthJ(), KILOWATT_HOUR_J, "kWh"),
                Map.of(
                        "hours", Figures.plain(plan.hoursPerDay(), 1),
                        "cost",
                                Figures.of(mains.costPerMonth(plan.pricePerKilowattHour()), 1, "")
                                        .shown())));
        return facts;
    }

    private PlanView.PlanFact fact(String key, String figure, Map<String, Object> facts) {
        return new PlanView.PlanFact(words.say(key), figure, words.say(key + ".note", facts));
    }

    private List<PlanView.PlanFact> lead(Plan plan, Judgement judgement) {
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
                Figures.plain(conductor.carriesA(plan.lead().ambientC()), 0) + THIN + "A",
                words.say(
                        "lead.carries.note",
                        Map.of("ambient", Figures.plain(plan.lead().ambientC(), 0)))));
        judgement
                .outputKeptShare()
                .ifPresent(kept -> facts.add(new PlanView.PlanFact(
                        words.say("lead.output"),
                        Figures.plain(HUNDREDTH * kept, 0) + THIN + "%",
                        words.say("lead.output."
                                + plan.fed()
                                        .map(set -> set.fall().standing().name())
                                        .orElse("ASSUMED")))));
        judgement
                .diodes()
                .forEach(one -> facts.add(new PlanView.PlanFact(
                        one.box(),
                        Figures.plain(one.behindV(), 1) + THIN + "V",
                        words.say(
                                "lead.diodes",
                                Map.of(
                                        "drop",
                                        Figures.plain(one.dropV(), 1),
                                        "heat",
                                        Figures.plain(one.heatEachW(), 1))))));
        return facts;
    }

    private PlanView.DrawRow mode(ModeUse use) {
        String code = use.mode().name();
        return new PlanView.DrawRow(
                words.say("draw." + code),
                words.say("draw." + code + ".source"),
                figure(use.draw().peakA(), "A"),
                figure(use.draw().averageA(), "A"),
                Figures.plain(use.draw().outputW(), 1) + THIN + "W",
                figure(use.mains().averageW(), "W"),
                figure(use.mains().averageHeatW(), "W"));
    }

    private PlanView.PlanFact amplifier(Plan plan, Amplifier amplifier, Mains mains) {
        OwnCircuit circuit = OwnCircuit.of(mains, plan.circuit().continuousShare());
        return new PlanView.PlanFact(
                amplifier.name(),
                Figures.plain(mains.currentAcRmsA(), 1) + THIN + "A",
                words.say(
                        circuit.breakerA().isPresent() ? "amplifier.circuit" : "amplifier.none",
                        Map.of(
                                "volts", Figures.plain(mains.voltageAcRmsV(), 0),
                                "breaker", Figures.plain(circuit.breakerA().orElse(0.0), 0),
                                "half", Figures.plain(mains.voltageAcRmsV() / 2, 0),
                                "more", Figures.plain(circuit.halfVoltageA(), 0))));
    }

    private PlanView.BatteryView battery(Plan plan, Judgement judgement, Plan.Standby standby, RunDown down) {
        Optional<Quantity> runtime = judgement.runtimeS();
        Map<String, Object> facts = Map.of(
                "battery", standby.battery().name(),
                "hours", runtime.map(one -> figure(one, HOUR_S, "h")).orElse(""));
        double endV = plan.fed().map(Box.Transmitting::leastV).orElse(1.0);
        return new PlanView.BatteryView(
                standby.battery().name(),
                words.say("runDown." + down.end().name(), facts),
                words.say("runDown." + down.end().name() + ".why", facts),
                judgement.standby().map(on -> onBattery(on, standby)).orElse(List.of()),
                down.course().stream()
                        .map(point -> new PlanView.BatteryPoint(
                                point.atS() / HOUR_S, point.charge(), point.restingV(), point.peakV()))
                        .toList(),
                endV,
                words.say("runDown.end", Map.of("volts", Figures.plain(endV, 2))));
    }

    private List<PlanView.PlanFact> onBattery(Judgement.OnBattery on, Plan.Standby standby) {
        List<PlanView.PlanFact> facts = new ArrayList<>();
        facts.add(new PlanView.PlanFact(
                words.say("battery.output"),
                Figures.plain(HUNDREDTH * on.outputFullShare(), 0)
                        + " to "
                        + Figures.plain(HUNDREDTH * on.outputEndShare(), 0) + THIN + "%",
                words.say("battery.output.note")));
        if (standby.chargingA() > 0 && Double.isFinite(on.aloneS())) {
            facts.add(new PlanView.PlanFact(
                    words.say("battery.alone"),
                    Figures.plain(on.aloneS() / HOUR_S, 1) + THIN + "h",
                    words.say("battery.alone.note", Map.of("ampere", ampere(standby.chargingA())))));
        }
        return facts;
    }

    private List<String> cautions(Plan plan) {
        List<String> cautions = new ArrayList<>();
        cautions.add(words.say("supply.caution.tables"));
        cautions.add(words.say("supply.caution.mains"));
        if (plan.battery().isPresent()) {
            cautions.add(words.say("supply.caution.battery"));
        }
        return cautions;
    }
}
