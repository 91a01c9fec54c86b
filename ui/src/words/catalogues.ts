import type { Language } from './words';

/** The page's part of each language's one file of words; fetched when it is spoken. */
export const CATALOGUES: Record<Language, () => Promise<{ default: Record<string, string> }>> = {
  en: () => import('virtual:words/en'),
  de: () => import('virtual:words/de'),
  es: () => import('virtual:words/es'),
};
