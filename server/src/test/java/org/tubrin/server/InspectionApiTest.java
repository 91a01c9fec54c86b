package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Looking at an amplifier that is offered: what the sheet takes along and what it brings back. */
public class InspectionApiTest extends ServerTest {
    private static final String JPEG = jpeg();
    private String address = "";

    private static String jpeg() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(new BufferedImage(8, 6, BufferedImage.TYPE_INT_RGB), "jpeg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return Base64.getEncoder().encodeToString(out.toByteArray());
    }

    @BeforeMethod
    public void atTheSloop() {
        address = "/api/candidates/" + equipmentId("Sloop 1000") + "/inspection";
    }

    private static Map<String, Object> photo(String point, String jpeg) {
        Map<String, Object> photo = new LinkedHashMap<>();
        photo.put("id", UUID.randomUUID().toString());
        photo.put("point", point);
        photo.put("takenAt", "2026-11-20T10:00:00Z");
        photo.put("jpeg", jpeg);
        return photo;
    }

    private Map<String, Object> file(List<Map<String, Object>> points, List<Map<String, Object>> photos) {
        Map<String, Object> file = new LinkedHashMap<>();
        file.put("format", "tubrin-inspection");
        file.put("candidateId", equipmentId("Sloop 1000"));
        file.put("points", points);
        file.put("photos", photos);
        return file;
    }

    private int revision() {
        return Objects.requireNonNull(
                database.queryForObject("select revision from equipment where name = 'Sloop 1000'", Integer.class));
    }

    private static JsonNode point(JsonNode view, String code) {
        for (JsonNode one : view.get("points")) {
            if (one.get("point").asString().equals(code)) {
                return one;
            }
        }
        throw new AssertionError("no " + code);
    }

    private static void refused(Reply reply, String field) {
        assertEquals(reply.status(), 422, reply.text());
        assertTrue(reply.text().contains("\"field\":\"" + field), reply.text());
    }

    /** Bringing the same file twice is one: the record's revision, its points and its photographs stay as they are. */
    @Test
    public void whatThePhoneSavedIsPutInOnce() {
        List<Map<String, Object>> points = List.of(
                Map.of("point", "BLOWER", "state", "BAD", "note", " Scrapes,\nsmells. "),
                Map.of("point", "OWNERS", "note", "two"));
        Map<String, Object> file = file(points, List.of(photo("BLOWER", JPEG)));
        Reply first = post(address, file);
        assertEquals(first.status(), 200, first.text());
        assertEquals(point(first.json(), "BLOWER").get("state").asString(), "BAD");
        assertEquals(point(first.json(), "BLOWER").get("note").asString(), "Scrapes,\nsmells.");
        assertFalse(point(first.json(), "OWNERS").has("state"), "noted, not judged");
        // What the sheet says nothing of stays as it was: band switch good 2, contacts worn 1, relay worn 1; blower bad
        // 0.
        assertEquals(
                point(first.json(), "SWITCH_CONTACTS").get("note").asString(),
                "Black spot on the 28 MHz contact, no burr.");
        assertTrue(first.json().get("verdict").asString().startsWith("4 of 8 points"), first.text());
        int revision = revision();
        assertEquals(post(address, file).text(), first.text());
        assertEquals(revision(), revision);
        assertTrue(get("/api/choosing").text().contains("4 of 8 points"));
    }

    @Test
    public void aPhotographIsKeptGivenBackAndDeleted() {
        post(address, file(List.of(), List.of(photo("RELAY", JPEG))));
        String id = point(get(address).json(), "RELAY")
                .get("photos")
                .get(0)
                .get("id")
                .asString();
        Reply picture = get(address + "/photos/" + id);
        assertEquals(picture.headers().get("content-type"), "image/jpeg");
        assertTrue(picture.text().contains("JFIF"));
        // It is of this amplifier alone, and gone with it.
        String other = "/api/candidates/" + equipmentId("Frigate 1500") + "/inspection/photos/";
        assertEquals(get(other + id).status(), 404);
        assertEquals(delete(other + id).status(), 404);
        assertEquals(delete(address + "/photos/" + id).status(), 204);
        assertEquals(get(address + "/photos/" + id).status(), 404);
        post(address, file(List.of(), List.of(photo("RELAY", JPEG))));
        assertEquals(delete("/api/equipment/" + equipmentId("Sloop 1000")).status(), 204);
        assertEquals(database.queryForObject("select count(*) from inspection_photo", Integer.class), 0);
    }

