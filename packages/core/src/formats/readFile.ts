/**
 * Reads a file of one of the project's JSON formats: strictly, and with a failure that says where in the file, what stood
 * there, and what is expected.
 */
import type { z } from 'zod';
import { fail, ok, type Result } from '../result';

export type FileFailure = {
  /** Such as `opening.dimensions.depthBehind.readingsMm.0`; empty for the file as a whole. */
  readonly path: string;
  /** What stood there, cut to a printable length. */
  readonly found: string;
  readonly expected: string;
};

const LONGEST_FOUND = 60;
/** Some editors begin a file with it; it is no part of what the file says. */
const BYTE_ORDER_MARK = '\uFEFF';

export function readFile<Schema extends z.ZodType>(
  text: string,
  schema: Schema,
): Result<z.output<Schema>, FileFailure> {
  let value: unknown;
  try {
    value = JSON.parse(text.startsWith(BYTE_ORDER_MARK) ? text.slice(1) : text);
  } catch (error) {
    return fail({
      path: '',
      found: printable(text.trim().slice(0, LONGEST_FOUND)),
      expected: `JSON (${messageOf(error)})`,
    });
  }
  const parsed = schema.safeParse(value);
  if (parsed.success) return ok(parsed.data);
  const [issue] = parsed.error.issues;
  if (!issue) throw new Error('readFile: expected an issue of a failed parse');
  const deepest = deepestIssue(issue);
  return fail({
    path: deepest.path.join('.'),
    found: found(value, deepest.path),
    expected: deepest.message,
  });
}

/** A sentence for a person. */
export function explainFileFailure(file: string, { path, found: what, expected }: FileFailure): string {
  return `${file}${path === '' ? '' : ` at ${path}`}: found ${what}; ${expected}.`;
}

type Issue = { readonly path: readonly PropertyKey[]; readonly message: string };

/** Of the ways in which a union failed, the one that got farthest into the file. */
function deepestIssue(issue: z.core.$ZodIssue): Issue {
  if (issue.code !== 'invalid_union') return issue;
  const inner = issue.errors.flat().map((each) => {
    const deeper = deepestIssue(each);
    return { path: [...issue.path, ...deeper.path], message: deeper.message };
  });
  return inner.reduce<Issue>((deepest, each) => (each.path.length > deepest.path.length ? each : deepest), issue);
}

function found(value: unknown, path: readonly PropertyKey[]): string {
  let at: unknown = value;
  for (const step of path) at = (at as Record<PropertyKey, unknown> | null | undefined)?.[step];
  return at === undefined ? 'nothing' : printable(JSON.stringify(at) ?? String(at));
}

function printable(text: string): string {
  // What is wrong may be a whole catalogue: no more of it is looked at than is shown, at most two units a character.
  const tidy = [...text.slice(0, 2 * LONGEST_FOUND + 2)].map((each) => (each < ' ' ? ' ' : each)).join('');
  return tidy === '' ? 'nothing' : tidy.length > LONGEST_FOUND ? `${tidy.slice(0, LONGEST_FOUND)}…` : tidy;
}

function messageOf(error: unknown): string {
  return error instanceof Error ? printable(error.message) : 'not readable';
}
