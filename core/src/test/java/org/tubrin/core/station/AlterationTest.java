package org.tubrin.core.station;

import static org.testng.Assert.assertEquals;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;

public class AlterationTest {
    private static final Instant MAY = Instant.parse("2026-05-01T00:00:00Z");
    private static final Alteration TUBES =
            new Alteration("Brigantine", Alteration.Part.TUBES, MAY, "two Lantern 350, matched");
    private static final Alteration RELAY =
            new Alteration("Brigantine", Alteration.Part.RELAY, MAY.plusSeconds(86_400), "");
    private static final Alteration CABLE =
            new Alteration("Yardarm", Alteration.Part.CABLE, MAY.plusSeconds(2 * 86_400), "");
    private static final List<Alteration> ALL = List.of(RELAY, TUBES, CABLE);

    @Test
    public void theFirstChangeAfterwardsCloses() {
        Set<String> line = Set.of("Brigantine", "Yardarm");
        assertEquals(Alteration.closing(ALL, line, MAY.minusSeconds(1)), Optional.of(TUBES));
        assertEquals(Alteration.closing(ALL, line, MAY), Optional.of(RELAY), "what is found then is found with it");
        assertEquals(Alteration.closing(ALL, Set.of("Ballast"), MAY.minusSeconds(1)), Optional.empty());
        assertEquals(Alteration.closing(ALL, line, MAY.plusSeconds(3 * 86_400)), Optional.empty());
    }

    @Test
    public void whatWasFoundSinceTheLastHolds() {
        assertEquals(Alteration.last(ALL, Set.of("Brigantine")), Optional.of(RELAY));
        assertEquals(Alteration.last(ALL, Set.of("Brigantine", "Yardarm")), Optional.of(CABLE));
    }
}
