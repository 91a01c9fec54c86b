import { decimal, say } from '../words';

const pad = (n: number) => String(n).padStart(2, '0');

/** Returns a moment as 2026-11-25 19:04 in UTC. */
export function utc(iso: string): string {
  const at = new Date(iso);
  return `${at.toISOString().slice(0, 10)} ${pad(at.getUTCHours())}:${pad(at.getUTCMinutes())}`;
}

/** Returns the local time of a moment as 20:04. */
export function localTime(iso: string): string {
  const at = new Date(iso);
  return `${pad(at.getHours())}:${pad(at.getMinutes())}`;
}

/** Returns how long ago a moment was, in the coarsest unit that says enough. */
export function ago(iso: string, now: number): string {
  const minutes = Math.max(0, Math.floor((now - Date.parse(iso)) / 60_000));
  if (minutes < 2) return say('quantity.justNow');
  if (minutes < 120) return say('quantity.minAgo', { minutes });
  const hours = Math.floor(minutes / 60);
  return hours < 48 ? say('quantity.hAgo', { hours }) : say('quantity.daysAgo', { days: Math.floor(hours / 24) });
}

/** Returns a time as "12 s" or "2 min 05 s", rounded up so that it never says 0 while something is left. */
export function seconds(time: number): string {
  const whole = Math.max(0, Math.ceil(time));
  return whole < 90
    ? `${whole}\u2009s`
    : say('quantity.minS', { minutes: Math.floor(whole / 60), seconds: pad(whole % 60) });
}

/** Returns the number that a text means, with decimal point or comma; undefined where it means none. */
export function parseNumber(text: string): number | undefined {
  const plain = text.trim().replace(',', '.').replace('\u2212', '-');
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : undefined;
}

/** Returns a power in watts as a scale is set: to a hundredth at most. */
export function watts(value: number): string {
  return written(String(Number(value.toFixed(2))));
}

/** Returns a number without idle zeros, with so many significant figures at most. */
export function showNumber(value: number, figures = 6): string {
  return written(String(Number(value.toPrecision(figures))));
}

/** Returns a number with just so many decimals. */
export function fixed(value: number, decimals: number): string {
  return written(value.toFixed(decimals));
}

/** Digits by the language, with a true minus. */
const written = (digits: string) => decimal(digits.replace('-', '\u2212'));
