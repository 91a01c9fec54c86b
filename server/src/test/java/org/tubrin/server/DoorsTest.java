package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DoorsTest extends ServerTest {
    @DataProvider
    public Object[][] badBodies() {
        String deep = "[".repeat(5000) + "]".repeat(5000);
        return new Object[][] {
            {"", 400},
            {"null", 400},
            {"{", 400},
            {"[]", 400},
            {"\"x\"", 400},
            {"{}", 422},
            {"{\"act\":7}", 422},
            {"{\"act\":\"NOTHING\"}", 422},
            {"{\"clientId\":\"x\"}", 422},
            {"{\"expectedSequence\":\"1e9\"}", 422},
            {"{\"expectedSequence\":1e999}", 422},
            {"{\"unknown\":1}", 422},
            {deep, 400},
            {"{\"act\":\"KEY\",\"act\":\"KEY\"}", 400},
            {"\u0000", 400},
        };
    }

    @Test(dataProvider = "badBodies")
    public void aBadBodyIsRefusedWithAReason(String body, int status) {
        Reply reply = post("/api/runs/" + UUID.randomUUID() + "/acts", body);
        assertTrue(reply.status() >= 400 && reply.status() < 500, reply.status() + " " + reply.text());
        assertTrue(Math.abs(reply.status() - status) <= 22, reply.status() + " " + reply.text());
        assertEquals(reply.headers().get("content-type"), "application/problem+json");
        assertFalse(reply.json().get("detail").asString().isBlank());
        assertFalse(reply.text().contains("Exception"), reply.text());
    }

    @Test
    public void aForeignOriginGetsNothing() {
        for (String origin :
                List.of("http://evil.example", "null", "https://127.0.0.1:" + port, "http://127.0.0.1:1", "x")) {
            Reply reply = call(request("/api/runs").header("Origin", origin).GET());
            assertEquals(reply.status(), 403, origin);
            assertEquals(reply.json().get("type").asString(), "wrongOrigin");
        }
        assertEquals(
                call(request("/api/runs")
                                .header("Origin", "http://127.0.0.1:" + port)
                                .GET())
                        .status(),
                200);
    }

    @Test
    public void aForeignHostGetsNothing() throws IOException {
        for (String host : List.of("evil.example", "127.0.0.1.evil.example", "evil.example:80", "[::2]")) {
            assertTrue(
                    raw("GET /api/runs HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n")
                            .startsWith("HTTP/1.1 403"),
                    host);
        }
        assertTrue(raw("GET /api/cards HTTP/1.1\r\nHost: localhost:" + port + "\r\nConnection: close\r\n\r\n")
                .startsWith("HTTP/1.1 200"));
    }

    @Test
    public void aBodyWithoutEndIsCutOff() throws IOException {
        String chunk = "8000\r\n" + "x".repeat(0x8000) + "\r\n";
        String reply = raw("POST /api/equipment HTTP/1.1\r\nHost: 127.0.0.1:" + port
                + "\r\nContent-Type: application/json\r\nConnection: close\r\nTransfer-Encoding: chunked\r\n\r\n7\r\n{\"a\":\"b\r\n"
                + chunk.repeat(9) + "0\r\n\r\n");
        assertTrue(reply.startsWith("HTTP/1.1 4"), reply.substring(0, Math.min(200, reply.length())));
    }

    @Test
    public void aLargeBodyIsRefusedBeforeItIsRead() {
        Reply reply = post("/api/equipment", "{\"name\":\"" + "x".repeat(300_000) + "\"}");
        assertEquals(reply.status(), 413);
        assertEquals(reply.json().get("type").asString(), "tooLarge");
    }

    @Test
    public void onlyJsonIsTaken() {
        Reply reply = call(request("/api/equipment")
                .header("Content-Type", "text/plain")
                .POST(HttpRequest.BodyPublishers.ofString("{}")));
        assertEquals(reply.status(), 415);
        assertEquals(reply.json().get("type").asString(), "wrongType");
    }

    @DataProvider
    public Object[][] nowhere() {
        return new Object[][] {
            {"/api/nothing"},
            {"/api/runs/not-an-id"},
            {"/api/runs/" + UUID.randomUUID()},
            {"/actuator/env"},
            {"/api/runs/../../etc/passwd"}
        };
    }

    @Test(dataProvider = "nowhere")
    public void whatIsNotThereIsSaidSo(String path) {
        Reply reply = get(path);
        assertTrue(reply.status() == 404 || reply.status() == 400, reply.status() + " " + reply.text());
    }

    @Test
    public void aWrongMethodIsSaidSo() {
        assertEquals(call(request("/api/runs").DELETE()).status(), 405);
    }

    @Test
    public void healthAndMetricsAnswer() {
        assertEquals(get("/actuator/health").json().get("status").asString(), "UP");
        assertTrue(get("/actuator/metrics").json().get("names").size() > 10);
    }

    private String raw(String request) throws IOException {
        try (Socket socket = new Socket(java.net.InetAddress.getLoopbackAddress(), port)) {
            socket.setSoTimeout(10_000);
            try {
                socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
                socket.getOutputStream().flush();
            } catch (IOException cutOff) {
                // The server may answer and close before all is sent.
            }
            InputStream in = socket.getInputStream();
            StringBuilder text = new StringBuilder();
            byte[] buffer = new byte[4096];
            try {
                for (int n = in.read(buffer); n > 0 && text.length() < 4000; n = in.read(buffer)) {
                    text.append(new String(buffer, 0, n, StandardCharsets.UTF_8));
                }
            } catch (IOException reset) {
                // What came before the reset counts.
            }
            return text.toString();
        }
    }
}
