package org.tubrin.bench.campaign;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A few amplifiers of another seed than the report's, held to what it claims. */
public class AcrossBandsTest {
    private List<AcrossBands.Other> others;

    @BeforeClass
    public void plays() {
        others = AcrossBands.run(8, 4711);
    }

    @Test
    public void theFirstKeyDownElsewhereReachesMostOfWhatThereIs() {
        for (String truth : List.of("like its twin, learned", "foreign, learned", "foreign, twin as recorded")) {
            double median = AcrossBands.reached(others, truth, AcrossBands.Other::peakedPercent, 0.5);
            double most = AcrossBands.reached(others, truth, AcrossBands.Other::peakedPercent, 0.05);
            assertTrue(median >= 93, truth + ": median " + median);
            assertTrue(most >= 80, truth + ": 19 of 20 " + most);
        }
    }

    /** Peaking never brings less; every other band is played, and none twice. */
    @Test
    public void everyOtherBandIsPlayedOnce() {
        others.forEach(one -> {
            assertTrue(one.peakedPercent() >= one.asSetPercent() - 1e-9, one.toString());
            assertTrue(one.from() != one.to());
        });
        assertEquals(
                others.stream()
                        .map(one -> one.number() + " " + one.truth() + " " + one.to())
                        .distinct()
                        .count(),
                others.size());
    }
}
