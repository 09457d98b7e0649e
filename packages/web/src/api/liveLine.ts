/**
 * One live connection for all tabs of a browser: a browser has six to a server, and a stream a tab would use them up. One tab has the
 * line and passes on what it hears; when it is closed, another takes it, and all ask anew for what may have been missed between.
 */
import { LIVE_PATH } from '@low-quarry/core/contracts/live';
import { type DeviceStore, deviceStore } from '../device/DeviceStore';
import { LEASE_MS, withTabLock } from '../device/tabLock';
import { newId } from '../ui/newId';
import { RETRY_MS } from './queryClient';

export type Heard = {
  /** What happened meanwhile was not heard: everything may be another. */
  readonly again: () => void;
  /** A change, as it was sent. */
  readonly change: (data: string) => void;
};

type Source = Pick<EventSource, 'close' | 'readyState'> & {
  onopen: (() => void) | null;
  onmessage: ((event: { readonly data: string }) => void) | null;
  onerror: (() => void) | null;
};
type Channel = {
  postMessage: (message: unknown) => void;
  close: () => void;
  onmessage: ((event: { readonly data: unknown }) => void) | null;
};

/** What the browser gives for it; another in tests. */
export type LiveBrowser = {
  readonly open: () => Source;
  readonly channel: (name: string) => Channel;
  readonly store: DeviceStore;
  readonly locks: LockManager | undefined;
};

const BROWSER: LiveBrowser = {
  open: () => new EventSource(LIVE_PATH) as Source,
  channel: (name) => new BroadcastChannel(name) as Channel,
  store: deviceStore,
  locks: globalThis.navigator?.locks,
};

/** Who has the line this soon after coming has waited for nobody, and has missed nothing, ms. */
const AT_ONCE_MS = 1_000;
const CLOSED = 2;

/**
 * @param owner tabs of one owner share a line: what one may hear another may not
 * @returns stops listening
 */
export function listenToShop(owner: string, heard: Heard, browser: LiveBrowser = BROWSER): () => void {
  const name = `live.${owner}`;
  const tab = newId();
  const over = new AbortController();
  const from = Date.now();
  const channel = browser.channel(`low-quarry.${name}`);
  channel.onmessage = ({ data }) => {
    const { kind, change } = (data ?? {}) as { readonly kind?: unknown; readonly change?: unknown };
    if (kind === 'again') heard.again();
    if (kind === 'change' && typeof change === 'string') heard.change(change);
  };
  const haveLine = (isMine: () => boolean) =>
    new Promise<void>((done) => {
      const hasWaited = Date.now() - from > AT_ONCE_MS;
      const stopTelling = openStream(browser, {
        again: (isFirst) => {
          if (hasWaited || !isFirst) heard.again();
          // Others were there while nobody had the line.
          if (hasWaited || !isFirst) channel.postMessage({ kind: 'again' });
        },
        change: (change) => {
          heard.change(change);
          channel.postMessage({ kind: 'change', change });
        },
      });
      const look = setInterval(() => !isMine() && end(), RETRY_MS);
      const end = () => {
        clearInterval(look);
        stopTelling();
        done();
      };
      over.signal.addEventListener('abort', end, { once: true });
    });
  void (async () => {
    while (!over.signal.aborted) {
      await withTabLock(name, browser.store, tab, haveLine, Date.now, browser.locks, over.signal).catch(() => false);
      if (!over.signal.aborted) await passed(LEASE_MS / 3, over.signal);
    }
  })();
  return () => {
    over.abort();
    channel.close();
  };
}

function openStream(
  { open }: LiveBrowser,
  heard: { readonly again: (isFirst: boolean) => void; readonly change: (data: string) => void },
): () => void {
  let source: Source | null = null;
  let retry: ReturnType<typeof setTimeout> | null = null;
  let isFirst = true;
  const begin = () => {
    source = open();
    source.onopen = () => {
      heard.again(isFirst);
      isFirst = false;
    };
    source.onmessage = ({ data }) => heard.change(data);
    // A browser comes back by itself after a lost network, and never after an answer such as 503.
    source.onerror = () => {
      if (source?.readyState === CLOSED) retry = setTimeout(begin, RETRY_MS);
    };
  };
  begin();
  return () => {
    if (retry) clearTimeout(retry);
    source?.close();
  };
}

function passed(ms: number, signal: AbortSignal): Promise<void> {
  return new Promise((resolve) => {
    const timer = setTimeout(resolve, ms);
    signal.addEventListener('abort', () => {
      clearTimeout(timer);
      resolve();
    });
  });
}
