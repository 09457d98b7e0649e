/** What is said to be kept is kept: by two tabs at once, by a device that is full, from every earlier program. */

import { beforeEach, describe, expect, test } from '@jest/globals';
import { newJobSchema } from '@low-quarry/core/contracts/jobs';
import sample from '../../../../samples/versions/outbox-1.json' with { type: 'json' };
import { draftPrefix, forgetDraft, openDrafts, readDraftText, writeDraftText } from '../device/drafts';
import { listNotKept } from '../device/notKept';
import { LEASE_MS, withTabLock } from '../device/tabLock';
import { createTestDevice, createTestTabs, installLocalStorage, type TestDevice } from '../device/testing';
import type { Entry } from './Entry';
import { Outbox } from './Outbox';
import { sendAll } from './sendAll';

const PERSON = '00000000-0000-4000-8000-000000000009';
const ID = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const entry = (n: number): Entry => ({
  kind: 'bookIn',
  id: ID(n),
  personId: PERSON,
  at: '2026-03-02T10:00:00.000Z',
  label: `Book in ${n}`,
  refused: null,
  job: newJobSchema.parse({ vehicleId: 'veh', customer: `car ${n}`, registration: '', wants: '', dueOn: null }),
});

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

let device: TestDevice;
let local: Map<string, string>;
beforeEach(() => {
  device = createTestDevice();
  local = installLocalStorage();
});
const openOutbox = async (tabs = createTestTabs()) => {
  const outbox = new Outbox(PERSON, device, tabs);
  await outbox.open();
  return outbox;
};
const ids = (outbox: Outbox) => outbox.entries().map(({ id }) => id);

test('two tabs that add fifty entries at the same moment lose none', async () => {
  const tabs = createTestTabs();
  const [one, two] = [await openOutbox(tabs), await openOutbox(tabs)];
  await Promise.all(Array.from({ length: 50 }, (_, n) => (n % 2 ? one : two).add(entry(n))));
  await sleep(20);
  const all = Array.from({ length: 50 }, (_, n) => ID(n)).sort();
  for (const outbox of [one, two, await openOutbox()]) expect([...ids(outbox)].sort()).toEqual(all);
});

test('two pages know each other’s entries as soon as these are read, and their own without that', async () => {
  const tabs = createTestTabs();
  const [one, two] = [await openOutbox(tabs), await openOutbox(tabs)];
  const strange = { ...entry(2), job: { ...entry(2), vehicleId: 7 } } as unknown as Entry;
  await one.add(strange);
  await sleep(20);
  expect(ids(one)).toEqual([ID(2)]);
  expect(ids(two)).toEqual([]);
  expect(two.unreadable().map(({ why }) => why)).toEqual([expect.stringMatching(/^job\./)]);
  await one.replace(ID(2), entry(3));
  await sleep(20);
  expect([ids(one), ids(two)]).toEqual([[ID(3)], [ID(3)]]);
  expect(two.unreadable()).toEqual([]);
});

test('an entry is shown at once, and is kept only once it is on the device', async () => {
  const outbox = await openOutbox();
  const adding = outbox.add(entry(1));
  expect(ids(outbox)).toEqual([ID(1)]);
  expect(outbox.isKept(ID(1))).toBe(false);
  await adding;
  expect(outbox.isKept(ID(1))).toBe(true);
});

test('what a full device does not keep is reported at once, shown and sent from here; later it is kept after all', async () => {
  const outbox = await openOutbox();
  await outbox.add(entry(1));
  device.isFull = true;
  await outbox.add(entry(2));
  expect(ids(outbox)).toEqual([ID(1), ID(2)]);
  expect([outbox.isKept(ID(1)), outbox.isKept(ID(2))]).toEqual([true, false]);
  expect(listNotKept().map(({ label }) => label)).toEqual(['Book in 2']);
  expect(ids(await openOutbox())).toEqual([ID(1)]);
  await outbox.settle(ID(2), { jobId: ID(7) });
  expect(listNotKept()).toEqual([]);
  expect(ids(outbox)).toEqual([ID(1)]);
  expect(outbox.answerTo(ID(2))).toEqual({ jobId: ID(7) });
});

