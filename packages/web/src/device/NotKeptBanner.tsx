/** Says in red what this device did not keep, at once, and hands it out as a file. */
import { useSyncExternalStore } from 'react';
import { downloadJson } from './downloadJson';
import { listNotKept, subscribeToNotKept } from './notKept';

export function NotKeptBanner() {
  const list = useSyncExternalStore(subscribeToNotKept, listNotKept);
  if (list.length === 0) return null;
  return (
    <div role="alert" className="only-screen">
      <div className="flex flex-wrap items-center gap-x-4 border-b-2 border-hits bg-paper px-4 py-2 font-semibold text-hits">
        <p>
          Not kept: this device has no room for {wordsOf(list.map(({ label }) => label))}. It is in this page only.
          Leave the page open until the shop has it, or take it away as a file.
        </p>
        <button
          type="button"
          className="min-h-12 text-action underline underline-offset-2"
          onClick={() => downloadJson('not-kept.json', list)}
        >
          Download what is not kept
        </button>
      </div>
    </div>
  );
}

function wordsOf(labels: readonly string[]): string {
  const [first = '', ...others] = [...new Set(labels)];
  return others.length === 0 ? first : `${first} and ${others.length} more`;
}
