/** Calls the server by contract: sends what the contract asks, reads what it promises, and names what went wrong. */
import { type Contract, type Problem, problemSchema } from '@low-quarry/core/contracts/contract';
import type { z } from 'zod';
import { reportAnswered, reportAway } from './connection';
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
};

const AWAY_STATUSES = new Set([502, 503, 504]);

export async function call<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType>(
  contract: Contract<Params, Body, Answer>,
  { params, body, signal, key }: Request<Params, Body>,
): Promise<z.output<Answer>> {
  const response = await send(
    contract.method,
    fillPath(contract.path, params as Record<string, unknown>),
    body,
    signal,
    key,
  );
  if (!response.ok) throw await failureOf(response);
  return contract.answer.parse(await response.json());
}

/** Sends a file as it is, and gives back what the server answered. */
export async function sendFile(path: string, file: Blob): Promise<unknown> {
  const response = await request(path, {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'application/octet-stream' },
  });
  if (!response.ok) throw await failureOf(response);
  return response.json();
}

/** The path with its parameters filled in; what it does not name follows as the query. */
export function fillPath(path: string, params: Readonly<Record<string, unknown>>): string {
  const named = new Set<string>();
  const filled = path.replace(/:(\w+)/g, (_, name: string) => {
    named.add(name);
    return encodeURIComponent(String(params[name] ?? ''));
  });
  const others = Object.entries(params).filter(([name, value]) => !named.has(name) && value != null && value !== '');
  return others.length === 0
    ? filled
    : `${filled}?${new URLSearchParams(others.map(([name, value]) => [name, String(value)]))}`;
}

async function send(
  method: string,
  path: string,
  body: unknown,
  signal: AbortSignal | undefined,
  key: string | undefined,
): Promise<Response> {
  const headers = {
    ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
    ...(key === undefined ? {} : { 'Idempotency-Key': key }),
  };
  return request(path, {
    method: method.toUpperCase(),
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    headers,
    ...(signal ? { signal } : {}),
  });
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
  if (AWAY_STATUSES.has(response.status)) {
    reportAway();
    throw new AwayError();
  }
  reportAnswered();
  return response;
}

async function failureOf(response: Response): Promise<ProblemError> {
  const problem = await toProblem(response);
  if (problem.problem.type === '/problems/signed-out') reportSignedOut();
  return problem;
}

async function toProblem(response: Response): Promise<ProblemError> {
  const parsed = problemSchema.safeParse(await response.json().catch(() => null));
  return new ProblemError(
    parsed.success
      ? parsed.data
      : {
          type: '/problems/unreadable',
          title: 'Unreadable answer',
          status: response.status,
          detail: `The server answered ${response.status} and nothing readable.`,
        },
  );
}
