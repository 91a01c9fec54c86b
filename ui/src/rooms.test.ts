import { describe, expect, it } from 'vitest';

const TEXTS = import.meta.glob<string>('./**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });

/** Each room of the page, and which others it may import. */
const MAY_IMPORT: Record<string, string[]> = {
  api: ['words'],
  words: [],
  quantity: ['words'],
  parts: ['api', 'quantity', 'words'],
  plot: ['api', 'parts', 'quantity', 'words'],
  features: ['api', 'parts', 'plot', 'quantity', 'words'],
  app: ['api', 'parts', 'features', 'quantity', 'words'],
};

const files = Object.keys(TEXTS)
  .map((file) => file.slice(2))
  .filter((file) => !/\.test\.|\.d\.ts$|test(ing|Setup)/.test(file) && file.includes('/'));
const textOf = (file: string) => TEXTS[`./${file}`] ?? '';
const roomOf = (file: string) => file.split('/')[0] ?? '';

/** Returns the files of ours that a file imports, relative to the source. */
const importsOf = (file: string) =>
  [...textOf(file).matchAll(/(?:from|import\()\s*'(\.[^']*)'/g)].map(([, path]) =>
    new URL(path ?? '', `file:///${file}`).pathname.slice(1),
  );

describe('the rooms of the page', () => {
  it.each(Object.keys(MAY_IMPORT))('%s imports only what it may', (room) => {
    const foreign = files
      .filter((file) => roomOf(file) === room)
      .flatMap((file) => importsOf(file).map((other) => [file, other] as const))
      .filter(([, other]) => roomOf(other) !== room && !MAY_IMPORT[room]?.includes(roomOf(other)));
    expect(foreign).toEqual([]);
  });

  it('has features that never import each other', () => {
    const featureOf = (file: string) => file.split('/')[1];
    const crossed = files
      .filter((file) => roomOf(file) === 'features')
      .flatMap((file) => importsOf(file).map((other) => [file, other] as const))
      .filter(([file, other]) => roomOf(other) === 'features' && featureOf(file) !== featureOf(other));
    expect(crossed).toEqual([]);
  });

  it('has every file in a room', () => {
    expect(files.filter((file) => !(roomOf(file) in MAY_IMPORT))).toEqual([]);
  });

  it('has no word on it that nobody of the trade uses today', () => {
    const banned = /\b(reckon\w*|mend(s|ed|ing)?|for ever|for a while|bears|take away|taken away|not taken)\b/i;
    const said = (file: string) => textOf(file).replace(/\/\*[\s\S]*?\*\/|\/\/.*/g, '');
    const own = files.filter((file) => !file.startsWith('api/'));
    expect(own.length).toBeGreaterThan(100);
    expect(own.flatMap((file) => banned.exec(said(file))?.[0] ?? [])).toEqual([]);
  });

  it('takes its controls from parts/ui, styled by tokens', () => {
    const raw = /<(button|select|dialog|details|textarea|progress)\b|\btype="(checkbox|radio|date)"/;
    const arbitrary = /className="[^"]*(?:\[[\d.]+px\]|(?:^|[\s"])![a-z])/;
    const own = files.filter((file) => !file.startsWith('parts/ui/'));
    expect(own.filter((file) => raw.test(textOf(file)))).toEqual([]);
    expect(own.filter((file) => arbitrary.test(textOf(file)))).toEqual([]);
    expect(own.filter((file) => /from 'radix-ui'/.test(textOf(file)))).toEqual([]);
  });
});
