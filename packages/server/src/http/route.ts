/**
 * Binds a contract to its handler: who may, what comes in, what goes out. A route reads, calls, returns. There is no way
 * to bind one without its permission.
 */
import type { Contract } from '@low-quarry/core/contracts/contract';
import type { Request, Response, Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { z } from 'zod';
import type { Actor } from './Actor';
import { AppError, notFound } from './AppError';
import { actorOf, guard, signedOut } from './guard';
import type { Hold } from './Hold';
import { inTransaction } from './inTransaction';
import { once, readKey } from './once';
import { requireNamedPerson } from './requireNamedPerson';
import { requireStorable } from './requireStorable';

type Asked<Params extends z.ZodType, Body extends z.ZodType> = {
  readonly params: z.output<Params>;
  readonly body: z.output<Body>;
};
type Answering<Given, Answer extends z.ZodType> = (given: Given) => Promise<z.input<Answer>>;

/** For people who are signed in. */
export function route<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType>(
  router: Router,
  contract: Contract<Params, Body, Answer>,
  handler: Answering<Asked<Params, Body> & { readonly actor: Actor; readonly gone: AbortSignal }, Answer>,
): void {
  router[contract.method](contract.path, guard(contract.permission), async (request, response) => {
    const actor = requireActor(response);
    requireNamedPerson(request, actor);
    const asked = read(contract, request);
    const gone = goneSignal(response);
    response.json(await unlessHeld(contract, response, () => handler({ ...asked, actor, gone })));
  });
}

export type SentFile = { readonly name: string; readonly type: string; readonly bytes: Uint8Array };

/** For people who are signed in, and follow a link: what comes is a file. */
export function fileRoute<Params extends z.ZodType>(
  router: Router,
  contract: Contract<Params, z.ZodType, z.ZodType>,
  handler: (given: { readonly params: z.output<Params>; readonly gone: AbortSignal }) => Promise<SentFile>,
): void {
  router.get(contract.path, guard(contract.permission), async (request, response) => {
    const { params } = read(contract, request);
    const { name, type, bytes } = await handler({ params, gone: goneSignal(response) });
    response.type(type).attachment(name).send(Buffer.from(bytes));
  });
}

/** For anybody: the handler is told who it is, if anybody, and looks after the cookies itself. */
export function openRoute<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType>(
  router: Router,
  contract: Contract<Params, Body, Answer>,
  handler: Answering<
    Asked<Params, Body> & { readonly actor: Actor | null; readonly request: Request; readonly response: Response },
    Answer
  >,
): void {
  router[contract.method](contract.path, guard(contract.permission), async (request, response) => {
    const asked = { ...read(contract, request), actor: actorOf(response), request, response };
    response.json(await unlessHeld(contract, response, () => handler(asked)));
  });
}

/**
 * For what changes records: the handler works within one transaction. A request that comes again with the same
 * Idempotency-Key, because its answer was lost on the way, gets the first answer and changes nothing.
 */
export function write<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType>(
  router: Router,
  db: DataSource,
  contract: Contract<Params, Body, Answer>,
  handler: Answering<
    Asked<Params, Body> & {
      readonly actor: Actor;
      readonly manager: EntityManager;
      /** Aborted where whoever asked is there no more. */
      readonly gone: AbortSignal;
    },
    Answer
  >,
): void {
  router[contract.method](contract.path, guard(contract.permission), async (request, response) => {
    const actor = requireActor(response);
    requireNamedPerson(request, actor);
    const asked = read(contract, request);
    const key = readKey(request, actor);
    const gone = goneSignal(response);
    const work = () =>
      inTransaction(db, (manager) => once(manager, key, () => handler({ ...asked, actor, manager, gone })));
    response.json(await unlessHeld(contract, response, work));
  });
}

/** Aborted once nobody waits for the answer any more. */
function goneSignal(response: Response): AbortSignal {
  const gone = new AbortController();
  response.once('close', () => {
    if (!response.writableEnded)
      gone.abort(new AppError(499, 'gone', 'Gone', 'Whoever asked did not wait for the answer.'));
  });
  return gone.signal;
}

/**
 * What changes the shop waits while another database takes its place. What brings that about is not held by it: the service
 * that does it lets one in at a time.
 */
function unlessHeld<Answer>(
  { method, permission }: Pick<Contract<z.ZodType, z.ZodType, z.ZodType>, 'method' | 'permission'>,
  response: Response,
  work: () => Promise<Answer>,
): Promise<Answer> {
  const { hold } = response.app.locals as { hold?: Hold };
  return method === 'get' || permission === 'backup' || !hold ? work() : hold.during(work);
}

function requireActor(response: Response): Actor {
  const actor = actorOf(response);
  if (!actor) throw signedOut();
  return actor;
}

function read<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType>(
  contract: Contract<Params, Body, Answer>,
  request: Request,
): Asked<Params, Body> {
  requireStorable({ ...request.query, ...request.params });
  const params = contract.params.safeParse({ ...request.query, ...request.params });
  if (!params.success) {
    // A path that cannot be is no record; a query that cannot be is a mistake.
    if (params.error.issues.some(({ path }) => String(path[0]) in request.params)) throw notFound('record');
    throw invalid(params.error);
  }
  const takesBody = contract.method === 'post' || contract.method === 'put';
  if (takesBody && request.body === undefined) {
    throw new AppError(
      415,
      'not-json',
      'Not JSON',
      'The request has no JSON body; Content-Type: application/json is expected.',
    );
  }
  if (takesBody) requireStorable(request.body);
  const body = contract.body.safeParse(takesBody ? request.body : undefined);
  if (!body.success) throw invalid(body.error);
  return { params: params.data, body: body.data };
}

function invalid(error: z.ZodError): AppError {
  const errors = error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
  const [first] = errors;
  const detail = first ? `${first.path ? `${first.path}: ` : ''}${first.message}` : 'The request is not as expected.';
  return new AppError(400, 'invalid', 'Not valid', detail, { errors });
}
