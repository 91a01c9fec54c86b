package org.tubrin.server.words;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.context.i18n.LocaleContext;
import org.springframework.context.i18n.LocaleContextHolder;

/** The languages that Tubrin speaks; each has its one file of words. */
public enum Language {
    EN,
    DE,
    ES;

    private static final char COMMA = ',';

    /** Returns the language of the call in hand; English where there is none. */
    public static Language now() {
        LocaleContext context = LocaleContextHolder.getLocaleContext();
        return of(context == null ? null : context.getLocale());
    }

    private static Language of(@Nullable Locale locale) {
        return Stream.of(values())
                .filter(one -> locale != null && one.code().equals(locale.getLanguage()))
                .findFirst()
                .orElse(EN);
    }

    /** Returns the languages as the web knows them. */
    public static List<Locale> locales() {
        return Stream.of(values()).map(Language::locale).toList();
    }

    /** Returns it as the web knows it. */
    public Locale locale() {
        return Locale.forLanguageTag(code());
    }

    /** Does something that is not on behalf of a call, such as a live frame, in this language. */
    public void speaks(Runnable what) {
        LocaleContextHolder.setLocale(locale());
        try {
            what.run();
        } finally {
            LocaleContextHolder.resetLocaleContext();
        }
    }

    String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    ULocale rules() {
        return ULocale.forLanguageTag(code());
    }

    /** Returns digits that have a decimal point with the decimal sign of the language. */
    public String decimal(String digits) {
        return this == EN ? digits : digits.replace('.', COMMA);
    }

    /** Returns a label as it stands within a sentence: without its capital, where nouns have none and it is no abbreviation. */
    String within(String label) {
        boolean isAbbreviation = label.length() > 1 && Character.isUpperCase(label.charAt(1));
        return this == DE || isAbbreviation || label.isEmpty()
                ? label
                : label.substring(0, 1).toLowerCase(Locale.ROOT) + label.substring(1);
    }
}
