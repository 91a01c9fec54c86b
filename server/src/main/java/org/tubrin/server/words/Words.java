package org.tubrin.server.words;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.Properties;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** Says what the core's codes mean, in plain words of the language of the call in hand. */
@Component
public class Words {
    private static final Map<Language, Catalogue> CATALOGUES = catalogues();

    private record Catalogue(Properties texts, Map<String, MessageFormat> formats) {}

    private static Map<Language, Catalogue> catalogues() {
        Map<Language, Catalogue> all = new EnumMap<>(Language.class);
        for (Language language : Language.values()) {
            all.put(language, new Catalogue(read(language), new ConcurrentHashMap<>()));
        }
        return all;
    }

    private static Properties read(Language language) {
        String file = "/words/" + language.code() + ".properties";
        Properties texts = new Properties();
        try (InputStream stream = Words.class.getResourceAsStream(file)) {
            if (stream == null) {
                throw new IllegalStateException(file + " is missing from the build");
            }
            texts.load(new InputStreamReader(stream, StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return texts;
    }

    private static Catalogue catalogue(Language language) {
        return Objects.requireNonNull(CATALOGUES.get(language));
    }

    private static Properties texts() {
        return catalogue(Language.now()).texts();
    }

    static String text(String key, Map<String, Object> arguments) {
        Language language = Language.now();
        Catalogue catalogue = catalogue(language);
        String pattern = catalogue.texts().getProperty(key);
        if (pattern == null) {
            throw new IllegalArgumentException("no words for " + key);
        }
        MessageFormat format =
                catalogue.formats().computeIfAbsent(key, ignored -> new MessageFormat(pattern, language.rules()));
        synchronized (format) {
            return format.format(arguments);
        }
    }

    /** Returns whether there are words under a key. */
    public boolean has(String key) {
        return texts().containsKey(key);
    }

    /** Returns the words under a key. */
    public String say(String key) {
        return say(key, Map.of());
    }

    /** Returns the words under a key, with its arguments; fails for a key that is not in the catalogue. */
    public String say(String key, Map<String, Object> arguments) {
        return text(key, arguments);
    }

    /** Returns what a code of the core is called, or the code itself where it is a name already. */
    public String name(String code) {
        String found = texts().getProperty("name." + code);
        return found == null ? code : found;
    }

    /** Returns what a code of the core is called within a sentence. */
    public String nameWithin(String code) {
        return Language.now().within(name(code));
    }

    /** Returns words that stand by themselves as they are within a sentence. */
    public String sayWithin(String key) {
        return Language.now().within(say(key));
    }

    /** Returns every key. */
    public Set<String> keys() {
        return texts().stringPropertyNames();
    }
}
