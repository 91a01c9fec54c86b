package org.tubrin.server.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Supply;
import org.tubrin.core.supply.Box;
import org.tubrin.core.supply.Conductor;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.PlanJudgement;
import org.tubrin.core.supply.Sizing;
import org.tubrin.core.supply.TenMinutes;
import org.tubrin.core.supply.VoltageStair;
import org.tubrin.server.run.RunView;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Tells what a plan comes to. */
@Component
class PlanViewer {
    private static final double HUNDREDTH = 100;
    private static final double MINUTE_S = 60;
    private static final String THIN = "\u2009";

    private final Words words;
    private final PlanFacts facts;

    PlanViewer(Words words, PlanFacts facts) {
        this.words = words;
        this.facts = facts;
    }

    /** Returns what a plan comes to, in words, beside the station's own supplies. */
    PlanView view(Plan plan, PlanJudgement judgement, List<Equipment> station) {
        return new PlanView(
                verdict(plan, judgement),
                judgement.findings().stream().map(this::finding).toList(),
                line(plan, judgement),
                strip(plan, judgement),
                judgement
                        .stair()
                        .flatMap(stair -> plan.fed().map(set -> stair(plan, stair, set)))
                        .orElse(null),
                facts.schools(plan, judgement.sizing()),
                judgement
                        .sizing()
                        .nextStandardA()
                        .map(size -> PlanFacts.ampere(size) + THIN + "A")
                        .orElse(null),
                station.stream()
                        .filter(Supply.class::isInstance)
                        .map(Supply.class::cast)
                        .map(supply -> facts.ownSupply(plan, judgement, supply))
                        .toList(),
                facts.kinds(plan),
                facts.mains(plan, judgement.mains()),
                station.stream()
                        .filter(Amplifier.class::isInstance)
                        .map(Amplifier.class::cast)
                        .flatMap(one -> one.mains().map(mains -> facts.amplifier(plan, one, mains)).stream())
                        .toList(),
                facts.lead(plan, judgement),
                Conductor.STANDARD_M2,
                judgement.modes().stream().map(facts::mode).toList(),
                judgement
                        .runDown()
                        .flatMap(down -> plan.battery().map(standby -> facts.battery(plan, judgement, standby, down)))
                        .orElse(null),
                cautions(plan));
    }

    private PlanView.PlanVerdict verdict(Plan plan, PlanJudgement judgement) {
        String code = judgement.verdict().name();
        Map<String, Object> facts = Map.of(
                "supply", plan.supply().name(),
                "most",
                        judgement
                                .sizing()
                                .governs()
                                .map(need -> Figures.written(need.shortTermA(), "A"))
                                .orElse(""),
                "cause",
                        judgement
                                .stair()
                                .map(stair -> words.say(
                                        "stair." + stair.steepest().cause().name() + ".in"))
                                .orElse(""),
                "fall",
                        judgement
                                .stair()
                                .map(stair -> Figures.written(stair.steepest().fallV(), "V"))
                                .orElse(""),
                "missed", missed(plan, judgement));
        if (judgement.findings().isEmpty()) {
            return new PlanView.PlanVerdict(
                    code,
                    words.say("supply." + code + ".title", facts),
                    words.say("supply." + code + ".reason", facts));
        }
        PlanView.PlanFinding gravest = finding(judgement.findings().get(0));
        String missed = missed(plan, judgement);
        boolean ofTheSupply = gravest.code().startsWith("SUPPLY");
        String sizes = missed.isEmpty() || ofTheSupply
                ? ""
                : " "
                        + words.say(
                                "supply.tooSmall",
                                Map.of("supply", plan.supply().name(), "missed", missed));
        return new PlanView.PlanVerdict(code, gravest.title(), gravest.meaning() + " " + gravest.act() + sizes);
    }

    private String missed(Plan plan, PlanJudgement judgement) {
        List<Sizing.Rule> met = judgement.sizing().metBy(plan.supply());
        return String.join(
                ", ",
                judgement.sizing().needs().stream()
                        .filter(need -> !met.contains(need.school()))
                        .map(need -> words.nameWithin(need.school().name()))
                        .toList());
    }

    private PlanView.PlanFinding finding(PlanJudgement.Finding finding) {
        String unit = words.say("unit." + finding.found().unit().name());
        Map<String, Object> facts = Map.of(
                "found",
                Figures.written(finding.found(), unit),
                "bound",
                Figures.plain(finding.bound(), 2) + THIN + unit);
        String key = "fault." + finding.fault().name();
        return new PlanView.PlanFinding(
                finding.fault().name(),
                words.say(key + ".title", facts),
                words.say(key + ".meaning", facts),
                words.say(key + ".act", facts));
    }

