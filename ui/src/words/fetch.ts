import type { Area } from './areas';
import { CATALOGUES } from './catalogues';
import { type Language, languageNow, speak } from './words';

/** Fetches the words of a language that every view says. */
export async function begin(language: Language): Promise<void> {
  speak(language, (await CATALOGUES[language].base()).default);
}

/** Fetches a view with the words that it says: what it says in a constant is said when it is loaded, so the words come first. */
export async function withWords<T>(areas: readonly Area[], view: () => Promise<T>): Promise<T> {
  const language = languageNow();
  const fetched = await Promise.all(areas.map((area) => CATALOGUES[language][area]()));
  for (const words of fetched) speak(language, words.default);
  return view();
}
