package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.tubrin.core.advice.Caution;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.OnAir;
import org.tubrin.core.advice.Reason;
import org.tubrin.core.alc.Gauge;
import org.tubrin.core.alc.LevelProfile;
import org.tubrin.core.bias.BiasEnd;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Verdict;
import org.tubrin.core.card.DialsAhead;
import org.tubrin.core.card.Reach;
import org.tubrin.core.chain.Chain;
import org.tubrin.core.chain.ChainClimb;
import org.tubrin.core.choosing.Choosing;
import org.tubrin.core.drive.BandGuard;
import org.tubrin.core.drive.DriveFor;
import org.tubrin.core.drive.DriveKind;
import org.tubrin.core.drive.DriveSweep;
import org.tubrin.core.faults.Care;
import org.tubrin.core.faults.Cause;
import org.tubrin.core.faults.Diagnosis;
import org.tubrin.core.faults.FaultCheck;
import org.tubrin.core.faults.Symptom;
import org.tubrin.core.first.AmplifierType;
import org.tubrin.core.first.Enough;
import org.tubrin.core.first.Question;
import org.tubrin.core.foresee.TwinFactor;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.matcher.InputMatch;
import org.tubrin.core.matcher.Matching;
import org.tubrin.core.matcher.NextMatch;
import org.tubrin.core.metering.Agreement;
import org.tubrin.core.metering.Comparison;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.practice.Cost;
import org.tubrin.core.practice.Debrief;
import org.tubrin.core.practice.Hidden;
import org.tubrin.core.practice.Lesson;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.resonance.Weather;
import org.tubrin.core.resonance.Witness;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Doubt;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.StepFigure;
import org.tubrin.core.run.Use;
import org.tubrin.core.scope.Look;
import org.tubrin.core.scope.ScopeCheck;
import org.tubrin.core.scope.Trapezoid;
import org.tubrin.core.scope.Waveform;
import org.tubrin.core.signs.Evidence;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Battery;
import org.tubrin.core.station.Candidate;
import org.tubrin.core.station.Gaps;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Supply;
import org.tubrin.core.supply.Conductor;
import org.tubrin.core.supply.DrawMode;
import org.tubrin.core.supply.KindChoice;
import org.tubrin.core.supply.PlanJudgement;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.core.supply.RunDown;
import org.tubrin.core.supply.Sizing;
import org.tubrin.core.supply.VoltageStair;
import org.tubrin.core.tank.LoadSense;
import org.tubrin.core.trend.Change;
import org.tubrin.core.trend.Figure;
import org.tubrin.core.trend.Unlike;
import org.tubrin.core.twin.GroundMap;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.ModeAverage;
import org.tubrin.core.twin.SheetFit;
import org.tubrin.server.run.MatchView;
import org.tubrin.server.run.MoveCode;
import org.tubrin.server.words.Words;

