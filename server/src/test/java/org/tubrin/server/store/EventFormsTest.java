package org.tubrin.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.util.List;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.RunEvent;
import tools.jackson.databind.json.JsonMapper;

public class EventFormsTest {
    private static final JsonMapper JSON = CoreJson.mapper();

    /** Two changes of form, one after the other: a field got another name, then another kind of event was named otherwise. */
    private static final EventForms FORMS = new EventForms(
            JSON,
            List.of(
                    event -> {
                        if (event.has("words")) {
                            event.set("text", event.remove("words"));
                        }
                        return event;
                    },
                    event -> event.get("kind").asString().equals("remark") ? event.put("kind", "note") : event));

    @Test
    public void anOldEventIsLiftedThroughEveryVersionBetween() {
        RunEvent note = new RunEvent.Note("line at 228 V");
        assertEquals(FORMS.read(1, "{\"kind\":\"remark\",\"words\":\"line at 228 V\"}"), note);
        assertEquals(FORMS.read(2, "{\"kind\":\"remark\",\"text\":\"line at 228 V\"}"), note);
        assertEquals(FORMS.read(3, "{\"kind\":\"note\",\"text\":\"line at 228 V\"}"), note);
    }

    @Test
    public void aVersionFromTheFutureIsRefusedByItsNumber() {
        Refused refused = expectThrows(Refused.class, () -> FORMS.read(4, "{\"kind\":\"note\",\"text\":\"x\"}"));
        assertEquals(refused.problems().get(0).code(), ProblemCode.UNSUPPORTED_EVENT);
        assertEquals(refused.problems().get(0).found(), "4");
        expectThrows(Refused.class, () -> FORMS.read(0, "{}"));
    }

    @Test
    public void todaysLiftsLeadToTodaysVersion() {
        assertEquals(new EventForms(JSON).read(RunEvent.VERSION, "{\"kind\":\"keyed\"}"), new RunEvent.Keyed());
    }
}
