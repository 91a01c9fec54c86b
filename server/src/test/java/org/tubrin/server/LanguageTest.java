package org.tubrin.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.ibm.icu.text.MessagePattern;
import com.ibm.icu.text.MessagePattern.Part;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The languages: complete, each spoken to whom it belongs, in answers that are kept and in live ones too. */
public class LanguageTest extends ServerTest {
    private static final String TREND = "/api/trends?amplifier=Brigantine&band=MHZ_14&termination=Ballast%201000";

    private static Properties catalogue(String language) throws IOException {
        Properties catalogue = new Properties();
        try (Reader text = new InputStreamReader(
                Objects.requireNonNull(LanguageTest.class.getResourceAsStream("/words/" + language + ".properties")),
                StandardCharsets.UTF_8)) {
            catalogue.load(text);
        }
        return catalogue;
    }

    /** Returns the names of a message's arguments. */
    private static Set<String> argumentsOf(String text) {
        MessagePattern pattern = new MessagePattern(text);
        TreeSet<String> names = new TreeSet<>();
        for (int i = 0; i < pattern.countParts(); i++) {
            Part part = pattern.getPart(i);
            if (part.getType() == Part.Type.ARG_NAME) {
                names.add(pattern.getSubstring(part));
            }
        }
        return names;
    }

    @DataProvider
    public Object[][] others() {
        return new Object[][] {{"de"}, {"es"}};
    }

    @Test(dataProvider = "others")
    public void eachHasEveryWordWithItsArguments(String language) throws IOException {
        Properties english = catalogue("en");
        Properties other = catalogue(language);
        assertEquals(new TreeSet<>(other.stringPropertyNames()), new TreeSet<>(english.stringPropertyNames()));
        TreeSet<String> apart = new TreeSet<>();
        TreeSet<String> asInEnglish = new TreeSet<>();
        for (String key : english.stringPropertyNames()) {
            String text = english.getProperty(key);
            if (!argumentsOf(text).equals(argumentsOf(other.getProperty(key)))) {
                apart.add(key);
            }
            if (text.split(" ", -1).length > 3
                    && text.equals(other.getProperty(key))
                    && text.replaceAll("\\{[^}]*}", "").matches(".*[a-z]{4} .*")) {
                asInEnglish.add(key);
            }
        }
        assertEquals(apart, new TreeSet<String>());
        assertEquals(asInEnglish, new TreeSet<String>(), "sentences that were not translated");
    }

    private JsonNode inLanguage(String path, String header, String value) {
        return call(request(path).header(header, value)).json();
    }

    private String test(String header, String value) {
        return inLanguage(TREND, header, value).get("test").asString();
    }

    @Test
    public void isTheOneChosenElseTheBrowsersElseEnglish() {
        assertTrue(test("Accept-Language", "fr, de-AT;q=0.8, en;q=0.5").contains("Läufe"));
        assertTrue(test("Cookie", "language=es").contains("sesiones"));
        // What is kept of an answer is kept by language.
        assertTrue(get(TREND).json().get("test").asString().contains("runs"));
        assertTrue(test("Cookie", "language=xx").contains("runs"));
        assertTrue(test("Cookie", "language=_;x").contains("runs"));
    }

    @Test
    public void movesFiguresAndRefusalsAreInIt() {
        run = post("/api/runs", start("MHZ_14", "14.2")).json();
        String path = "/api/runs/" + run.get("id").asString();
        JsonNode german = inLanguage(path, "Cookie", "language=de");
        assertEquals(german.get("advice").get("button").asString(), "Ja");
        assertEquals(get(path).json().get("advice").get("button").asString(), "Yes");
        JsonNode cards = inLanguage("/api/cards", "Cookie", "language=de");
        assertTrue(cards.toString().matches(".*\"[^\"]*\\d,\\d[^\"]*\".*"), "a decimal comma: " + cards);
        JsonNode refused = inLanguage("/api/runs/00000000-0000-4000-8000-000000000000", "Cookie", "language=es");
        assertEquals(refused.get("title").asString(), "No está");
    }
}
