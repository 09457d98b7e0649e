import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { createTestDevice } from '../device/testing';
import { type LiveBrowser, listenToShop } from './liveLine';

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A browser with several tabs: they share channels and the device; the shop sees who has a line. */
function createBrowser() {
  const channels = new Map<string, Set<{ onmessage: ((event: { data: unknown }) => void) | null }>>();
  const lines = new Set<ReturnType<LiveBrowser['open']>>();
  let opened = 0;
  const waiting: (() => void)[] = [];
  let held = false;
  // As Web Locks: one at a time, first come first served; whoever gives up is passed over.
  const locks = {
    request: async (_: string, { signal }: { signal?: AbortSignal }, work: () => Promise<void>) => {
      if (held) await new Promise<void>((go) => waiting.push(go));
      if (signal?.aborted) return waiting.shift()?.();
      held = true;
      try {
        await work();
      } finally {
        held = false;
        waiting.shift()?.();
      }
    },
  } as unknown as LockManager;
  const browser: LiveBrowser = {
    store: createTestDevice(),
    locks,
    open: () => {
      opened++;
      const line = {
        onopen: null,
        onmessage: null,
        onerror: null,
        readyState: 1,
        close: () => void lines.delete(line),
      };
      lines.add(line as ReturnType<LiveBrowser['open']>);
      setTimeout(() => (line as ReturnType<LiveBrowser['open']>).onopen?.(), 1);
      return line as ReturnType<LiveBrowser['open']>;
    },
    channel: (name) => {
      const channel = { onmessage: null as ((event: { data: unknown }) => void) | null };
      const all = channels.get(name) ?? new Set();
      channels.set(name, all.add(channel));
      return Object.assign(channel, {
        postMessage: (data: unknown) => {
          for (const each of all) if (each !== channel) each.onmessage?.({ data });
        },
        close: () => void all.delete(channel),
      });
    },
  };
  return { browser, lines, opened: () => opened };
}

type Tab = { readonly heard: string[]; readonly close: () => void };

let shop: ReturnType<typeof createBrowser>;
let tabs: Tab[];
const openTab = (owner = 'okke', browser = shop.browser): Tab => {
  const heard: string[] = [];
  const close = listenToShop(owner, { again: () => heard.push('again'), change: (data) => heard.push(data) }, browser);
  const tab = { heard, close };
  tabs.push(tab);
  return tab;
};
const tell = (data: string) => {
  for (const line of shop.lines) line.onmessage?.({ data });
};

beforeEach(() => {
  shop = createBrowser();
  tabs = [];
});
afterEach(() => {
  for (const tab of tabs) tab.close();
});

describe('however many tabs a browser has open', () => {
  test('one of them has the line, and all hear each change once', async () => {
    const all = Array.from({ length: 9 }, () => openTab());
    await sleep(20);
    expect([shop.lines.size, shop.opened()]).toEqual([1, 1]);
    tell('a');
    tell('b');
    expect(all.map(({ heard }) => heard)).toEqual(all.map(() => ['a', 'b']));
  });

  test('when the one with the line is closed another takes it, and those who were there ask anew', async () => {
    const [first, second, third] = [openTab(), openTab(), openTab()];
    await sleep(1_100);
    first.close();
    await sleep(50);
    expect([shop.lines.size, shop.opened()]).toEqual([1, 2]);
    tell('after');
    expect(first.heard).toEqual([]);
    for (const { heard } of [second, third]) expect(heard).toEqual(['again', 'after']);
  });

  test('another person’s tabs have a line of their own', async () => {
    const other = createBrowser();
    const [mine, theirs] = [openTab('okke'), openTab('rieke', { ...other.browser, channel: shop.browser.channel })];
    await sleep(20);
    tell('for okke');
    expect([mine.heard, theirs.heard]).toEqual([['for okke'], []]);
  });
});

test('without the browser’s own lock a lease on the device says whose line it is', async () => {
  const browser = { ...shop.browser, locks: undefined };
  const [first, second] = [openTab('okke', browser), openTab('okke', browser)];
  await sleep(60);
  expect(shop.lines.size).toBe(1);
  tell('a');
  expect([first.heard, second.heard]).toEqual([['a'], ['a']]);
});

test('a line that was refused is asked for again, one that was lost comes back and everything is asked anew', async () => {
  const { heard } = openTab();
  await sleep(20);
  const [line] = shop.lines;
  if (!line) throw new Error('expected a line');
  line.onopen?.();
  expect(heard).toEqual(['again']);
  Object.assign(line, { readyState: 2 });
  line.onerror?.();
  await sleep(2_100);
  expect(shop.opened()).toBe(2);
});
