/** Says that the shop serves a newer program, and takes it at the next step: another page, or a look away from this one. */
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { useLocation } from 'react-router';
import { isProgramNewer, subscribeToProgram } from './program';

export function NewerProgram() {
  const isNewer = useSyncExternalStore(subscribeToProgram, isProgramNewer);
  const { pathname } = useLocation();
  const shown = useRef(pathname);
  useEffect(() => {
    if (isNewer && pathname !== shown.current) window.location.reload();
    shown.current = pathname;
  }, [isNewer, pathname]);
  useEffect(() => {
    if (!isNewer) return;
    const look = () => document.visibilityState === 'hidden' && window.location.reload();
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  }, [isNewer]);
  if (!isNewer) return null;
  return (
    <div role="status" className="only-screen flex flex-wrap items-center gap-x-4 border-b border-action bg-paper px-4">
      <p>The shop has a newer program. This page takes it at the next step; what is typed stays.</p>
      <button
        type="button"
        onClick={() => window.location.reload()}
        className="min-h-12 text-action underline underline-offset-2"
      >
        Take it now
      </button>
    </div>
  );
}
