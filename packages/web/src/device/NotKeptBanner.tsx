/** Says in red what this device did not keep, at once, and hands it out as a file. */
import { useEffect, useSyncExternalStore } from 'react';
import { downloadJson } from './downloadFile';
import { listNotKept, subscribeToNotKept } from './notKept';

const MOST_NAMED = 3;

export function NotKeptBanner() {
  const list = useSyncExternalStore(subscribeToNotKept, listNotKept);
  const isAny = list.length > 0;
  useEffect(() => {
    if (!isAny) return;
    // The browser asks before it closes the page.
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isAny]);
  if (!isAny) return null;
  return (
    <div role="alert" className="only-screen">
      <div className="flex flex-wrap items-center gap-x-4 border-b-2 border-hits bg-paper px-4 py-2 font-semibold text-hits">
        <p>
          Not kept: this device has no room. In this page only: {wordsOf(list.map(({ label }) => label))}. Leave the
          page open until the shop has it, or take it away as a file.
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
  const different = [...new Set(labels)];
  const shown = different.slice(0, MOST_NAMED).join('; ');
  return different.length > MOST_NAMED ? `${shown}; and ${different.length - MOST_NAMED} more` : shown;
}