/** Holds the catalogue complete: every code of the core has its words. */
public class WordsTest {
    private static final Pattern LITERAL = Pattern.compile("\"([A-Za-z.][\\w.]*)\"");
    private static final Pattern SAID = Pattern.compile("words\\s*\\.say\\(\\s*\"([\\w.]+)\"\\s*[,)]");

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
        add(wanted, "indication.*", Indication.values());
        add(wanted, "name.*", LimitKind.values());
        add(wanted, "name.*", Control.values());
        add(wanted, "name.*", School.values());
        add(wanted, "school.*", School.values());
        add(wanted, "school.*.suits", School.values());
        add(wanted, "school.*.costs", School.values());
        add(wanted, "name.*", Use.values());
        add(wanted, "use.*", Use.values());
        add(wanted, "name.*", Rungs.values());
        add(wanted, "name.*", ReadingSource.values());
        add(wanted, "sourceOf.*", ReadingSource.values());
        add(wanted, "signal.*", Linearity.Grade.values());
        add(wanted, "preset.*", Preset.Source.values());
        add(wanted, "calc.*", StepFigure.values());
        add(wanted, "calc.formula.*", StepFigure.values());
        add(wanted, "calc.formula.*.untuned", StepFigure.values());
        add(wanted, "weather.*", Weather.values());
        add(wanted, "name.*", Alteration.Part.values());
        add(wanted, "unlike.*", Unlike.values());
        add(wanted, "amplifierType.*", AmplifierType.values());
        add(wanted, "ask.*", Question.values());
        add(wanted, "ask.*.why", Question.values());
        add(wanted, "ask.*.label", Question.values());
        add(wanted, "enough.*", Enough.For.values());
        add(wanted, "first.unknown.*", new Question[] {Question.KIND, Question.HEAVIER, Question.PANEL});
        for (Question question : Question.values()) {
            question.choices().forEach(code -> wanted.add("pick." + code));
        }
        add(wanted, "resonance.unit.*", Witness.values());
        for (String came : List.of("IN_TUNE", "STOPPED", "OFF")) {
            wanted.add("resonance.came." + came);
        }
        add(wanted, "waveform.*", Waveform.values());
        add(wanted, "waveform.*.meaning", Waveform.values());
        add(wanted, "trapezoid.*", Trapezoid.values());
        add(wanted, "trapezoid.*.meaning", Trapezoid.values());
        add(wanted, "look.*", Look.values());
        wanted.addAll(List.of(
                "waveform.FLAT_TOP.meaning.exciter",
                "waveform.FLAT_TOP.meaning.untuned",
                "waveform.CROSSOVER.meaning.exciter",
                "trapezoid.BENT_AT_TOP.meaning.untuned"));
        add(wanted, "move.TURN.LOOK.*", Look.values());
        add(wanted, "scope.end.*", ScopeCheck.End.values());
        for (ClimbEnd end : List.of(ClimbEnd.SIGNAL_CLEAN, ClimbEnd.SIGNAL_NOT_CLEAN, ClimbEnd.VOLTS_APART)) {
            wanted.add("wave.cameTo." + end);
        }
        for (ClimbEnd end : List.of(
                ClimbEnd.WANTED, ClimbEnd.RATED, ClimbEnd.LICENCE, ClimbEnd.LIMIT_NEAR, ClimbEnd.SUPPLY_AT_TOP)) {
            wanted.add("volts.cameTo." + end);
        }
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
        add(wanted, "guard.because.*", BandGuard.Because.values());
        add(wanted, "drive.basis.*", DriveFor.Basis.values());
        add(wanted, "chain.end.*", Chain.End.values());
        for (String mistake : List.of("unknown", "over", "within")) {
            wanted.add("pads.mistake." + mistake);
        }
        add(wanted, "drive.kind.*.name", DriveKind.values());
        add(wanted, "drive.kind.*.says", DriveKind.values());
        add(wanted, "drive.sweep.*", DriveSweep.Lack.values());
        wanted.addAll(List.of("drive.sweep.SAME", "drive.sweep.MORE", "drive.sweep.LESS"));
        for (String part : List.of("title", "says", "right")) {
            add(wanted, "gauge.*." + part, Gauge.Kind.values());
        }
        add(wanted, "level.*", LevelProfile.Lack.values());
        add(wanted, "bias.end.*", BiasEnd.values());
        add(wanted, "bias.short.*", BiasEnd.values());
        for (int point = 1; point <= 6; point++) {
            wanted.add("match.byHand." + point);
        }
        add(wanted, "match.end.*", Matching.End.values());
        add(wanted, "match.short.*", Matching.End.values());
        add(wanted, "match.input.*", InputMatch.Verdict.values());
        add(wanted, "match.node.*", NextMatch.Node.values());
        for (MatchView.Stands stands : MatchView.Stands.values()) {
            add(wanted, "match." + stands + ".*", NextMatch.Node.values());
        }
        add(wanted, "chain.climb.*", ChainClimb.End.values());
        for (Control control : List.of(Control.POWER_AMPLIFIER, Control.MATCHER)) {
            wanted.addAll(List.of("move.TURN." + control + ".on", "move.TURN." + control + ".off"));
        }
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
        add(wanted, "faults.symptom.*", Symptom.values());
        add(wanted, "faults.cause.*", Cause.values());
        add(wanted, "faults.fix.*", Cause.values());
        add(wanted, "faults.how.*", Diagnosis.Standing.values());
        add(wanted, "faults.check.*", FaultCheck.values());
        for (Care care : Care.values()) {
            if (care != Care.NONE) {
                wanted.add("faults.care." + care);
            }
        }
        for (String one : List.of("answer.yes.true", "answer.yes.false", "answer.gone.true", "answer.gone.false")) {
            wanted.add("faults." + one);
        }
        for (String one : List.of("why.FIX", "why.FIX_UNSURE")) {
            wanted.add("faults." + one);
        }
        add(wanted, "practice.hidden.*", Hidden.values());
        add(wanted, "practice.tells.*", Hidden.values());
        add(wanted, "practice.lesson.*", Lesson.values());
        add(wanted, "practice.says.*", Lesson.values());
        add(wanted, "practice.goal.*", Lesson.values());
        add(wanted, "practice.cost.*", Cost.values());
        add(wanted, "practice.subject.*", Debrief.Subject.values());
        add(wanted, "practice.judged.*", Debrief.Subject.values());
        add(wanted, "choosing.claim.*", Candidate.Claim.values());
        add(wanted, "choosing.made.*", Candidate.StillMade.values());
        add(wanted, "choosing.point.*", Candidate.Point.values());
        add(wanted, "choosing.origin.*", Candidate.Origin.values());
        for (String part : List.of("title", "meaning")) {
            add(wanted, "choosing.flag.*." + part, Choosing.Flag.values());
        }
        add(wanted, "name.*", Sizing.Rule.values());
        add(wanted, "sizing.*", Sizing.Rule.values());
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
            add(wanted, "fault.*." + part, PlanJudgement.Fault.values());
            add(wanted, "hvFault.*." + part, HighVoltage.Fault.values());
        }
        for (String part : List.of("title", "reason")) {
            for (PlanJudgement.Verdict verdict : PlanJudgement.Verdict.values()) {
                // Those with something against them speak by their gravest finding.
                boolean byFinding = verdict == PlanJudgement.Verdict.STOP || verdict == PlanJudgement.Verdict.MEND;
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
        assertEquals(missing, new TreeSet<String>(), "codes without words: " + missing);
    }

    /** Every piece of text in the server's own code that could be a key or a part of one. */
    private static Set<String> literals() throws IOException {
        Set<String> found = new HashSet<>();
        try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
            for (Path file :
                    files.filter(one -> one.toString().endsWith(".java")).toList()) {
                Matcher literal = LITERAL.matcher(Files.readString(file));
                while (literal.find()) {
                    found.add(literal.group(1));
                }
            }
        }
        return found;
    }

    /** A key is used where the code names it, whole, or as a code with what is put before or behind it. */
    @Test
    public void everyWordIsUsed() throws IOException {
        Set<String> literals = literals();
        Set<String> used = new HashSet<>(codes());
        used.addAll(literals);
        // Not every move has a button, not every standing is spoken of.
        List<String> some = new ArrayList<>();
        add(some, "button.*", MoveCode.values());
        add(some, "profile.at.*", Standing.values());
        add(some, "lead.output.*", Standing.values());
        add(some, "problem.*.open", ProblemCode.values());
        for (String health : List.of("AWAY", "IMPLAUSIBLE", "NOT_LISTED", "SILENT", "SLOW", "STARTING", "UNREADABLE")) {
            some.add("source." + health);
        }
        used.addAll(some);
        TreeSet<String> idle = new TreeSet<>();
        for (String key : words.keys()) {
            // What the page says is held by a test of the page.
            if (!key.startsWith("page.") && !isUsed(key, used, literals)) {
                idle.add(key);
            }
        }
        assertEquals(idle, new TreeSet<String>(), "words that nothing says: " + idle);
    }

    private static boolean isUsed(String key, Set<String> used, Set<String> literals) {
        if (used.contains(key)) {
            return true;
        }
        for (int dot = key.indexOf('.'); dot > 0; dot = key.indexOf('.', dot + 1)) {
            String before = key.substring(0, dot);
            String behind = key.substring(dot + 1);
            // Points of a list are numbered.
            boolean part = literals.contains("." + behind) || behind.matches("[0-9]+");
            boolean joined = literals.contains(before + ".") && literals.contains(behind);
            if (joined || (part && isUsed(before, used, literals))) {
                return true;
            }
        }
        return false;
    }

    @Test
    public void everyWordThatTheCodeSaysIsThere() throws IOException {
        TreeSet<String> missing = new TreeSet<>();
        try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
            for (Path file :
                    files.filter(one -> one.toString().endsWith(".java")).toList()) {
                Matcher said = SAID.matcher(Files.readString(file));
                while (said.find()) {
                    missing.add(said.group(1));
                }
            }
        }
        assertTrue(missing.size() > 100, "the code says much: " + missing.size());
        missing.removeAll(words.keys());
        assertEquals(missing, new TreeSet<String>());
    }

    @Test
    public void noWordsPromiseSafety() {
        for (String key : words.keys()) {
            String said = words.say(key, java.util.Map.of());
            assertTrue(!said.toLowerCase(java.util.Locale.ROOT).contains("safe"), key + ": " + said);
        }
    }

    /** Words that nobody of the trade uses today, and riddles; {@code docs/words.md} has what stands for them. */
    private static final Pattern BANNED = Pattern.compile(
            "(?i)\\b(reckon\\w*|mend(s|ed|ing)?|for ever|for a while|bears|bear the|take away|taken away|not taken|by duty|a leg blocks)\\b");

    @Test
    public void noTextHasAWordThatIsBanned() throws IOException {
        Properties catalogue = new Properties();
        try (Reader text = new InputStreamReader(
                Objects.requireNonNull(WordsTest.class.getResourceAsStream("/words/en.properties")),
                StandardCharsets.UTF_8)) {
            catalogue.load(text);
        }
        assertTrue(catalogue.size() > 1000, "the catalogue is read");
        assertEquals(
                catalogue.entrySet().stream()
                        .filter(one -> BANNED.matcher((String) one.getValue()).find())
                        .map(Object::toString)
                        .toList(),
                List.of());
    }
}
