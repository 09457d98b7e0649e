/** What the server said of a form: by field, and of the whole. */
import { ProblemError } from '../api/call';

/** The messages by the field's path in the request. */
export function problemFields(error: Error | null): Readonly<Record<string, string>> {
  if (!(error instanceof ProblemError)) return {};
  return Object.fromEntries((error.problem.errors ?? []).map(({ path, message }) => [path, message]));
}

/** What is said of the whole form: null where the fields say it. */
export function problemSentence(error: Error | null): string | null {
  if (!error) return null;
  return Object.keys(problemFields(error)).length > 0 ? null : error.message;
}
