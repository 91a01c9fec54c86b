package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.Test;
import org.tubrin.core.advice.Caution;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.OnAir;
import org.tubrin.core.advice.Reason;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Verdict;
import org.tubrin.core.card.DialsAhead;
import org.tubrin.core.card.Reach;
import org.tubrin.core.foresee.TwinFactor;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.metering.Agreement;
import org.tubrin.core.metering.Comparison;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Doubt;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Waveform;
import org.tubrin.core.signs.Evidence;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Battery;
import org.tubrin.core.station.Gaps;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Supply;
import org.tubrin.core.supply.Conductor;
import org.tubrin.core.supply.DrawMode;
import org.tubrin.core.supply.Judgement;
import org.tubrin.core.supply.KindChoice;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.core.supply.RunDown;
import org.tubrin.core.supply.Sizing;
import org.tubrin.core.supply.VoltageStair;
import org.tubrin.core.tank.LoadSense;
import org.tubrin.core.trend.Change;
import org.tubrin.core.trend.Figure;
import org.tubrin.core.twin.GroundMap;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.ModeAverage;
import org.tubrin.core.twin.SheetFit;
import org.tubrin.server.run.MoveCode;
import org.tubrin.server.words.Words;

/** Holds the catalogue complete: every code of the core has its words. */
public class WordsTest {
    private final Words words = new Words();

    private static void add(List<String> keys, String pattern, Enum<?>[] codes) {
        for (Enum<?> code : codes) {
            keys.add(pattern.replace("*", code.name()));
        }
    }

    private static List<String> codes() {
        List<String> wanted = new ArrayList<>();
        add(wanted, "name.*", Band.values());
        add(wanted, "name.*", Mode.values());
        add(wanted, "name.*", ReadingRole.values());
        add(wanted, "name.*", LimitKind.values());
        add(wanted, "name.*", Control.values());
        add(wanted, "name.*", School.values());
        add(wanted, "school.*", School.values());
        add(wanted, "school.*.suits", School.values());
        add(wanted, "school.*.costs", School.values());
        add(wanted, "name.*", Rungs.values());
        add(wanted, "name.*", ReadingSource.values());
        add(wanted, "sourceOf.*", ReadingSource.values());
        add(wanted, "signal.*", Linearity.Judgement.values());
        add(wanted, "waveform.*", Waveform.values());
        add(wanted, "waveform.*.meaning", Waveform.values());
        add(wanted, "average.*", ModeAverage.Kind.values());
        add(wanted, "ground.*", GroundMap.Figure.values());
        add(wanted, "map.reading.*", LoadSense.values());
        add(wanted, "fit.figure.*", SheetFit.Figure.values());
        add(wanted, "fit.constant.*", SheetFit.Constant.values());
        add(wanted, "fit.determined.*", SheetFit.Determined.values());
        add(wanted, "unit.*", Unit.values());
        for (String part : List.of("message", "remedy")) {
            add(wanted, "problem.*." + part, ProblemCode.values());
        }
        add(wanted, "because.*", Because.values());
        add(wanted, "allowed.kind.*", Allowed.ValueKind.values());
        add(wanted, "climbEnd.*", ClimbEnd.values());
        for (String reply : List.of("noDatabase", "diskFull", "badAddress", "busy")) {
            wanted.addAll(List.of("reply." + reply + ".title", "reply." + reply + ".detail"));
        }
        for (String part : List.of("point", "ask", "why")) {
            add(wanted, "check.*." + part, Check.values());
        }
        add(wanted, "name.*", Evidence.Figure.values());
        add(wanted, "ahead.*", DialsAhead.Basis.values());
        add(wanted, "bound.*", Reach.Bound.values());
        add(wanted, "comparison.*", Comparison.Reads.values());
        add(wanted, "trend.*", Figure.values());
        add(wanted, "trend.*.look", Figure.values());
        add(wanted, "change.*", Change.Kind.values());
        add(wanted, "cause.*", Agreement.Cause.values());
        add(wanted, "learning.*", TwinFactor.values());
        add(wanted, "basis.*", Evidence.Basis.values());
        add(wanted, "certainty.*", Sign.Standing.values());
        for (String part : List.of("title", "meaning", "act")) {
            add(wanted, "sign.*." + part, Sign.Code.values());
        }
        for (String part : List.of("title", "remedy")) {
            add(wanted, "gap.*." + part, Gaps.Code.values());
        }
        add(wanted, "work.*", Move.Drill.values());
        add(wanted, "work.*.1", Move.Drill.values());
        add(wanted, "reason.*", Reason.values());
        add(wanted, "rule.*", Reason.Rule.values());
        add(wanted, "caution.*", Caution.values());
        add(wanted, "verdict.*", Verdict.values());
        add(wanted, "doubt.*", Doubt.values());
        add(wanted, "onAir.*", OnAir.Code.values());
        add(wanted, "sense.*", LoadSense.values());
        add(wanted, "dial.LOAD.*", LoadSense.values());
        add(wanted, "name.*", Supply.Kind.values());
        add(wanted, "kind.*", Supply.Kind.values());
        add(wanted, "name.*", Battery.Chemistry.values());
        add(wanted, "name.*", Sizing.School.values());
        add(wanted, "sizing.*", Sizing.School.values());
        add(wanted, "merit.*", KindChoice.Merit.values());
        add(wanted, "stair.*", VoltageStair.Cause.values());
        add(wanted, "stair.*.in", VoltageStair.Cause.values());
        add(wanted, "draw.*", DrawMode.values());
        add(wanted, "draw.*.source", DrawMode.values());
        add(wanted, "runDown.*", RunDown.End.values());
        add(wanted, "runDown.*.why", RunDown.End.values());
        add(wanted, "battery.output.note.*", RunDown.End.values());
        add(wanted, "lead.*", Conductor.Rule.values());
        for (String part : List.of("title", "meaning", "act")) {
            add(wanted, "fault.*." + part, Judgement.Fault.values());
            add(wanted, "hvFault.*." + part, HighVoltage.Fault.values());
        }
        for (String part : List.of("title", "reason")) {
            for (Judgement.Verdict verdict : Judgement.Verdict.values()) {
                // Those with something against them speak by their gravest finding.
                boolean byFinding = verdict == Judgement.Verdict.STOP || verdict == Judgement.Verdict.MEND;
                if (!byFinding) {
                    wanted.add("supply." + verdict.name() + "." + part);
                }
            }
        }
        add(wanted, "profile.*", ProfileRun.Step.values());
        add(wanted, "profile.*.why", ProfileRun.Step.values());
        for (MoveCode move : MoveCode.values()) {
            if (!Set.of(MoveCode.ANSWER, MoveCode.TURN, MoveCode.WORK_THROUGH).contains(move)) {
                wanted.add("move." + move);
            }
        }
        return wanted;
    }

    @Test
    public void everyCodeHasItsWords() {
        TreeSet<String> missing = new TreeSet<>(codes());
        missing.removeAll(words.keys());
        assertEquals(missing, new TreeSet<String>(), "codes without words");
    }

    @Test
    public void noWordsPromiseSafety() {
        for (String key : words.keys()) {
            String said = words.say(key, java.util.Map.of());
            assertTrue(!said.toLowerCase(java.util.Locale.ROOT).contains("safe"), key + ": " + said);
        }
    }
}
