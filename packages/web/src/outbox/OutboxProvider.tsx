/** Sends what waits, one after the other, in one tab at a time, and lets every screen see it. */
import { createContext, type ReactNode, useContext, useEffect, useRef, useSyncExternalStore } from 'react';
import { reportAway, subscribeToConnection } from '../api/connection';
import { isServerThere } from '../api/health';
import { RETRY_MS } from '../api/queryClient';
import { deviceStore } from '../device/DeviceStore';
import { withTabLock } from '../device/tabLock';
import { lateCode, NotLoadedError } from '../ui/late';
import { newId } from '../ui/newId';
import { type Entry, nextToSend } from './Entry';
import type { Outbox } from './Outbox';
import type { Done } from './sendAll';

/** It comes behind the first screen: what is sent brings every record's schema along. */
const sending = lateCode(() => import('./sendAll').then((code) => code.sendAll));

const OutboxContext = createContext<Outbox | null>(null);

export function OutboxProvider({
  outbox,
  onDone,
  children,
}: {
  readonly outbox: Outbox;
  /** Asks for what is told of every entry that the shop has now. */
  readonly onDone: () => Promise<Done>;
  readonly children: ReactNode;
}) {
  const done = useRef(onDone);
  done.current = onDone;
  useEffect(() => keepSending(outbox, () => done.current()), [outbox]);
  return <OutboxContext value={outbox}>{children}</OutboxContext>;
}

export function useOutbox(): { readonly outbox: Outbox; readonly entries: readonly Entry[] } {
  const outbox = useContext(OutboxContext);
  if (!outbox) throw new Error('useOutbox: expected to be inside OutboxProvider');
  return { outbox, entries: useSyncExternalStore(outbox.subscribe, outbox.entries) };
}

/** This tab, as it holds the lease. */
const TAB = newId();

/** @returns stops it */
function keepSending(outbox: Outbox, onDone: () => Promise<Done>): () => void {
  let stopped = false;
  let busy = false;
  let again = false;
  const run = async () => {
    again = busy;
    if (busy || stopped || !nextToSend(outbox.entries())) return;
    busy = true;
    // Another tab may be at it: the order is kept by whoever has the lock.
    try {
      // The code is away where the shop is: it waits for the next time, as what it would send does.
      const [sendAll, told] = await Promise.all([sending(), onDone()]);
      await withTabLock('outbox', deviceStore, TAB, (isMine) => sendAll(outbox, told, () => stopped || !isMine()));
    } catch (error) {
      if (!(error instanceof NotLoadedError)) throw error;
      // Nobody else may have asked the shop for anything: why it waits is said here.
      reportAway((await isServerThere()) ? 'A part of this program could not be loaded.' : null);
    } finally {
      // Whatever went wrong with one entry, what comes next is still sent.
      busy = false;
    }
    if (again) void run();
  };
  const unsubscribe = [outbox.subscribe(() => void run()), subscribeToConnection(() => void run())];
  const timer = setInterval(() => void run(), RETRY_MS);
  void run();
  return () => {
    stopped = true;
    clearInterval(timer);
    for (const each of unsubscribe) each();
  };
}
