import type { MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { IntlMessageFormat } from 'intl-messageformat';

/** The languages that the page speaks, each by its own name. */
export const LANGUAGES = { en: 'English', de: 'Deutsch', es: 'Español' } as const;
export type Language = keyof typeof LANGUAGES;

/** What stands in place of an argument of a message: a number is written by the language, nothing for what is not there. */
export type Argument = string | number | boolean | null | undefined;

/** Messages by their keys: a text, or the parts of one that has arguments. */
export type Catalogue = Readonly<Record<string, string | MessageFormatElement[]>>;

const COOKIE = 'language';
const A_YEAR_S = 365 * 24 * 3600;

let language: Language = 'en';
let catalogue: Catalogue = {};
const formats = new Map<string, IntlMessageFormat>();

/** Takes a language and words of it; before any of them is said. */
export function speak(to: Language, words: Catalogue): void {
  catalogue = to === language ? { ...catalogue, ...words } : words;
  language = to;
  formats.clear();
}

/** Returns the language that is spoken. */
export const languageNow = (): Language => language;

/** Returns the words under a key of the catalogue, in ICU message format. */
export function say(key: string, args: Record<string, Argument> = {}): string {
  const message = catalogue[key];
  if (message === undefined) throw new Error(`no words for ${key}`);
  if (typeof message === 'string') return message;
  let format = formats.get(key);
  if (!format) {
    format = new IntlMessageFormat(message, language);
    formats.set(key, format);
  }
  return String(format.format(Object.fromEntries(Object.entries(args).map(([name, value]) => [name, plain(value)]))));
}

/** A whole number stays one, since a plural may go by it. */
const plain = (value: Argument): string | number => {
  if (typeof value === 'number') return Number.isInteger(value) ? value : decimal(String(value));
  return typeof value === 'string' ? value : '';
};

/** Returns the digits of a number with the language's decimal sign. */
export const decimal = (digits: string): string => (language === 'en' ? digits : digits.replace('.', ','));

/** Returns a label as it stands within a sentence: without its capital, where the language does not write nouns with one. */
export function within(label: string): string {
  return language === 'de' || /^\p{Lu}{2}/u.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1);
}

/** Returns the language to speak: the one chosen by hand, else the first of the browser's that is known, else English. */
export function wanted(cookies: string, browser: readonly string[]): Language {
  const chosen = new RegExp(`(?:^|;\\s*)${COOKIE}=(\\w+)`).exec(cookies)?.[1];
  return [chosen, ...browser.map((tag) => tag.split('-')[0]?.toLowerCase())].find(isKnown) ?? 'en';
}

const isKnown = (code: string | undefined): code is Language => code !== undefined && code in LANGUAGES;

/** Speaks another language from now on, the server too: the page begins anew, and what was typed is in its drafts. */
export function choose(to: Language): void {
  // biome-ignore lint/suspicious/noDocumentCookie: the server reads it, and every browser has it
  document.cookie = `${COOKIE}=${to}; Path=/; Max-Age=${A_YEAR_S}; SameSite=Lax`;
  location.reload();
}
