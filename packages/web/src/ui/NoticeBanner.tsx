/** Keeps a notice above every screen until somebody says that they have read it. */
import { useSyncExternalStore } from 'react';
import { currentNotice, setNotice, subscribeToNotice } from '../api/notice';
import { Button } from './Button';

export function NoticeBanner() {
  const said = useSyncExternalStore(subscribeToNotice, currentNotice);
  if (!said) return null;
  return (
    <div role="alert" className="only-screen">
      <div className="flex flex-wrap items-center gap-x-4 border-b border-hold bg-paper px-4 py-2 font-semibold text-hold">
        <p>{said}</p>
        <Button kind="quiet" onClick={() => setNotice(null)}>
          I have read it
        </Button>
      </div>
    </div>
  );
}
