/** Says when the server does not answer, asks it again, and lets every query catch up once it does. */
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { isAway, reportAnswered, subscribeToConnection, whyAway } from './connection';
import { isServerThere } from './health';
import { RETRY_MS } from './queryClient';

export function ConnectionBanner() {
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  const why = useSyncExternalStore(subscribeToConnection, whyAway);
  const queries = useQueryClient();

  useEffect(() => {
    if (!away) return;
    const timer = setInterval(async () => {
      if (!(await isServerThere())) return;
      reportAnswered();
      await queries.invalidateQueries();
    }, RETRY_MS);
    return () => clearInterval(timer);
  }, [away, queries]);

  return (
    <div role="status" className="only-screen">
      {away && (
        <p className="border-b border-measure bg-paper px-4 py-2 font-semibold text-measure">
          {why ?? 'The shop’s server does not answer.'} Trying again every {RETRY_MS / 1000} seconds; what this device
          keeps until then is under <em>waiting</em>.
        </p>
      )}
    </div>
  );
}
