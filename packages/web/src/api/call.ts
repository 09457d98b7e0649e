/** Calls the server by contract: sends what the contract asks, reads what it promises, and names what went wrong. */
import {
  type Contract,
  PERSON_HEADER,
  type Problem,
  problemSchema,
  ROLES_HEADER,
} from '@low-quarry/core/contracts/contract';
import type { z } from 'zod';
import { reportAnswered, reportAway } from './connection';
import { fillPath } from './fillPath';
import { isLeaving } from './leaving';
import { setNotice } from './notice';
import { pageOwner } from './pageOwner';
import { askPassword } from './passwordAsked';
import { notePrograms } from './program';
import { reportSignedOut } from './signedOut';

/** The server, or its database, does not answer: it passes by itself, and the same call may be made again. */
export class AwayError extends Error {
  constructor(cause?: unknown) {
    super('The shop’s server does not answer.', { cause });
    this.name = 'AwayError';
  }
}

/** The server answered that it cannot be done, and why. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
    this.name = 'ProblemError';
  }

  /** The message for a field of the request, if it is one of those that are wrong. */
  fieldMessage(path: string): string | null {
    return (
      this.problem.errors?.find((error) => error.path === path || error.path.startsWith(`${path}.`))?.message ?? null
    );
  }
}

export type Request<Params extends z.ZodType, Body extends z.ZodType> = {
  readonly params: z.input<Params>;
  readonly body?: z.input<Body>;
  readonly signal?: AbortSignal | undefined;
  /** Sent as Idempotency-Key: however often this request is sent, it is done once. */
  readonly key?: string | undefined;
  /** In whose name it is asked, where that is not who this page belongs to. */
  readonly personId?: string | undefined;
  /** Whether it is asked while somebody signs out. */
  readonly whileLeaving?: boolean | undefined;
};

/** Of an answer that says nothing for a person, as a proxy's. */
const UNREADABLE = '/problems/unreadable';

const AWAY_STATUSES = new Set([502, 503, 504]);

export async function call<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType>(
  contract: Contract<Params, Body, Answer>,
  { params, body, signal, key, personId, whileLeaving }: Request<Params, Body>,
): Promise<z.output<Answer>> {
  if (isLeaving() && !whileLeaving) throw new AwayError();
  const response = await ask(fillPath(contract.path, params as Record<string, unknown>), {
    method: contract.method.toUpperCase(),
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    headers: {
      ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
      ...(key === undefined ? {} : { 'Idempotency-Key': key }),
      ...whoseHeaders(personId),
    },
    ...(signal ? { signal } : {}),
  });
  return contract.answer.parse(await response.json());
}

/** Sends a file as it is, and gives back what the server answered. */
export async function sendFile(path: string, file: Blob): Promise<unknown> {
  const headers = { 'Content-Type': 'application/octet-stream', ...whoseHeaders(undefined) };
  const response = await ask(path, { method: 'POST', body: file, headers });
  return response.json();
}

/** For who asks without `call`: in whose name this page asks. */
export function pageHeaders(): Record<string, string> {
  return whoseHeaders(undefined);
}

/** Whose page this is: roles are told of one's own page only, where they decide what is shown. */
function whoseHeaders(personId: string | undefined): Record<string, string> {
  const owner = pageOwner();
  if (personId !== undefined && personId !== owner?.id) return { [PERSON_HEADER]: personId };
  return owner ? { [PERSON_HEADER]: owner.id, [ROLES_HEADER]: owner.roles.join(',') } : {};
}

/** Asks, and asks again once the password was typed where that is wanted. */
async function ask(path: string, init: RequestInit): Promise<Response> {
  const response = await request(path, init);
  if (response.ok) return response;
  const failure = await failureOf(response);
  if (failure.problem.type !== '/problems/password-asked' || !(await askPassword())) throw failure;
  const again = await request(path, init);
  if (again.ok) return again;
  throw await failureOf(again);
}

async function request(path: string, init: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch (error) {
    if (init.signal?.aborted) throw error;
    reportAway();
    throw new AwayError(error);
  }
  if (AWAY_STATUSES.has(response.status)) throw awayError(await toProblem(response));
  reportAnswered();
  notePrograms(response);
  return response;
}

function awayError({ problem: { type, detail } }: ProblemError): AwayError {
  reportAway(type === UNREADABLE ? null : detail);
  return new AwayError();
}

/** What a worker was answered instead of what it asked for, as this page's own calls would have it. @param refused null for no answer */
export function refusalOf(refused: { readonly status: number; readonly problem: unknown } | null): Error {
  if (!refused) {
    reportAway();
    return new AwayError();
  }
  const problem = problemOf(refused.problem, refused.status);
  return AWAY_STATUSES.has(refused.status) ? awayError(problem) : failureFrom(problem);
}

async function failureOf(response: Response): Promise<ProblemError> {
  return failureFrom(await toProblem(response));
}

function failureFrom(problem: ProblemError): ProblemError {
  const { type, detail } = problem.problem;
  if (type === '/problems/signed-out') reportSignedOut();
  if (type === '/problems/other-person') {
    setNotice(`${detail} What was done here and is not in the shop yet waits for the one who did it.`);
    reportSignedOut();
  }
  return problem;
}

async function toProblem(response: Response): Promise<ProblemError> {
  return problemOf(await response.json().catch(() => null), response.status);
}

function problemOf(json: unknown, status: number): ProblemError {
  const parsed = problemSchema.safeParse(json);
  return new ProblemError(
    parsed.success
      ? parsed.data
      : {
          type: UNREADABLE,
          title: 'Unreadable answer',
          status,
          detail: `The server answered ${status} and nothing readable.`,
        },
  );
}
