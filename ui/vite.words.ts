import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parse } from 'dot-properties';
import type { Plugin } from 'vite';

const MODULE = 'virtual:words/';
const PAGE = 'page.';

/** Gives the page its part of the one catalogue of words: `virtual:words/en` holds what stands under `page.` in en.properties. */
export function words(): Plugin {
  const fileOf = (language: string) =>
    resolve(import.meta.dirname, `../server/src/main/resources/words/${language}.properties`);
  return {
    name: 'words',
    resolveId: (id) => (id.startsWith(MODULE) ? `\0${id}` : undefined),
    load(id) {
      if (!id.startsWith(`\0${MODULE}`)) return undefined;
      const file = fileOf(id.slice(MODULE.length + 1));
      this.addWatchFile(file);
      const all = Object.entries(parse(readFileSync(file, 'utf8')) as Record<string, string>);
      const own = all.filter(([key]) => key.startsWith(PAGE)).map(([key, text]) => [key.slice(PAGE.length), text]);
      return `export default ${JSON.stringify(Object.fromEntries(own))}`;
    },
  };
}
