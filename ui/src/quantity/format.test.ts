import { describe, expect, it } from 'vitest';
import { ago, parseNumber, seconds, showNumber, utc, watts } from '.';

describe('numbers', () => {
  it.each([
    ['0.409', 0.409],
    ['0,409', 0.409],
    [' 12 ', 12],
    ['\u22125', -5],
    ['.5', 0.5],
    ['12.', 12],
  ])('reads %j', (text, value) => expect(parseNumber(text)).toBe(value));

  it.each(['', 'abc', '1e9', '1.2.3', '12 W', 'NaN', '0x10'])('does not read %j', (text) =>
    expect(parseNumber(text)).toBeUndefined(),
  );

  it('shows no idle figures', () => {
    expect(showNumber(0.015 / 0.001)).toBe('15');
    expect(showNumber(5.000000001)).toBe('5');
  });
});

describe('times', () => {
  it('never says 0 s while something is left', () => {
    expect(seconds(0.01)).toBe('1\u2009s');
    expect(seconds(125)).toBe('2\u2009min 05\u2009s');
  });
  it('says dates in UTC', () => expect(utc('2026-11-25T09:04:30+01:00')).toBe('2026-11-25 08:04'));
  it('says how long ago', () => {
    const at = '2026-11-25T09:00:00Z';
    expect(ago(at, Date.parse(at) + 5 * 60_000)).toBe('5 min ago');
    expect(ago(at, Date.parse(at) + 72 * 3_600_000)).toBe('3 days ago');
  });
});

describe('a power that was calculated through a pad', () => {
  it('is shown as a scale is set', () => {
    expect(watts(1.7999999998836393)).toBe('1.8');
    expect(watts(0.03125)).toBe('0.03');
    expect(watts(70)).toBe('70');
  });
});
