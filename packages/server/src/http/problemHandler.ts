/** Writes every error as `application/problem+json` (RFC 9457); nothing of the inside is shown. */
import type { Problem } from '@low-quarry/core/contracts/contract';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { AppError } from './AppError';
import { isDatabaseAway } from './isDatabaseAway';

type BodyParserError = { readonly type: string; readonly limit?: number };

export const unknownPath: RequestHandler = (request) => {
  throw new AppError(
    404,
    'not-found',
    'Not found',
    `Nothing answers ${request.method} ${request.baseUrl}${request.path}.`,
  );
};

export const problemHandler: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem = toProblem(error);
  if (problem.status >= 500) request.log.error({ err: error }, problem.title);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

function toProblem(error: unknown): Problem {
  if (error instanceof AppError) {
    const { status, code, title, message, details } = error;
    return { ...base(code, title, status, message), ...(details as Pick<Problem, 'errors' | 'current'>) };
  }
  if (isBodyParserError(error)) return bodyProblem(error);
  if (isDatabaseAway(error)) {
    return base(
      'database-away',
      'The database does not answer',
      503,
      'The database does not answer. Nothing was changed; try again shortly.',
    );
  }
  return base('fault', 'A fault of ours', 500, 'Something went wrong in the program. Nothing was changed.');
}

function base(code: string, title: string, status: number, detail: string): Problem {
  return { type: `/problems/${code}`, title, status, detail };
}

function isBodyParserError(error: unknown): error is BodyParserError {
  return (
    error instanceof Error &&
    'type' in error &&
    typeof error.type === 'string' &&
    /^(entity|encoding|charset|request)\./.test(error.type)
  );
}

function bodyProblem({ type, limit }: BodyParserError): Problem {
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
      return base('malformed', 'Not readable', 400, 'The request could not be read.');
  }
}
