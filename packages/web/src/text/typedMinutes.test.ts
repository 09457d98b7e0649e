import { expect, test } from '@jest/globals';
import { readClock, readMinutes } from './typedMinutes';

test.each([
  ['90', 90],
  ['90 min', 90],
  ['1 h 30', 90],
  ['1h30', 90],
  ['1 h 30 min', 90],
  ['1:30', 90],
  ['1,5 h', 90],
  ['2 hours', 120],
])('%s is so many minutes', (text, minutes) => {
  expect(readMinutes(text)).toEqual({ ok: true, value: minutes });
});

test.each(['', '0', 'soon', '-3', '1:75', '1 h 300'])('“%s” is none', (text) => {
  const read = readMinutes(text);
  expect(!read.ok && read.failure).toContain('type a time such as');
});

test.each([
  ['8', '08:00'],
  ['8:30', '08:30'],
  ['8.30', '08:30'],
  ['0830', '08:30'],
  ['17:45', '17:45'],
])('%s is a time of the day', (text, clock) => {
  expect(readClock(text)).toEqual({ ok: true, value: clock });
});

test.each(['', '24:00', '8:75', 'noon'])('“%s” is no time of the day', (text) => {
  const read = readClock(text);
  expect(!read.ok && read.failure).toContain('such as 8:30');
});
