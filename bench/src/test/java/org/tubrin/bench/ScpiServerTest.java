package org.tubrin.bench;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.net.SocketException;
import java.nio.charset.StandardCharsets;
import org.testng.annotations.Test;

public class ScpiServerTest {
    private static final int TRIES = 500;

    /** A client that came in while the server went away would hold on to a station that no longer lives. */
    @Test
    public void nobodyIsAnsweredByAServerThatWasClosed() throws IOException {
        Instrument instrument = new Instrument("one").number("ONE", () -> 1);
        int answered = 0;
        for (int i = 0; i < TRIES; i++) {
            ScpiServer server = new ScpiServer(instrument, 0);
            try (Socket client = new Socket(InetAddress.getLoopbackAddress(), server.port())) {
                client.setSoTimeout(5000);
                server.close();
                client.getOutputStream().write("ONE?\n".getBytes(StandardCharsets.US_ASCII));
                answered += client.getInputStream().read() >= 0 ? 1 : 0;
            } catch (SocketException reset) {
                // Sent away: as it should be.
            }
        }
        assertEquals(answered, 0, "of " + TRIES);
    }
}
