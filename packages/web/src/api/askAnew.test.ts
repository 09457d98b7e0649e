import { expect, test } from '@jest/globals';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { askAnew } from './askAnew';

type Of = Parameters<typeof askAnew>[1];

test.each<[string, Of]>([
  ['by its key', ['work']],
  ['by what is asked of all', ({ queryKey }) => queryKey[0] !== 'session'],
])('a first answer that was on its way before a change is not what is shown after it, %s', async (_, of) => {
  const queries = new QueryClient();
  const answers: ((words: string) => void)[] = [];
  const queryFn = ({ signal }: { signal: AbortSignal }) =>
    new Promise<string>((resolve, reject) => {
      answers.push(resolve);
      signal.addEventListener('abort', () => reject(signal.reason));
    });
  const observer = new QueryObserver(queries, { queryKey: ['work'], queryFn, retry: false });
  const stop = observer.subscribe(() => {});
  const asking = askAnew(queries, of);
  await new Promise((resolve) => setTimeout(resolve));
  answers[0]?.('before');
  answers[1]?.('after');
  await asking;
  expect([answers.length, observer.getCurrentResult().data]).toEqual([2, 'after']);
  stop();
  queries.clear();
});
