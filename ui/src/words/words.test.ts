import german from 'virtual:words/de';
import english from 'virtual:words/en';
import spanish from 'virtual:words/es';
import {
  isArgumentElement,
  isPluralElement,
  isSelectElement,
  type MessageFormatElement,
} from '@formatjs/icu-messageformat-parser';
import { afterEach, describe, expect, it } from 'vitest';
import { decimal, type Language, say, speak, wanted, within } from '.';
import { areaOf } from './areas';
import type { Catalogue } from './words';

const TEXTS = import.meta.glob<string>('../**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });
const CATALOGUES: Record<Language, Catalogue> = { en: english, de: german, es: spanish };

/** Returns the names of a message's arguments, in their order in the alphabet. */
function argumentsOf(message: string | MessageFormatElement[]): string[] {
  const names = new Set<string>();
  const walk = (elements: MessageFormatElement[]) => {
    for (const element of elements) {
      if (isArgumentElement(element)) names.add(element.value);
      if (isPluralElement(element) || isSelectElement(element)) {
        names.add(element.value);
        for (const option of Object.values(element.options)) walk(option.value);
      }
    }
  };
  if (typeof message !== 'string') walk(message);
  return [...names].sort();
}

describe('the words of the page', () => {
  const used = new Set(
    Object.entries(TEXTS)
      .filter(([file]) => !/\.test\./.test(file))
      .flatMap(([, text]) => [...text.matchAll(/\bsay\(\s*'([^']+)'/g)].map(([, key]) => key ?? '')),
  );

  it('are each said somewhere, and what is said is there', () => {
    expect([...used].sort()).toEqual(Object.keys(english).sort());
  });

  it('are said where they are fetched: those of a view by it alone', () => {
    const strange = Object.entries(TEXTS)
      .filter(([file]) => !/\.test\./.test(file))
      .flatMap(([file, text]) =>
        [...text.matchAll(/\bsay\(\s*'([^']+)'/g)]
          .map(([, key]) => key ?? '')
          .filter((key) => areaOf(key) !== 'base' && !file.includes(`/${areaOf(key)}`))
          .map((key) => `${file}: ${key}`),
      );
    expect(strange).toEqual([]);
  });

  it('stand in the catalogues, none in the code: what it quotes are keys, units and the languages by their own names', () => {
    const quoted = Object.entries(TEXTS)
      .filter(([file]) => !/\.test\.|\/testing\.tsx$|\.d\.ts$/.test(file))
      .flatMap(([file, text]) =>
        [...text.matchAll(/'([A-Z][a-zñ]+(?:[ ,;:.]+[A-Za-z]+)*[.!?]?)'/g)].map(([, word]) => `${file}: ${word}`),
      )
      .filter((one) => !/: (Enter|Escape|Space|Shift|Hz|Ah|English|Deutsch|Español)$/.test(one));
    expect(quoted).toEqual([]);
  });

  it.each(['de', 'es'] as const)('are all there in %s, with the same arguments', (language) => {
    const there = CATALOGUES[language];
    expect(Object.keys(there).sort()).toEqual(Object.keys(english).sort());
    const other = Object.entries(english).filter(
      ([key, message]) => argumentsOf(there[key] ?? '').join() !== argumentsOf(message).join(),
    );
    expect(other).toEqual([]);
  });
});

describe('a language', () => {
  afterEach(() => speak('en', english));

  it('is the one chosen by hand, else the first of the browser that is known, else English', () => {
    expect(wanted('theme=lamp; language=es', ['de-AT', 'en'])).toBe('es');
    expect(wanted('', ['fr', 'de-AT', 'en'])).toBe('de');
    expect(wanted('language=xx', ['fr'])).toBe('en');
  });

  it('has its own decimal sign, and its nouns their capitals', () => {
    expect([decimal('2.88'), within('Plate current'), within('SWR')]).toEqual(['2.88', 'plate current', 'SWR']);
    speak('de', german);
    expect([decimal('2.88'), within('Anodenstrom')]).toEqual(['2,88', 'Anodenstrom']);
    expect(say('quantity.minAgo', { minutes: 2.5 })).toContain('2,5');
  });

  it('fails for a key that has no words', () => {
    expect(() => say('no.such.key')).toThrow('no words for no.such.key');
  });
});
