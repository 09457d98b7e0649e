/**
 * Outcomes that are expected to go wrong (text typed by a person, a file, a record) are values, not exceptions, so
 * that no caller can forget the other half.
 */
export type Result<T, F> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly failure: F };

export function ok<T>(value: T): { readonly ok: true; readonly value: T } {
  return { ok: true, value };
}

export function fail<F>(failure: F): { readonly ok: false; readonly failure: F } {
  return { ok: false, failure };
}

/** Makes the compiler prove that a switch names every member; throws should a foreign value still arrive. */
export function assertNever(value: never): never {
  throw new Error(`assertNever: expected no further case, got ${JSON.stringify(value)}`);
}
