export { begin, withWords } from './fetch';
export { choose, decimal, LANGUAGES, type Language, languageNow, say, speak, wanted, within } from './words';
