package org.tubrin.server.feed;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class InstrumentSettingsTest {
    @DataProvider
    public Object[][] wrong() {
        return new Object[][] {
            {"", "bench", "TUBRIN_BENCH is “bench”"},
            {"", "127.0.0.1", "TUBRIN_BENCH is “127.0.0.1”"},
            {"", "127.0.0.1:0", "TUBRIN_BENCH is “127.0.0.1:0”"},
            {"", "127.0.0.1:70000", "TUBRIN_BENCH is “127.0.0.1:70000”"},
            {"meter.local; rm", "", "TUBRIN_INSTRUMENT_HOSTS holds “meter.local; rm”"},
        };
    }

    @Test(dataProvider = "wrong")
    public void whatCannotBeMeantIsToldWithWhatCan(String hosts, String bench, String says) {
        String told = expectThrows(IllegalArgumentException.class, () -> new InstrumentSettings(hosts, bench))
                .getMessage();
        assertTrue(told.startsWith(says), told);
        assertTrue(told.contains("such as"), told);
    }

    @Test
    public void nothingIsNoBenchAndHostsAreReadInSmallLetters() {
        InstrumentSettings none = new InstrumentSettings("", "");
        assertTrue(none.firstOfBench().isEmpty());
        assertEquals(none.hosts(), List.of());
        InstrumentSettings set = new InstrumentSettings(" Meter.Local, 192.168.1.20 ,", " 127.0.0.1:5025 ");
        assertEquals(set.hosts(), List.of("meter.local", "192.168.1.20"));
        assertEquals(set.firstOfBench().orElseThrow().getPort(), 5025);
    }
}
