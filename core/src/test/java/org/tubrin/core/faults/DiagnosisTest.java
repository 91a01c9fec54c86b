package org.tubrin.core.faults;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Refused;

/** What Bayes' rule and a careful practitioner ask of a diagnosis, for every symptom; and the table as data. */
public class DiagnosisTest {
    private static final Instant NOW = Instant.parse("2026-05-01T10:00:00Z");

    private static FaultCase about(Within within, boolean intermittent, Symptom... symptoms) {
        return new FaultCase("Brigantine", within, List.of(symptoms), intermittent, "", List.of());
    }

    private static Diagnosis of(FaultCase about) {
        return Diagnosis.of(about, Map.of());
    }

    private static CaseStep answer(FaultCheck check, boolean yes) {
        return new CaseStep.Answered(NOW, check, yes);
    }

    private static double share(Diagnosis found, Cause cause) {
        return share(found.suspects(), cause);
    }

    private static double share(List<Diagnosis.Suspect> suspects, Cause cause) {
        return suspects.stream()
                .filter(one -> one.cause() == cause)
                .mapToDouble(Diagnosis.Suspect::probability)
                .sum();
    }

    @DataProvider
    public Object[][] symptoms() {
        return Stream.of(Symptom.values()).map(one -> new Object[] {one}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "symptoms")
    public void everySymptomHasCausesAndACheckToBeginWith(Symptom symptom) {
        Diagnosis found = of(about(Within.ANY, false, symptom));
        assertTrue(found.suspects().size() >= 2, symptom + ": " + found.suspects());
        assertEquals(found.verdict(), Diagnosis.Verdict.CHECK, "nothing is put right by its frequency alone");
        Diagnosis.Next next = found.next().orElseThrow();
        assertTrue(
                next.ifYes().get(0).probability() > found.suspects().get(0).probability()
                        || next.ifNo().get(0).probability()
                                > found.suspects().get(0).probability(),
                "it tells something: " + next);
        assertTrue(next.check().care() != Care.HIGH_VOLTAGE, "cheap and harmless first: " + next.check());
    }

    /** What an answer is expected to make of a cause is what it was before. */
    @Test(dataProvider = "symptoms")
    public void whatAnAnswerMayTellIsNothingOnAverage(Symptom symptom) {
        FaultCase about = about(Within.ANY, false, symptom);
        Diagnosis now = of(about);
        for (FaultCheck check : FaultCheck.values()) {
            Diagnosis yes = of(about.with(answer(check, true)));
            Diagnosis no = of(about.with(answer(check, false)));
            // How probable a yes is, by the cause that it moves most; all others must tell the same.
            Diagnosis.Suspect most = now.suspects().stream()
                    .max(Comparator.comparingDouble(one -> Math.abs(share(yes, one.cause()) - share(no, one.cause()))))
                    .orElseThrow();
            double moved = share(yes, most.cause()) - share(no, most.cause());
            double p = Math.abs(moved) < 0.02 ? 0.5 : (most.probability() - share(no, most.cause())) / moved;
            assertTrue(p > 0 && p < 1, check + ": " + p);
            for (Diagnosis.Suspect one : now.suspects()) {
                double expected = p * share(yes, one.cause()) + (1 - p) * share(no, one.cause());
                assertEquals(expected, one.probability(), 0.01, check + " of " + one);
            }
        }
    }

    @Test
    public void theOrderOfAnswersDoesNotMatter() {
        FaultCase about = about(Within.TUBES, false, Symptom.OUTPUT_LOW_ALL);
        CaseStep wattmeter = answer(FaultCheck.SWAP_WATTMETER, false);
        CaseStep current = answer(FaultCheck.READ_CURRENT_LOW, true);
        Diagnosis one = of(about.with(wattmeter).with(current));
        Diagnosis other = of(about.with(current).with(wattmeter));
        for (Cause cause : Cause.values()) {
            assertEquals(share(one, cause), share(other, cause), 1e-3, cause.toString());
        }
        assertTrue(share(one, Cause.TUBE_SOFT) > 0.4, one.suspects().toString());
        assertTrue(share(one, Cause.WATTMETER_LIES) < 0.03, one.suspects().toString());
    }

    /** The symptom that goes with the jumper names it; one that stays clears it. */
    @Test
    public void aSwapNamesOrClears() {
        FaultCase about = about(Within.TUBES, false, Symptom.RECEIVE_DEAD);
        double before = share(of(about), Cause.JUMPER_OPEN);
        Diagnosis gone = of(about.with(answer(FaultCheck.SWAP_JUMPER, true)));
        assertTrue(share(gone, Cause.JUMPER_OPEN) > 0.9, before + " to " + gone.suspects());
        assertEquals(gone.verdict(), Diagnosis.Verdict.FIX);
        assertEquals(gone.toFix().orElseThrow().cause(), Cause.JUMPER_OPEN);
        Diagnosis stays = of(about.with(answer(FaultCheck.SWAP_JUMPER, false)));
        assertTrue(share(stays, Cause.JUMPER_OPEN) < 0.15, stays.suspects().toString());
        assertTrue(
                share(stays, Cause.RELAY_CONTACTS) > share(of(about), Cause.RELAY_CONTACTS),
                "what is not in the jumper is elsewhere");
    }

    /** What comes and goes may have stayed away by itself. */
    @Test
    public void aSwapTellsLessOfWhatComesAndGoes() {
        FaultCase steady = about(Within.TUBES, false, Symptom.RECEIVE_NOISY);
        FaultCase coming = about(Within.TUBES, true, Symptom.RECEIVE_NOISY);
        CaseStep gone = answer(FaultCheck.SWAP_JUMPER, true);
        assertTrue(share(of(coming.with(gone)), Cause.JUMPER_OPEN)
                < share(of(steady.with(gone)), Cause.JUMPER_OPEN) - 0.1);
    }

    /** With two parts ill a swap of one changes nothing; after one is replaced the other is found, and the swap is open again. */
    @Test
    public void aSecondCauseIsFoundAfterTheFirst() {
        FaultCase about = about(Within.TUBES, false, Symptom.RECEIVE_DEAD)
                .with(answer(FaultCheck.SWAP_JUMPER, false))
                .with(answer(FaultCheck.WORK_RELAY, true));
        assertEquals(of(about).toFix().orElseThrow().cause(), Cause.RELAY_CONTACTS);
        double two = of(about).twoAtOnce();
        FaultCase relay = about.with(new CaseStep.Fixed(NOW, Cause.RELAY_CONTACTS, false));
        Diagnosis found = of(relay);
        assertTrue(share(found, Cause.JUMPER_OPEN) > 5 * two, two + ": " + found.suspects());
        assertTrue(share(found, Cause.RELAY_CONTACTS) < 0.2, found.suspects().toString());
        assertTrue(found.toFix().orElseThrow().cause() != Cause.RELAY_CONTACTS);
        Diagnosis jumper = of(relay.with(answer(FaultCheck.SWAP_JUMPER, true)));
        assertEquals(jumper.suspects().get(0).cause(), Cause.JUMPER_OPEN);
        FaultCase cured = relay.with(new CaseStep.Fixed(NOW, Cause.JUMPER_OPEN, true));
        assertEquals(of(cured).verdict(), Diagnosis.Verdict.CURED);
        assertEquals(cured.cured(), Optional.of(Cause.JUMPER_OPEN));
        assertEquals(cured.withoutLast(), relay);
        FaultCase back = cured.cameBack();
        assertEquals(back, relay.with(new CaseStep.Fixed(NOW, Cause.JUMPER_OPEN, false)));
        assertEquals(relay.cameBack(), relay, "it was not cured");
        assertTrue(of(back).verdict() != Diagnosis.Verdict.CURED);
        assertTrue(
                share(of(back), Cause.JUMPER_OPEN) < share(found, Cause.JUMPER_OPEN),
                of(back).suspects().toString());
    }

    @Test
    public void ownCasesCount() {
        FaultCase about = about(Within.TUBES, false, Symptom.RECEIVE_DEAD);
        Map<Cause, Integer> own = new EnumMap<>(Map.of(Cause.RELAY_CONTACTS, 20));
        assertTrue(
                share(Diagnosis.of(about, own), Cause.RELAY_CONTACTS) > share(of(about), Cause.RELAY_CONTACTS) + 0.2);
    }

    @Test
    public void tubesHaveNoTransistorsAndTransistorsNoTubes() {
        for (Symptom symptom : Symptom.values()) {
            for (Diagnosis.Suspect one :
                    of(about(Within.TRANSISTORS, false, symptom)).suspects()) {
                assertTrue(one.cause().within() != Within.TUBES, symptom + ": " + one);
            }
            for (Diagnosis.Suspect one : of(about(Within.TUBES, false, symptom)).suspects()) {
                assertTrue(one.cause().within() != Within.TRANSISTORS, symptom + ": " + one);
            }
        }
    }

    /** What was skipped is not asked again, and where all is skipped the likeliest is named without being sure. */
    @Test
    public void whoCanCheckNothingIsToldTheLikeliest() {
        FaultCase about = about(Within.TUBES, false, Symptom.KNOB_SLIPS);
        for (int i = 0; i < 100 && of(about).verdict() == Diagnosis.Verdict.CHECK; i++) {
            FaultCheck check = of(about).next().orElseThrow().check();
            about = about.with(new CaseStep.Skipped(NOW, check));
            FaultCase now = about;
            assertTrue(of(now).next().filter(next -> next.check() == check).isEmpty());
        }
        assertEquals(of(about).verdict(), Diagnosis.Verdict.FIX_UNSURE);
    }

    /** Where nothing that can be looked at is so, it is not forced into the table. */
    @Test
    public void whatFitsNothingIsSaidToBeUnknown() {
        FaultCase about = about(Within.TUBES, false, Symptom.SWITCH_BURNT);
        for (int i = 0; i < 100 && of(about).verdict() == Diagnosis.Verdict.CHECK; i++) {
            about = about.with(answer(of(about).next().orElseThrow().check(), false));
        }
        assertEquals(
                of(about).verdict(),
                Diagnosis.Verdict.NOT_KNOWN,
                of(about).suspects().toString());
    }

    @Test
    public void theTableHolds() {
        for (Cause cause : Cause.values()) {
            double sum =
                    cause.shares().values().stream().mapToDouble(one -> one).sum();
            assertTrue(sum > 0.85 && sum <= 1 + 1e-9, cause + " shows in " + sum);
            assertTrue(
                    Stream.of(FaultCheck.values())
                            .filter(check -> check.kind() != FaultCheck.Kind.ASK
                                    && check.kind() != FaultCheck.Kind.ONLY
                                    && check.kind() != FaultCheck.Kind.RECORD)
                            .anyMatch(check -> check.shares().getOrDefault(cause, 0.0) >= 0.8),
                    "nothing shows " + cause);
        }
        for (FaultCheck check : FaultCheck.values()) {
            check.shares().values().forEach(one -> assertTrue(one > 0.04 && one < 1, check.toString()));
            assertTrue(check.minutes() >= 0.3 || check.kind() == FaultCheck.Kind.RECORD, check.toString());
        }
    }

    @Test
    public void badCasesAreRefusedByField() {
        Refused refused = org.testng.Assert.expectThrows(
                Refused.class,
                () -> new FaultCase(
                        " ", Within.ANY, List.of(Symptom.HUM, Symptom.HUM), false, "x".repeat(501), List.of()));
        assertEquals(
                refused.problems().stream().map(one -> one.path()).toList(), List.of("amplifier", "symptoms", "note"));
    }

    /** What is asked at the door tells something of the symptom, is answered from memory, and is not what the symptom says itself. */
    @Test(dataProvider = "symptoms")
    public void whatIsAskedFirstTellsSomethingOfTheSymptom(Symptom symptom) {
        for (Within within : List.of(Within.TUBES, Within.TRANSISTORS)) {
            if (!symptom.within().canBeIn(within)) {
                continue;
            }
            List<FaultCheck> first = Diagnosis.askedFirst(within, List.of(symptom));
            Diagnosis now = of(about(within, false, symptom));
            for (FaultCheck check : first) {
                assertTrue(check.isOfWhatWas() && !check.isAnsweredBy(symptom), symptom + ": " + check);
                boolean tells =
                        now.suspects().stream().anyMatch(one -> check.shares().containsKey(one.cause()));
                assertTrue(tells, symptom + ": " + check);
            }
        }
        assertEquals(Diagnosis.askedFirst(Within.TUBES, List.of()), List.of());
    }

    /** Whatever is remembered, no part is replaced and no amplifier opened by hearsay; and nobody is asked twice what he remembers. */
    @Test(dataProvider = "symptoms")
    public void memoryAloneReplacesNothingAndIsAskedOnce(Symptom symptom) {
        for (boolean yes : new boolean[] {true, false}) {
            FaultCase about = about(Within.ANY, false, symptom);
            for (FaultCheck check : Diagnosis.askedFirst(Within.ANY, List.of(symptom))) {
                about = about.with(answer(check, yes));
            }
            Diagnosis now = of(about);
            boolean replaces = now.verdict() == Diagnosis.Verdict.FIX
                    && now.toFix().orElseThrow().cause().changes().isPresent();
            assertTrue(!replaces, symptom + ": " + now.toFix());
            for (int i = 0; i < 30 && of(about).verdict() == Diagnosis.Verdict.CHECK; i++) {
                FaultCheck next = of(about).next().orElseThrow().check();
                FaultCase before = about;
                boolean again = before.steps().stream()
                        .anyMatch(step -> step instanceof CaseStep.Answered one && one.check() == next);
                assertTrue(!(again && next.isOfWhatWas()), symptom + ": " + next + " asked again");
                about = about.with(answer(next, false));
            }
        }
    }

    /** Another amplifier with the same cables shows it too: the jumper or the antenna, not the relay inside. */
    @Test
    public void whatTwoAmplifiersHaveInCommonIsWhatTheyShare() {
        FaultCase about = about(Within.TUBES, false, Symptom.RECEIVE_NOISY);
        Diagnosis both = of(about.with(answer(FaultCheck.SEE_SHARED, true)));
        Diagnosis one = of(about.with(answer(FaultCheck.SEE_SHARED, false)));
        assertTrue(share(both, Cause.RELAY_CONTACTS) < 0.05, both.suspects().toString());
        assertTrue(
                share(both, Cause.JUMPER_OPEN) > 2 * share(one, Cause.JUMPER_OPEN),
                both.suspects().toString());
        assertEquals(one.suspects().get(0).cause(), Cause.RELAY_CONTACTS);
    }
}
