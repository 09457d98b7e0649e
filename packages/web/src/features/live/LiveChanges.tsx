/** Listens to what others change, so that an open screen shows it, and says who it was. */
import { type LiveChange, liveChangeSchema } from '@low-quarry/core/contracts/live';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { isLeaving, subscribeToLeaving } from '../../api/leaving';
import { listenToShop } from '../../api/liveLine';
import { useMe } from '../../api/me';
import { jobKeys } from '../jobs/jobKeys';

/** How long it is said who changed something, ms. */
const SAID_MS = 12_000;

export function LiveChanges() {
  const queries = useQueryClient();
  const me = useMe();
  const [last, setLast] = useState<LiveChange | null>(null);
  const leaving = useSyncExternalStore(subscribeToLeaving, isLeaving);
  const owner = `${me.id} ${me.roles.join(',')}`;
  useEffect(() => {
    if (leaving) return;
    return listenToShop(owner, {
      // What happened while nobody listened is not told again: everything is asked anew.
      again: () => void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }),
      change: (data) => {
        const change = liveChangeSchema.safeParse(readJson(data));
        if (!change.success) return;
        // What is deleted from the screen that is open is asked for no more: it would not be found.
        const isGoing = (queryKey: readonly unknown[]) =>
          queries.getMutationCache().find({
            mutationKey: jobKeys.deletion(queryKey),
            predicate: ({ state: { status } }) => status === 'pending' || status === 'success',
          }) !== undefined;
        void queries.invalidateQueries({
          predicate: ({ queryKey }) => concerns(queryKey, change.data) && !isGoing(queryKey),
        });
        if (change.data.personId !== me.id) setLast(change.data);
      },
    });
  }, [queries, me.id, owner, leaving]);
  useEffect(() => {
    if (!last) return;
    const timer = setTimeout(() => setLast(null), SAID_MS);
    return () => clearTimeout(timer);
  }, [last]);
  return (
    <div role="status" aria-label="Changed by others" className="only-screen">
      {last && (
        <p className="border-b border-action bg-paper px-4 py-2">
          <strong>{last.personName}</strong> {last.headline}
          {last.car && last.kind !== 'job' ? ` of ${last.car}` : ''}, at {last.deviceName}.
        </p>
      )}
    </div>
  );
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Whether an answer may be another one after a change. */
function concerns([name, id]: readonly unknown[], { kind, recordId, isGone }: LiveChange): boolean {
  switch (name) {
    case 'history':
    case 'undo':
      return true;
    case 'week':
      return kind !== 'photo';
    case 'settings':
      return kind === 'settings';
    case 'people':
      return kind === 'person';
    case 'catalogue':
    case 'parts':
      return kind === 'part' || kind === 'partsImport';
    case 'vehicles':
    case 'foundVehicles':
      return kind === 'vehicle' || kind === 'job';
    case 'library':
      return kind === 'part' || kind === 'partsImport';
    case 'shelf':
    case 'code':
      return kind === 'shelf' || kind === 'part' || kind === 'partsImport' || kind === 'job';
    case 'photos':
      return kind === 'photo' || kind === 'job';
    case 'openings':
      return kind === 'settings' || kind === 'job' || (id === recordId && !isGone);
    case 'jobs':
    case 'orders':
      return kind !== 'person';
    default:
      return false;
  }
}
