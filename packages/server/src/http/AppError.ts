/** A request that is wrong or not possible: what the person is told, with the fields that are meant. */
export type FieldError = { readonly path: string; readonly message: string };

export type AppErrorDetails = {
  readonly errors?: readonly FieldError[];
  /** What is stored now, for a conflict. */
  readonly current?: unknown;
  /** After so many seconds it may be tried again. */
  readonly retryAfterS?: number;
};

export class AppError extends Error {
  constructor(
    readonly status: number,
    /** The last part of the problem's type, such as `version-conflict`. */
    readonly code: string,
    readonly title: string,
    detail: string,
    readonly details: AppErrorDetails = {},
  ) {
    super(detail);
    this.name = 'AppError';
  }
}

export function notFound(what: string): AppError {
  return new AppError(404, 'not-found', 'Not found', `There is no such ${what}.`);
}

/** Refuses fields that have the right form and make no sense here. */
export function refused(detail: string, errors: readonly FieldError[]): AppError {
  return new AppError(422, 'refused', 'Not possible', detail, { errors });
}

/** What is kept is there and cannot be read: not a fault of whoever asks, and not one that passes. */
export function unreadable(what: string, why: string): AppError {
  return new AppError(
    422,
    'unreadable',
    'Cannot be read',
    `What is kept of ${what} cannot be read (${why}). Its history can bring an earlier state back.`,
  );
}

/** @param current what is stored now, so that both sides can be shown */
export function versionConflict(what: string, current: unknown, by?: string): AppError {
  return new AppError(
    409,
    'version-conflict',
    'Changed by somebody else',
    `${by ?? 'Somebody else'} saved ${what} in the meantime. Both versions are kept until you choose.`,
    { current },
  );
}
