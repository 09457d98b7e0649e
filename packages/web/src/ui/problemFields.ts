/** What the server said of a form: by field, and of the whole. */
import { ProblemError } from '../api/call';

export type FieldProblem = { readonly path: string; readonly message: string };

const NONE: readonly FieldProblem[] = [];

/** Field by field; the same list for the same error. */
export function fieldProblems(error: Error | null): readonly FieldProblem[] {
  return (error instanceof ProblemError && error.problem.errors) || NONE;
}

/**
 * What is said of the whole form: null where the fields say it.
 * @param typed what stands in the form: a problem of what it does not have is said of the whole. Left out where it has all that is sent.
 * @param refused the problems by the names of the form
 */
export function problemSentence(
  error: Error | null,
  typed: object | null = null,
  refused: readonly FieldProblem[] = fieldProblems(error),
): string | null {
  return error && !areSaid(refused, typed) ? error.message : null;
}

/** Whether there are any, and each has a field that says it. */
export function areSaid(problems: readonly FieldProblem[], typed: object | null): boolean {
  return problems.length > 0 && (typed === null || problems.every(({ path }) => hasField(typed, path)));
}

/** A group of fields is no field. By hand: the forms' library has it, and is 12 kB that not every screen with a sentence of its own needs. */
function hasField(typed: object, path: string): boolean {
  const value = path
    .split('.')
    .reduce<unknown>((at, key) => (at as Readonly<Record<string, unknown>> | null)?.[key], typed);
  return value !== undefined && (typeof value !== 'object' || value === null || Array.isArray(value));
}
