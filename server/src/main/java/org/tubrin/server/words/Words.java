package org.tubrin.server.words;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** Says what the core's codes mean, in plain English. */
@Component
public class Words {
    private static final ULocale LANGUAGE = ULocale.ENGLISH;

    private final Properties catalogue = new Properties();
    private final Map<String, MessageFormat> formats = new ConcurrentHashMap<>();

    public Words() {
        try (InputStream stream = Words.class.getResourceAsStream("/words/en.properties")) {
            if (stream == null) {
                throw new IllegalStateException("the catalogue of words is missing from the build");
            }
            catalogue.load(new InputStreamReader(stream, StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Returns whether there are words under a key. */
    public boolean has(String key) {
        return catalogue.containsKey(key);
    }

    /** Returns the words under a key. */
    public String say(String key) {
        return say(key, Map.of());
    }

    /** Returns the words under a key, with its arguments; fails for a key that is not in the catalogue. */
    public String say(String key, Map<String, Object> arguments) {
        String pattern = catalogue.getProperty(key);
        if (pattern == null) {
            throw new IllegalArgumentException("no words for " + key);
        }
        MessageFormat format = formats.computeIfAbsent(key, ignored -> new MessageFormat(pattern, LANGUAGE));
        synchronized (format) {
            return format.format(arguments);
        }
    }

    /** Returns what a code of the core is called, or the code itself where it is a name already. */
    public String name(String code) {
        String found = catalogue.getProperty("name." + code);
        return found == null ? code : found;
    }

    /** Returns every key. */
    public Set<String> keys() {
        return catalogue.stringPropertyNames();
    }
}
