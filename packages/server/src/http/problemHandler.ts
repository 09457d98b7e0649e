/** Writes every error as `application/problem+json` (RFC 9457); nothing of the inside is shown. */
import type { Problem } from '@low-quarry/core/contracts/contract';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { AppError } from './AppError';
import { databaseProblem } from './databaseProblem';

/** As the libraries that read requests throw it (`http-errors`, the router's path decoding). */
type ReadingError = { readonly status: number; readonly type?: string; readonly limit?: number };

export const unknownPath: RequestHandler = (request) => {
  throw new AppError(
    404,
    'not-found',
    'Not found',
    `Nothing answers ${request.method} ${request.baseUrl}${request.path}.`,
  );
};

export const problemHandler: ErrorRequestHandler = (error, request, response, _next) => {
  if (response.headersSent) {
    // Half of an answer is none: the connection is cut, so that nobody takes it for whole.
    request.log.error({ err: error }, 'an answer was cut off');
    response.destroy();
    return;
  }
  const problem = toProblem(error);
  if (problem.status >= 500) request.log.error({ err: error }, problem.title);
  if (error instanceof AppError && error.details.retryAfterS !== undefined)
    response.setHeader('Retry-After', error.details.retryAfterS);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

function toProblem(error: unknown): Problem {
  const known = error instanceof AppError ? error : databaseProblem(error);
  if (known) {
    const { status, code, title, message, details } = known;
    const { retryAfterS: _, ...told } = details;
    return { ...base(code, title, status, message), ...(told as Pick<Problem, 'errors' | 'current'>) };
  }
  if (isReadingError(error)) return readingProblem(error);
  return base('fault', 'A fault of ours', 500, 'Something went wrong in the program. Nothing was changed.');
}

function base(code: string, title: string, status: number, detail: string): Problem {
  return { type: `/problems/${code}`, title, status, detail };
}

function isReadingError(error: unknown): error is ReadingError {
  return (
    error instanceof Error &&
    'status' in error &&
    typeof error.status === 'number' &&
    error.status >= 400 &&
    error.status < 500
  );
}

function readingProblem({ status, type, limit }: ReadingError): Problem {
  switch (type) {
    case 'entity.too.large':
      return base(
        'too-large',
        'Too large',
        413,
        `The request is larger than the ${Math.round((limit ?? 0) / 1024)} kB that are taken.`,
      );
    case 'entity.parse.failed':
      return base('malformed', 'Not JSON', 400, 'The request could not be read as JSON.');
    default:
      return base('malformed', 'Not readable', status, 'The request could not be read.');
  }
}
