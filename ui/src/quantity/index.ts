export { ago, localTime, parseNumber, seconds, showNumber, utc, watts } from './format';
