export { ago, localTime, parseNumber, seconds, showNumber, utc } from './format';
