package org.tubrin.server.web;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Looks at an address as it came, before anything reads it: % and two digits each, UTF-8, no control characters. */
final class AddressText {
    private AddressText() {}

    /** Returns the part of an address that cannot be read; empty where all can. */
    static Optional<String> fault(String path, @Nullable String query) {
        return Optional.of(path)
                .filter(part -> !isClean(part))
                .or(() -> Optional.ofNullable(query).filter(part -> !isClean(part)));
    }

    private static boolean isClean(String part) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        for (int i = 0; i < part.length(); i++) {
            char c = part.charAt(i);
            if (c == '%') {
                if (i + 2 >= part.length() || !isHex(part.charAt(i + 1)) || !isHex(part.charAt(i + 2))) {
                    return false;
                }
                bytes.write(Integer.parseInt(part, i + 1, i + 3, 16));
                i += 2;
            } else if (c > 0xff) {
                return false;
            } else {
                bytes.write(c);
            }
        }
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes.toByteArray()))
                    .toString();
            return text.chars().noneMatch(Character::isISOControl);
        } catch (CharacterCodingException notUtf8) {
            return false;
        }
    }

    private static boolean isHex(char c) {
        return Character.digit(c, 16) >= 0 && c < 0x80;
    }
}
