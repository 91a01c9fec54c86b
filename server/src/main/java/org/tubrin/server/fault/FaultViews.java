package org.tubrin.server.fault;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.faults.Cause;
import org.tubrin.core.faults.Diagnosis;
import org.tubrin.core.faults.FaultCheck;
import org.tubrin.core.faults.Symptom;
import org.tubrin.core.faults.Within;

/** What the page shows of cases, in words. */
final class FaultViews {
    private FaultViews() {}

    /** A symptom to choose, and which amplifiers can have it. */
    record SymptomView(Symptom code, String name, Within within) {}

    /** A question that can be answered from memory. */
    record RememberedView(FaultCheck check, String says) {}

    /** An amplifier that a case can be about. */
    record CaseAmplifierView(String name, Within within) {}

    /** A case in the list. */
    record CaseLine(UUID id, String amplifier, String symptoms, String openedOn, boolean closed, String says) {}

    /** What a case can be about, with how many symptoms, and all cases, the open ones first. */
    record FaultsView(
            List<SymptomView> symptoms, int mostSymptoms, List<CaseAmplifierView> amplifiers, List<CaseLine> cases) {}

    /**
     * An answer to what is asked.
     *
     * @param means what is most probable after it; null where it ends the case
     */
    record CaseAnswerView(
            boolean yes, String label, @Nullable String means) {}

    /**
     * A cause and how probable it is.
     *
     * @param percent rounded; below 1 it is 0
     */
    record SuspectView(Cause cause, String name, String how, int percent) {}

    /** A check that may be made, or was made already, instead of the one that is asked. */
    record OtherCheckView(FaultCheck check, String says, String yes, String no) {}

    /** Something that was done. */
    record CaseStepView(Instant at, String says, String answer) {}

    /**
     * A case.
     *
     * @param sentence what to do now
     * @param why it is this
     * @param check what is asked; null where no check is
     * @param fix what is to be put right; null where nothing is
     * @param also what else is to be known: two causes at once, nothing of the table, that it comes and goes
     * @param others further checks that tell something, the best first
     * @param ledger what entered the ledger by it; null where nothing did
     */
    record CaseView(
            UUID id,
            int revision,
            String amplifier,
            String symptoms,
            String note,
            String openedOn,
            Diagnosis.Verdict verdict,
            String sentence,
            @Nullable String why,
            @Nullable FaultCheck check,
            @Nullable Cause fix,
            List<CaseAnswerView> answers,
            List<String> cautions,
            List<String> also,
            List<SuspectView> suspects,
            List<OtherCheckView> others,
            List<CaseStepView> steps,
            @Nullable String ledger) {}
}
