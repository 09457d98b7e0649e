/** Binds a contract to its handler: checks what comes in, answers what comes out. A route reads, calls, returns. */
import type { Contract } from '@low-quarry/core/contracts/contract';
import type { Router } from 'express';
import type { z } from 'zod';
import { AppError, notFound } from './AppError';

export type Handler<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType> = (request: {
  readonly params: z.output<Params>;
  readonly body: z.output<Body>;
}) => Promise<z.input<Answer>>;

export function route<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType>(
  router: Router,
  contract: Contract<Params, Body, Answer>,
  handler: Handler<Params, Body, Answer>,
): void {
  router[contract.method](contract.path, async (request, response) => {
    const params = contract.params.safeParse(request.params);
    if (!params.success) throw notFound('record');
    const takesBody = contract.method === 'post' || contract.method === 'put';
    if (takesBody && request.body === undefined) {
      throw new AppError(
        415,
        'not-json',
        'Not JSON',
        'The request has no JSON body; Content-Type: application/json is expected.',
      );
    }
    const body = contract.body.safeParse(takesBody ? request.body : undefined);
    if (!body.success) throw invalid(body.error);
    response.json(await handler({ params: params.data, body: body.data }));
  });
}

function invalid(error: z.ZodError): AppError {
  const errors = error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
  const [first] = errors;
  const detail = first ? `${first.path ? `${first.path}: ` : ''}${first.message}` : 'The request is not as expected.';
  return new AppError(400, 'invalid', 'Not valid', detail, { errors });
}
