export { ago, fixed, localTime, parseNumber, seconds, showNumber, utc, watts } from './format';
