export { CATALOGUES } from './catalogues';
export { choose, decimal, LANGUAGES, type Language, languageNow, say, speak, wanted, within } from './words';