test('an entry that was not kept and is replaced once there is room is kept then, and goes when it is done', async () => {
  const outbox = await openOutbox();
  device.isFull = true;
  await outbox.add(entry(1));
  device.isFull = false;
  await outbox.replace(ID(1), { ...entry(2), label: 'on their version' });
  expect(ids(outbox)).toEqual([ID(2)]);
  expect(outbox.isKept(ID(2))).toBe(true);
  expect(listNotKept()).toEqual([]);
  await outbox.settle(ID(2), null);
  expect(ids(outbox)).toEqual([]);
  device.isFull = true;
  await outbox.add(entry(3));
  device.isFull = false;
  await outbox.remove(ID(3));
  expect(ids(outbox)).toEqual([]);
  expect(listNotKept()).toEqual([]);
});

describe('entries of earlier programs', () => {
  const first = JSON.stringify(sample);
  const KEY = `low-quarry.outbox.${PERSON}`;

  test('are taken over from local storage, with their order and their author', async () => {
    local.set(KEY, first);
    const outbox = await openOutbox();
    expect(outbox.entries().map(({ kind }) => kind)).toEqual(['saveOpening', 'keepChoices', 'removeChoice', 'bookIn']);
    expect(outbox.entries().every(({ personId }) => personId === PERSON)).toBe(true);
    expect(outbox.unreadable()).toEqual([]);
    expect(local.has(KEY)).toBe(false);
    expect((await openOutbox()).entries()).toHaveLength(4);
  });

  test('stay where they are until they are safe in their new place', async () => {
    local.set(KEY, first);
    device.isFull = true;
    const outbox = await openOutbox();
    expect(outbox.entries()).toHaveLength(4);
    expect(local.get(KEY)).toBe(first);
    device.isFull = false;
    expect((await openOutbox()).entries()).toHaveLength(4);
    expect(local.has(KEY)).toBe(false);
  });

  test.each([
    ['of a kind that is not known', [{ kind: 'weigh', id: ID(1) }]],
    ['of a newer program', [{ ...entry(1), form: 9 }]],
    ['with a field that is missing', [{ kind: 'bookIn', id: ID(1) }]],
    ['that is none', [null, 7, 'text']],
  ])('one %s is kept, shown, and survives the next save; a person drops it', async (_, kept) => {
    device.values.set(`outbox.${PERSON}`, kept);
    const outbox = await openOutbox();
    expect(outbox.entries()).toEqual([]);
    expect(outbox.unreadable().map(({ raw }) => raw)).toEqual(kept);
    await outbox.add(entry(2));
    const again = await openOutbox();
    expect(again.unreadable()).toHaveLength(kept.length);
    expect(ids(again)).toEqual([ID(2)]);
    for (const each of again.unreadable()) await again.dropUnreadable(each);
    expect((await openOutbox()).unreadable()).toEqual([]);
    expect(ids(again)).toEqual([ID(2)]);
  });

  test('text that was cut off is kept as what it is', async () => {
    local.set(KEY, first.slice(0, 300));
    const outbox = await openOutbox();
    expect(outbox.unreadable()).toHaveLength(1);
    expect(JSON.stringify(device.values.get(`outbox.${PERSON}`))).toContain('saveOpening');
  });
});

test('what was sent is kept until no draft of it is: a page that is closed in between never finds the draft alone', async () => {
  const draft = `${draftPrefix(PERSON)}opening`;
  await openDrafts(device, PERSON, createTestTabs());
  writeDraftText(device, draft, 'sent');
  const outbox = await openOutbox();
  await outbox.add(entry(1));
  const seen: string[] = [];
  const { update } = device;
  const watched: TestDevice = {
    ...device,
    update: async (key, change) => {
      const made = await update(key, change);
      seen.push(`${device.values.has(draft)} ${((device.values.get(`outbox.${PERSON}`) ?? []) as unknown[]).length}`);
      return made;
    },
  };
  const watching = new Outbox(PERSON, watched, createTestTabs());
  await watching.open();
  const done = () => forgetDraft(watched, draft, 'sent');
  await sendAll(
    watching,
    done,
    () => false,
    async () => ({ kind: 'done', answer: null }),
  );
  expect(seen).toEqual(['false 1', 'false 0']);
});