    @Test
    public void whatDoesNotHoldIsRefusedAndNothingOfItIsPutIn() {
        String before = get(address).text();
        List<Map<String, Object>> points = List.of(Map.of("point", "BLOWER", "state", "BAD"));
        String png = Base64.getEncoder().encodeToString(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        refused(post(address, file(points, List.of(photo("BLOWER", JPEG), photo("BLOWER", png)))), "photos.1.jpeg");
        refused(post(address, file(points, List.of(photo("BLOWER", "no base64!")))), "photos.0.jpeg");
        refused(post(address, file(points, List.of(photo("BLOWER", "/9j/".repeat(700_000))))), "photos.0.jpeg");
        refused(post(address, file(List.of(points.get(0), points.get(0)), List.of())), "points");
        refused(post(address, file(List.of(Map.of("point", "BLOWER", "note", "x".repeat(401))), List.of())), "");
        Map<String, Object> foreign = file(points, List.of());
        foreign.put("candidateId", equipmentId("Frigate 1500"));
        refused(post(address, foreign), "candidateId");
        Map<String, Object> other = file(points, List.of());
        other.put("format", "tubrin-backup");
        refused(post(address, other), "format");
        String amplifier = "/api/candidates/" + equipmentId("Brigantine") + "/inspection";
        refused(get(amplifier), "candidateId");
        assertEquals(get(address).text(), before);
    }

    @Test
    public void soManyPhotographsAndNoMore() {
        List<Map<String, Object>> sixty = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            sixty.add(photo("RELAY", JPEG));
        }
        assertEquals(post(address, file(List.of(), sixty)).status(), 200);
        refused(post(address, file(List.of(), List.of(photo("RELAY", JPEG)))), "photos");
        assertEquals(point(get(address).json(), "RELAY").get("photos").size(), 60);
    }

    /** The sheet is one file that asks for nothing, and no text in it ends the element that it stands in. */
    @Test
    public void theSheetToTakeAlongIsOneFile() {
        String note = "</script><script>alert(1)</script> & 'so on'";
        post(address, file(List.of(Map.of("point", "CHIMNEYS", "state", "GOOD", "note", note)), List.of()));
        Reply reply =
                call(request(address + "/sheet").header("Accept-Language", "de").GET());
        assertEquals(reply.status(), 200);
        assertTrue(reply.headers().get("content-disposition").startsWith("attachment"), "taken along, not opened");
        String sheet = reply.text();
        assertTrue(sheet.contains("<html lang=\"de\""));
        Matcher known = Pattern.compile("<script type=\"application/json\" id=\"sheet\">(.*?)</script>", Pattern.DOTALL)
                .matcher(sheet);
        assertTrue(known.find());
        JsonNode view = JSON.readTree(known.group(1));
        assertEquals(point(view, "CHIMNEYS").get("note").asString(), note);
        assertEquals(view.get("points").size(), 10);
        assertTrue(point(view, "BAND_SWITCH").get("knocksOut").asBoolean());
        assertFalse(Pattern.compile("<(link|script|img)[^>]*(href|src)=\"(?!data:)")
                .matcher(sheet)
                .find());
    }

    @Test
    public void aBackupHoldsThePhotographs() {
        post(address, file(List.of(), List.of(photo("RELAY", JPEG))));
        String view = get(address).text();
        String saved = get("/api/backup").text();
        String id = point(JSON.readTree(view), "RELAY")
                .get("photos")
                .get(0)
                .get("id")
                .asString();
        delete(address + "/photos/" + id);
        assertEquals(post("/api/backup/restore?apply=true", saved).status(), 200);
        assertEquals(get(address).text(), view);
        assertTrue(get(address + "/photos/" + id).text().contains("JFIF"));
        String spoilt = saved.replaceFirst("\"jpeg\":\"[^\"]{8}", "\"jpeg\":\"AAAAAAAA");
        refused(post("/api/backup/restore?apply=false", spoilt), "inspectionPhotos.0.jpeg");
        String orphan =
                saved.replaceFirst("\"candidateId\":\"[^\"]*\"", "\"candidateId\":\"" + UUID.randomUUID() + "\"");
        refused(post("/api/backup/restore?apply=true", orphan), "inspectionPhotos.0.candidateId");
        assertEquals(get(address).text(), view);
    }
}
