/** A setting between the record and what is typed: numbers as text, so that a half-typed one is no error of the record. */

import type { SettingInput } from '@low-quarry/core/records';
import { fail, ok, type Result } from '@low-quarry/core/result';
import { explainLengthFailure, parseLength } from '@low-quarry/core/units';

export function toText(value: unknown, input: SettingInput): string {
  switch (input.kind) {
    case 'money':
      return ((value as number) / 100).toFixed(2);
    case 'percent':
      return String(Math.round((value as number) * 1000) / 10);
    case 'mm':
      return String(value ?? 0);
    case 'names':
      return (value as readonly string[]).join(', ');
    default:
      return String(value ?? '');
  }
}

const LONGEST_NAME = 40;

/** @returns the value for the record, or what is wrong with the text and what is expected */
export function fromText(text: string, input: SettingInput): Result<unknown, string> {
  switch (input.kind) {
    case 'mm': {
      const length = parseLength(text, 'mm');
      if (!length.ok) return fail(explainLengthFailure(length.failure));
      return within(length.value.valueMm, input.least, input.most, text, 'mm');
    }
    case 'money': {
      const amount = toNumber(text);
      if (amount === null || amount < 0) return fail(`"${text}" was read; expected an amount such as 45 or 45.50.`);
      return ok(Math.round(amount * 100));
    }
    case 'percent': {
      const percent = toNumber(text.replace('%', ''));
      if (percent === null) return fail(`"${text}" was read; expected a percentage such as 97.5.`);
      const read = within(percent, input.least * 100, input.most * 100, text, '%');
      return read.ok ? ok((read.value as number) / 100) : read;
    }
    case 'clock':
      return /^([01]\d|2[0-3]):[0-5]\d$/.test(text)
        ? ok(text)
        : fail(`"${text}" was read; expected a time such as 08:00.`);
    case 'names':
      return toNames(text, input.most);
    default:
      return ok(text);
  }
}

function toNames(text: string, most: number): Result<unknown, string> {
  const names = text.split(',').map((name) => name.trim().replace(/\s+/g, ' '));
  const twice = names.find((name, at) => names.indexOf(name) !== at);
  if (names.includes(''))
    return fail(`"${text}" was read; expected names with commas between, such as Lift 1, Lift 2.`);
  if (twice !== undefined) return fail(`"${twice}" was read twice; expected each name once.`);
  if (names.length > most) return fail(`${names.length} names were read; expected at most ${most}.`);
  const long = names.find(({ length }) => length > LONGEST_NAME);
  return long === undefined ? ok(names) : fail(`"${long}" was read; expected at most ${LONGEST_NAME} letters a name.`);
}

function within(value: number, least: number, most: number, text: string, unit: string): Result<unknown, string> {
  if (value >= least && value <= most) return ok(value);
  return fail(`"${text}" was read; expected ${tidy(least)} to ${tidy(most)} ${unit}.`);
}

function tidy(value: number): number {
  return Math.round(value * 1000) / 1000;
}

function toNumber(text: string): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(value) ? null : value;
}
