import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { isLiteralElement, parse as parseMessage } from '@formatjs/icu-messageformat-parser';
import { parse } from 'dot-properties';
import type { Plugin } from 'vite';
import { areaOf } from './src/words/areas';

const MODULE = 'virtual:words/';
const PAGE = 'page.';

/** Reads a message here, so that the page carries no reader: what has no argument is a text, what has one its parts. */
function read(text: string) {
  const parts = parseMessage(text, { ignoreTag: true });
  const [only] = parts;
  return parts.length === 1 && only && isLiteralElement(only) ? only.value : parts;
}

/**
 * Gives the page its part of the one catalogue of words: `virtual:words/en` holds what stands under `page.` in en.properties,
 * `virtual:words/en/supply` what of it that view alone says.
 */
export function words(): Plugin {
  const fileOf = (language: string) =>
    resolve(import.meta.dirname, `../server/src/main/resources/words/${language}.properties`);
  return {
    name: 'words',
    resolveId: (id) => (id.startsWith(MODULE) ? `\0${id}` : undefined),
    load(id) {
      if (!id.startsWith(`\0${MODULE}`)) return undefined;
      const [language = '', area] = id.slice(MODULE.length + 1).split('/');
      const file = fileOf(language);
      this.addWatchFile(file);
      const all = Object.entries(parse(readFileSync(file, 'utf8')) as Record<string, string>);
      const own = all
        .filter(([key]) => key.startsWith(PAGE))
        .map(([key, text]) => [key.slice(PAGE.length), read(text)] as const)
        .filter(([key]) => area === undefined || areaOf(key) === area);
      return `export default ${JSON.stringify(Object.fromEntries(own))}`;
    },
  };
}
