package org.tubrin.server.drive;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.chain.Chain;
import org.tubrin.core.chain.ChainPart;
import org.tubrin.core.chain.Generator;
import org.tubrin.core.chain.PadChoice;
import org.tubrin.core.chain.Power;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Levels;
import org.tubrin.server.words.Words;

/** Puts chains and pads into words. */
@Component
class ChainViewer {
    private static final String THIN = "\u2009";
    private static final double TELLING_DB = 0.05;

    private final Words words;

    ChainViewer(Words words) {
        this.words = words;
    }

    ChainViews.ChainView chain(Chain chain, double wantedW) {
        List<Chain.Setting> way = chain.wayUp(wantedW);
        Chain.Most most = chain.most(wantedW);
        Chain.Setting first = way.get(0);
        Chain.Setting last = way.get(way.size() - 1);
        Generator generator = chain.generator();
        String wanted = Levels.watts(wantedW);
        return new ChainViews.ChainView(
                words.say("chain.title", Map.of("db", Figures.plain(first.attenuationDb(), 0))),
                words.say(
                        "chain.end." + most.end().name(),
                        Map.of(
                                "wanted", wanted,
                                "db", Figures.plain(last.attenuationDb(), 0),
                                "output", Levels.watts(last.outputW()))),
                most.end(),
                chain.nodes().stream().flatMap(node -> beyond(node).stream()).toList(),
                new ChainViews.NodeView(
                        words.say("chain.generator"),
                        Power.dbm(generator.powerW()),
                        null,
                        dbm(generator.powerW(), generator.openDb()),
                        Levels.watts(generator.powerW()),
                        null,
                        null,
                        null),
                chain.nodes().stream().map(this::node).toList(),
                way.stream()
                        .map(setting -> new ChainViews.SettingView(
                                Figures.plain(setting.attenuationDb(), 0),
                                Levels.watts(setting.inputW()),
                                Levels.volts(Power.peakToPeakV(setting.inputW())),
                                Levels.watts(setting.outputW()),
                                Levels.volts(Power.peakToPeakV(setting.outputW()))))
                        .toList());
    }

    private Optional<String> beyond(Chain.Node node) {
        return node.overDb()
                .filter(db -> db > 0)
                .map(db -> words.say(
                        "chain.beyond",
                        Map.of(
                                "part", node.part().name(),
                                "input", Levels.watts(node.inputW()),
                                "most", Levels.watts(node.part().mostInputW().orElseThrow()),
                                "db", Figures.fixed(db, 1))));
    }

    private ChainViews.NodeView node(Chain.Node node) {
        double change = Power.dbm(node.outputW()) - Power.dbm(node.inputW());
        ChainPart part = node.part();
        double heatW = part.heatW(node.inputW());
        return new ChainViews.NodeView(
                part.name(),
                Power.dbm(node.outputW()),
                part.mostInputW().map(Power::dbm).orElse(null),
                dbm(node.outputW(), node.openDb()),
                Levels.watts(node.outputW()),
                (change > 0 ? "+" : "") + Figures.fixed(change, 1),
                node.compressionDb() > TELLING_DB ? Figures.fixed(node.compressionDb(), 1) : null,
                heatW > 0 ? Levels.watts(heatW) : null);
    }

    ChainViews.PadsView pads(PadRequest request) {
        double exciterW = request.exciterW();
        double wantedW = request.wantedW();
        Optional<Double> inputMostW = request.inputMostW();
        List<PadChoice> pads = PadChoice.standard(exciterW, wantedW, inputMostW);
        Optional<PadChoice> best =
                pads.stream().filter(pad -> pad.reaches(exciterW)).reduce((lesser, greater) -> greater);
        Optional<Quantity> measured =
                Optional.ofNullable(request.measured()).map(PadRequest.MeasuredEntry::attenuationDb);
        return new ChainViews.PadsView(
                words.say(
                        "pads.title",
                        Map.of(
                                "db",
                                best.map(pad -> Figures.plain(pad.attenuationDb(), 1))
                                        .orElse("none"),
                                "set",
                                best.map(pad -> Levels.watts(pad.setW())).orElse(""))),
                Figures.fixed(PadChoice.exactDb(exciterW, wantedW), 1),
                pads.stream().map(pad -> pad(pad, exciterW)).toList(),
                measured.map(db -> Figures.of(db, 1, "", 2).withUncertainty()).orElse(null),
                measured.map(db -> pad(PadChoice.of(db.value(), exciterW, wantedW, inputMostW), exciterW))
                        .orElse(null));
    }

    private ChainViews.PadView pad(PadChoice pad, double exciterW) {
        Optional<Double> over = pad.keyedOverInputDb();
        String key = over.isEmpty() ? "unknown" : over.get() > 0 ? "over" : "within";
        return new ChainViews.PadView(
                Figures.plain(pad.attenuationDb(), 2),
                pad.reaches(exciterW),
                Levels.watts(pad.setW()),
                Levels.watts(pad.heatW()),
                Levels.watts(pad.keyedHeatW()),
                Levels.watts(pad.keyedDriveW()),
                words.say(
                        "pads.mistake." + key,
                        Map.of(
                                "drive", Levels.watts(pad.keyedDriveW()),
                                "wanted", Figures.fixed(Math.abs(pad.keyedOverWantedDb()), 1),
                                "over", Figures.fixed(Math.abs(over.orElse(0.0)), 1))),
                !"within".equals(key));
    }

    private static String dbm(double watt, double openDb) {
        String level = Figures.fixed(Power.dbm(watt), 1);
        return openDb > 0 ? level + THIN + "±" + THIN + Figures.fixed(openDb, 1) : level;
    }
}