    private List<RunView.Node> line(Plan plan, PlanJudgement judgement) {
        List<PlanJudgement.Fault> faults =
                judgement.findings().stream().map(PlanJudgement.Finding::fault).toList();
        Supply supply = plan.supply();
        List<RunView.Node> nodes = new ArrayList<>();
        nodes.add(new RunView.Node(
                words.say(
                        "line.mains",
                        Map.of("volts", Figures.plain(plan.circuit().voltageAcRmsV(), 0))),
                words.say(
                        "line.circuit",
                        Map.of("ampere", Figures.plain(plan.circuit().breakerA(), 0))),
                faults.contains(PlanJudgement.Fault.CIRCUIT_FULL),
                Figures.written(judgement.mains().peakAcRmsA(), "A")));
        nodes.add(new RunView.Node(
                supply.name(),
                words.say(
                        "line.supply",
                        Map.of("kind", words.name(supply.type().name()), "volts", Figures.plain(supply.voltageV(), 2))),
                faults.stream()
                        .anyMatch(fault -> fault == PlanJudgement.Fault.SUPPLY_RISES
                                || fault == PlanJudgement.Fault.SUPPLY_PEAK
                                || fault == PlanJudgement.Fault.SUPPLY_AVERAGE),
                Figures.written(judgement.tenMinutes().peakA(), "A")));
        plan.fed().ifPresent(set -> {
            Plan.Lead lead = plan.lead();
            nodes.add(new RunView.Node(
                    words.say("line.lead"),
                    words.say(
                            "line.lead.detail",
                            Map.of(
                                    "length",
                                    Figures.plain(lead.lengthM(), 2),
                                    "area",
                                    PlanFacts.square(lead.areaM2()))),
                    faults.contains(PlanJudgement.Fault.LEAD_HOT)
                            || faults.contains(PlanJudgement.Fault.LEAD_THIN)
                            || faults.contains(PlanJudgement.Fault.VOLTAGE_LOW),
                    ""));
            nodes.add(new RunView.Node(
                    words.say("line.fuse", Map.of("ampere", Figures.plain(lead.fuseA(), 1))),
                    words.say("line.fuse.detail"),
                    faults.contains(PlanJudgement.Fault.FUSE_SMALL) || faults.contains(PlanJudgement.Fault.FUSE_LARGE),
                    judgement
                            .stair()
                            .map(stair -> Figures.written(stair.atTheSetV(), "V"))
                            .orElse("")));
            nodes.add(new RunView.Node(
                    set.name(),
                    words.say("line.set", Map.of("watt", Figures.plain(plan.peakEnvelopeW(set), 1))),
                    faults.contains(PlanJudgement.Fault.VOLTAGE_LOW)
                            || faults.contains(PlanJudgement.Fault.VOLTAGE_HIGH),
                    ""));
        });
        return nodes;
    }

    private PlanView.PlanStrip strip(Plan plan, PlanJudgement judgement) {
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
                Figures.written(ten.peakA(), "A"),
                ten.averageA().value(),
                Figures.written(ten.averageA(), "A"),
                words.say(
                        "strip.continuous",
                        Map.of("supply", supply.name(), "ampere", PlanFacts.ampere(supply.continuousA()))),
                supply.intermittentA(),
                words.say(
                        "strip.intermittent",
                        Map.of(
                                "supply", supply.name(),
                                "ampere", PlanFacts.ampere(supply.intermittentA()),
                                "percent", Figures.plain(HUNDREDTH * supply.intermittentShare(), 0))),
                words.say("strip.windows", Map.of("list", windows(judgement))));
    }

    private String windows(PlanJudgement judgement) {
        return judgement.windows().stream()
                .map(window -> words.say(
                        "strip.window",
                        Map.of(
                                "minutes", Figures.plain(window.lengthS() / MINUTE_S, 0),
                                "ampere", Figures.written(window.averageA(), "A"))))
                .collect(Collectors.joining("; "));
    }

    private PlanView.PlanStair stair(Plan plan, VoltageStair stair, Box.Transmitting set) {
        return new PlanView.PlanStair(
                set.name(),
                words.say(
                        "stair.subtitle",
                        Map.of(
                                "ampere", Figures.written(set.profile().currentA(plan.peakEnvelopeW(set)), "A"),
                                "length", Figures.plain(plan.lead().lengthM(), 2),
                                "area", PlanFacts.square(plan.lead().areaM2()))),
                stair.treads().stream()
                        .map(tread -> new PlanView.PlanTread(
                                words.say("stair." + tread.cause().name()),
                                tread.behindV().value(),
                                Figures.fixed(tread.behindV().value(), 2),
                                Figures.written(tread.fallV(), "V")))
                        .toList(),
                set.leastV(),
                words.say("stair.least", Map.of("set", set.name(), "volts", Figures.plain(set.leastV(), 2))));
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
