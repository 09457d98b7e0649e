/** What the server said of a form: by field, and of the whole. */
import { ProblemError } from '../api/call';

export type FieldProblem = { readonly path: string; readonly message: string };

const NONE: readonly FieldProblem[] = [];

/** Field by field; the same list for the same error. */
export function fieldProblems(error: Error | null): readonly FieldProblem[] {
  return (error instanceof ProblemError && error.problem.errors) || NONE;
}

/** What is said of the whole form: null where the fields say it. */
export function problemSentence(error: Error | null): string | null {
  if (!error) return null;
  return fieldProblems(error).length > 0 ? null : error.message;
}
