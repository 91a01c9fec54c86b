package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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
    public void anotherSiteMayLinkToAPageAndAskForNothingElse() {
        for (String path : List.of("/api/backup", "/api/runs", "/tune", "/index.html")) {
            Reply image =
                    call(request(path).header("Sec-Fetch-Site", "cross-site").header("Sec-Fetch-Mode", "no-cors"));
            assertEquals(image.status(), 403, path);
            Reply own = call(request(path).header("Sec-Fetch-Site", "same-origin"));
            assertEquals(own.status(), 200, path);
            assertEquals(own.headers().get("cross-origin-resource-policy"), "same-origin");
            assertFalse(own.headers().get("content-security-policy").contains("unsafe"));
        }
        Reply followed = call(request("/tune")
                .header("Sec-Fetch-Site", "cross-site")
                .header("Sec-Fetch-Mode", "navigate")
                .header("Sec-Fetch-Dest", "document"));
        assertEquals(followed.status(), 200);
        Reply fetched = call(request("/api/backup")
                .header("Sec-Fetch-Site", "cross-site")
                .header("Sec-Fetch-Mode", "navigate")
                .header("Sec-Fetch-Dest", "document"));
        assertEquals(fetched.status(), 403);
    }

    @Test
    public void theDocumentCarriesTheMarkThatItsOwnPolicyNamesAndNobodyKeepsIt() {
        String before = "";
        for (String place : List.of("/", "/tune", "/log/compare/a/b", "/index.html", "/tune")) {
            Reply document = call(request(place).GET());
            Matcher mark = Pattern.compile("nonce=\"([^\"]+)\"").matcher(document.text());
            assertTrue(mark.find(), document.text());
            assertTrue(document.headers()
                    .get("content-security-policy")
                    .contains("style-src 'self' 'nonce-" + mark.group(1) + "';"));
            assertEquals(document.headers().get("cache-control"), "no-store");
            assertNotEquals(mark.group(1), before);
            before = mark.group(1);
        }
        assertEquals(call(request("/assets/none").GET()).status(), 404);
    }

    @DataProvider
    public Object[][] crooked() {
        return new Object[][] {
            {"GET /api/trends?amplifier=%ff&band=MHZ_7&termination=x"},
            {"GET /api/trends?amplifier=%00&band=MHZ_7&termination=x"},
            {"GET /api/trends?amplifier=%zz&band=MHZ_7&termination=x"},
            {"GET /api/runs/%ff"},
            {"GET /api/runs/a%00b"},
            {"GET /api/runs/[x]"},
            {"GET /api/runs/{id}"},
            {"TRACE /api/runs"},
            {"NONSENSE /api/runs"},
        };
    }

    @Test(dataProvider = "crooked")
    public void whatTheWebServerItselfRefusesIsToldInOurForm(String line) throws IOException {
        String reply = raw(line + " HTTP/1.1\r\nHost: 127.0.0.1:" + port + "\r\nConnection: close\r\n\r\n");
        assertTrue(reply.startsWith("HTTP/1.1 4"), reply);
        assertTrue(reply.toLowerCase(java.util.Locale.ROOT).contains("content-type: application/problem+json"), reply);
    }

    @Test
    public void halfSentCallsHoldUpNobody() throws Exception {
        List<Socket> half = new java.util.ArrayList<>();
        for (int i = 0; i < 300; i++) {
            Socket socket = new Socket(java.net.InetAddress.getLoopbackAddress(), port);
            String text = i % 2 == 0
                    ? "GET /api/runs HTTP/1.1\r\nHost: 127"
                    : "POST /api/equipment HTTP/1.1\r\nHost: 127.0.0.1:" + port
                            + "\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n{\"kind\":";
            socket.getOutputStream().write(text.getBytes(StandardCharsets.ISO_8859_1));
            half.add(socket);
        }
        assertEquals(get("/api/cards").status(), 200);
        half.get(1).setSoTimeout(20_000);
        int first = half.get(1).getInputStream().read();
        assertTrue(first == 'H' || first == -1, "a half-sent call is answered or let go");
        for (Socket socket : half) {
            socket.close();
        }
    }

    @DataProvider
    public Object[][] refusals() {
        return new Object[][] {
            // address, body, field, code, found, part of the remedy
            {"/api/equipment", "{}", "kind", "MISSING", "", "exciter"},
            {"/api/equipment", "{\"kind\":\"kettle\"}", "kind", "UNKNOWN_NAME", "kettle", "amplifier"},
            {
                "/api/equipment",
                "{\"kind\":\"pad\",\"name\":\"P\",\"attenuationDb\":\"3\",\"powerLimitW\":1}",
                "attenuationDb",
                "NOT_A_NUMBER",
                "3",
                "decimal"
            },
            {
                "/api/equipment",
                "{\"kind\":\"pad\",\"name\":\"P\",\"attenuationDb\":[],\"powerLimitW\":1}",
                "attenuationDb",
                "NOT_A_NUMBER",
                "[…]",
                "decimal"
            },
            {
                "/api/equipment",
                "{\"kind\":\"pad\",\"name\":\"P\",\"powerLimitW\":1}",
                "attenuationDb",
                "MISSING",
                "",
                "number"
            },
            {
                "/api/equipment",
                "{\"kind\":\"pad\",\"name\":{},\"attenuationDb\":3,\"powerLimitW\":1}",
                "name",
                "WRONG_KIND",
                "{…}",
                "text"
            },
            {
                "/api/equipment",
                "{\"kind\":\"pad\",\"name\":\"P\\u0000\",\"attenuationDb\":3,\"powerLimitW\":1}",
                "name",
                "BAD_CHARACTER",
                "U+0000",
                "control"
            },
            {
                "/api/equipment",
                "{\"kind\":\"pad\",\"name\":\"P\\ud800\",\"attenuationDb\":3,\"powerLimitW\":1}",
                "name",
                "BAD_CHARACTER",
                "U+D800",
                "control"
            },
            {"/api/cards/dials", "{\"amplifierId\":\"7\"}", "amplifierId", "WRONG_KIND", "7", "id"},
            {"/api/equipment", "{\"kind\":\"antenna\",\"name\":\"A\",\"bands\":[null]}", "bands.0", "MISSING", "", ""},
            {"/api/backup/restore?apply=maybe", "{}", "apply", "WRONG_KIND", "maybe", "true or false"},
            {"/api/backup/restore", "{}", "apply", "MISSING", "", "true or false"},
        };
    }

    @Test(dataProvider = "refusals")
    public void aRefusalNamesFieldValueAndWhatBelongsThere(
            String path, String body, String field, String code, String found, String remedy) {
        Reply reply = post(path, body);
        assertEquals(reply.status(), 422, reply.text());
        var problem = reply.json().at("/problems/0");
        assertEquals(problem.get("field").asString(), field, reply.text());
        assertEquals(problem.get("code").asString(), code, reply.text());
        assertEquals(problem.get("found").asString(), found, reply.text());
        assertTrue(problem.get("remedy").asString().contains(remedy), reply.text());
    }

    @Test
    public void aRemedyNamesCodesAsACallTakesThemAndTheOtherFieldOfARule() {
        var request = start("MHZ_7", "7.1");
        request.put("band", "7 MHz");
        assertTrue(post("/api/runs", request)
                .json()
                .at("/problems/0/remedy")
                .asString()
                .contains("MHZ_1_8"));
        for (var one : get("/api/equipment").json()) {
            if (one.get("name").asString().equals("Halyard 100")) {
                var body = (tools.jackson.databind.node.ObjectNode) one.get("body");
                body.put("powerMaxW", 1).put("powerMinW", 5);
                String said = put("/api/equipment/" + one.get("id").asString() + "?revision=1", body)
                        .text();
                assertTrue(said.contains("no less than the least power"), said);
            }
        }
        assertEquals(
                put("/api/equipment/" + equipmentId("Fathom") + "?revision=2147483647", fathom())
                        .status(),
                409);
        Reply mistyped = put("/api/equipment/" + equipmentId("Fathom") + "?revision=abc", fathom());
        assertEquals(mistyped.json().at("/problems/0/found").asString(), "abc", mistyped.text());
    }

    private Object fathom() {
        for (var one : get("/api/equipment").json()) {
            if (one.get("name").asString().equals("Fathom")) {
                return one.get("body");
            }
        }
        throw new AssertionError("no Fathom");
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
        // An outage that another test made is told of for half a minute.
        Instant most = Instant.now().plusSeconds(45);
        while (health().equals("DOWN") && Instant.now().isBefore(most)) {
            pause(500);
        }
        assertEquals(health(), "UP");
        assertTrue(get("/actuator/metrics").json().get("names").size() > 10);
    }

    private String health() {
        return get("/actuator/health").json().get("status").asString();
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
