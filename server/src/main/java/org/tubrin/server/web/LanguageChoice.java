package org.tubrin.server.web;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;
import org.springframework.web.servlet.i18n.CookieLocaleResolver;
import org.tubrin.server.words.Language;

/** A call is answered in the language that was chosen by hand, else in the first of the browser's that Tubrin speaks. */
@Configuration
class LanguageChoice {
    private static final String COOKIE = "language";

    @Bean
    LocaleResolver localeResolver() {
        AcceptHeaderLocaleResolver browser = new AcceptHeaderLocaleResolver();
        browser.setSupportedLocales(Language.locales());
        browser.setDefaultLocale(Language.EN.locale());
        CookieLocaleResolver chosen = new CookieLocaleResolver(COOKIE);
        // What is no language is as good as no cookie.
        chosen.setRejectInvalidCookies(false);
        chosen.setDefaultLocaleFunction(browser::resolveLocale);
        return chosen;
    }
}