describe('drafts', () => {
  const key = `${draftPrefix(PERSON)}bookIn`;
  const open = () => openDrafts(device, PERSON, tabs);
  let tabs: ReturnType<typeof createTestTabs>;
  beforeEach(() => {
    tabs = createTestTabs();
  });

  test('are written at once and there after a reload; given up, they are gone', async () => {
    await open();
    writeDraftText(device, key, '{"a":1}');
    expect(readDraftText(key)).toBe('{"a":1}');
    await sleep(20);
    await open();
    expect(readDraftText(key)).toBe('{"a":1}');
    writeDraftText(device, key, null);
    await sleep(20);
    await open();
    expect(readDraftText(key)).toBeNull();
  });

  test('are forgotten only as they were sent: what another tab typed since stays, and is followed here', async () => {
    await open();
    const other = tabs(() => {});
    writeDraftText(device, key, 'sent');
    await sleep(20);
    await device.set(key, { form: 2, text: 'typed in another tab' });
    other.tell(key);
    await sleep(20);
    expect(readDraftText(key)).toBe('typed in another tab');
    await forgetDraft(device, key, 'sent');
    expect(device.values.get(key)).toEqual({ form: 2, text: 'typed in another tab' });
    await forgetDraft(device, key, 'typed in another tab');
    expect(device.values.has(key)).toBe(false);
    expect(readDraftText(key)).toBeNull();
  });

  test('of earlier programs are taken over; another person’s are not read', async () => {
    local.set(`low-quarry.${key}`, '{"old":1}');
    local.set(`low-quarry.${draftPrefix(ID(8))}bookIn`, 'theirs');
    await open();
    expect(readDraftText(key)).toBe('{"old":1}');
    expect(readDraftText(`${draftPrefix(ID(8))}bookIn`)).toBeNull();
    expect([...local.keys()]).toEqual([`low-quarry.${draftPrefix(ID(8))}bookIn`]);
    expect(device.values.get(key)).toEqual({ form: 2, text: '{"old":1}' });
  });

  test('that a full device does not keep are reported, and no longer once they are kept', async () => {
    await open();
    device.isFull = true;
    writeDraftText(device, key, '{"a":1}');
    await sleep(20);
    expect(listNotKept()).toEqual([{ key, label: 'what is typed and not saved', value: { a: 1 } }]);
    device.isFull = false;
    writeDraftText(device, key, '{"a":2}');
    await sleep(20);
    expect(listNotKept()).toEqual([]);
  });
});

describe('sending without the browser’s own lock', () => {
  test('one tab at a time; the next goes on after it', async () => {
    const log: string[] = [];
    const send = (tab: string) =>
      withTabLock(
        'outbox',
        device,
        tab,
        async (isMine) => {
          expect(isMine()).toBe(true);
          log.push(`${tab} begins`);
          await sleep(15);
          log.push(`${tab} ends`);
        },
        Date.now,
        undefined,
      );
    const done = await Promise.all([send('a'), send('b'), send('c')]);
    expect(done.filter(Boolean)).toHaveLength(1);
    expect(log).toHaveLength(2);
    expect(await send('b')).toBe(true);
  });

  test('a tab that died lets go after a while, and a clock that was set back holds nobody up', async () => {
    let time = 1_000_000;
    const tryIt = (tab: string, work = async () => {}) =>
      withTabLock('outbox', device, tab, work, () => time, undefined);
    device.values.set('lease.outbox', { owner: 'dead', until: time + LEASE_MS });
    expect(await tryIt('b')).toBe(false);
    time += LEASE_MS + 1;
    expect(await tryIt('b')).toBe(true);
    device.values.set('lease.outbox', { owner: 'dead', until: time + LEASE_MS });
    time -= 86_400_000;
    expect(await tryIt('b')).toBe(true);
  });

  test('a lease that is lost stops the work', async () => {
    let time = 0;
    await withTabLock(
      'outbox',
      device,
      'a',
      async (isMine) => {
        time += LEASE_MS + 1;
        expect(isMine()).toBe(false);
      },
      () => time,
      undefined,
    );
  });

  test('on a device that keeps nothing each page sends what it holds: keys keep it from being done twice', async () => {
    device.isFull = true;
    let sent = 0;
    const send = async () => {
      sent++;
    };
    expect(await withTabLock('outbox', device, 'a', send, Date.now, undefined)).toBe(true);
    expect(sent).toBe(1);
  });
});
