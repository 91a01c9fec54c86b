import type { Area } from './areas';
import type { Catalogue, Language } from './words';

type Fetch = () => Promise<{ default: Catalogue }>;

/** The page's part of each language's one file of words, by the views that say them; fetched when they are needed. */
export const CATALOGUES: Record<Language, Record<Area, Fetch>> = {
  en: {
    base: () => import('virtual:words/en/base'),
    cards: () => import('virtual:words/en/cards'),
    drive: () => import('virtual:words/en/drive'),
    faults: () => import('virtual:words/en/faults'),
    inspection: () => import('virtual:words/en/inspection'),
    log: () => import('virtual:words/en/log'),
    meters: () => import('virtual:words/en/meters'),
    practice: () => import('virtual:words/en/practice'),
    run: () => import('virtual:words/en/run'),
    station: () => import('virtual:words/en/station'),
    supply: () => import('virtual:words/en/supply'),
    glossary: () => import('virtual:words/en/glossary'),
  },
  de: {
    base: () => import('virtual:words/de/base'),
    cards: () => import('virtual:words/de/cards'),
    drive: () => import('virtual:words/de/drive'),
    faults: () => import('virtual:words/de/faults'),
    inspection: () => import('virtual:words/de/inspection'),
    log: () => import('virtual:words/de/log'),
    meters: () => import('virtual:words/de/meters'),
    practice: () => import('virtual:words/de/practice'),
    run: () => import('virtual:words/de/run'),
    station: () => import('virtual:words/de/station'),
    supply: () => import('virtual:words/de/supply'),
    glossary: () => import('virtual:words/de/glossary'),
  },
  es: {
    base: () => import('virtual:words/es/base'),
    cards: () => import('virtual:words/es/cards'),
    drive: () => import('virtual:words/es/drive'),
    faults: () => import('virtual:words/es/faults'),
    inspection: () => import('virtual:words/es/inspection'),
    log: () => import('virtual:words/es/log'),
    meters: () => import('virtual:words/es/meters'),
    practice: () => import('virtual:words/es/practice'),
    run: () => import('virtual:words/es/run'),
    station: () => import('virtual:words/es/station'),
    supply: () => import('virtual:words/es/supply'),
    glossary: () => import('virtual:words/es/glossary'),
  },
};
