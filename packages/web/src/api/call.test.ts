import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { createJob, getJob } from '@low-quarry/core/contracts/jobs';
import { AwayError, call, ProblemError } from './call';
import { isAway, reportAnswered } from './connection';
import { fillPath } from './fillPath';
import { setLeaving } from './leaving';

const jobId = '00000000-0000-4000-8000-000000000001';
const realFetch = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = realFetch;
  reportAnswered();
});

function answerWith(answer: () => Response | Promise<Response>) {
  const fetched = jest.fn(async (..._: Parameters<typeof fetch>) => answer());
  globalThis.fetch = fetched as typeof fetch;
  return fetched;
}

test('sends the body as JSON to the filled path and reads the answer by its schema', async () => {
  const fetched = answerWith(() => Response.json({ jobId }));
  const body = { vehicleId: 'v', customer: 'c', registration: '', wants: '', dueOn: null };
  expect(await call(createJob, { params: {}, body })).toEqual({ jobId });
  expect(fetched.mock.calls[0]).toEqual([
    '/api/jobs',
    { method: 'POST', body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } },
  ]);
  expect(fillPath('/a/:x/b', { x: 'ä/1' })).toBe('/a/%C3%A4%2F1/b');
});

describe('what goes wrong', () => {
  test.each([
    ['no network', () => Promise.reject(new TypeError('Failed to fetch'))],
    ['the database is away', () => new Response('{}', { status: 503 })],
    ['a proxy without a server', () => new Response('bad gateway', { status: 502 })],
  ])('%s: away, to be asked again', async (_, answer) => {
    answerWith(answer);
    await expect(call(getJob, { params: { jobId } })).rejects.toBeInstanceOf(AwayError);
    expect(isAway()).toBe(true);
  });

  test('a problem keeps its fields', async () => {
    const problem = {
      type: '/problems/invalid',
      title: 'Not valid',
      status: 400,
      detail: 'd',
      errors: [{ path: 'record.dimensions.frontGap.readingsMm.0', message: 'm' }],
    };
    answerWith(() => Response.json(problem, { status: 400 }));
    const error = await call(getJob, { params: { jobId } }).catch((each: unknown) => each);
    if (!(error instanceof ProblemError)) throw new Error('expected a ProblemError');
    expect(error.fieldMessage('record.dimensions.frontGap')).toBe('m');
    expect(error.fieldMessage('record.dimensions.front')).toBeNull();
    expect(isAway()).toBe(false);
  });

  test('an error page that is no problem is still told with its status', async () => {
    answerWith(() => new Response('<html>', { status: 500 }));
    await expect(call(getJob, { params: { jobId } })).rejects.toThrow('The server answered 500');
  });

  test('an answer that breaks the contract is not taken', async () => {
    answerWith(() => Response.json({ job: {} }));
    await expect(call(getJob, { params: { jobId } })).rejects.toThrow();
  });
});

test('while somebody signs out nothing else is asked, and the server does not count as away', async () => {
  const fetched = answerWith(() => Response.json({ jobId }));
  setLeaving(true);
  await expect(call(getJob, { params: { jobId } })).rejects.toBeInstanceOf(AwayError);
  expect(fetched).not.toHaveBeenCalled();
  expect(isAway()).toBe(false);
  await call(getJob, { params: { jobId }, whileLeaving: true }).catch(() => null);
  expect(fetched).toHaveBeenCalledTimes(1);
  setLeaving(false);
  await call(getJob, { params: { jobId } }).catch(() => null);
  expect(fetched).toHaveBeenCalledTimes(2);
});
