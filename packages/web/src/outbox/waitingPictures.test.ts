import { beforeEach, describe, expect, test } from '@jest/globals';
import { listNotKept } from '../device/notKept';
import { createTestDevice, type TestDevice } from '../device/testing';
import type { Entry } from './Entry';
import { dropLostPictures, dropPicture, keepPicture, readPicture } from './waitingPictures';

const PERSON = '00000000-0000-4000-8000-000000000009';
const ID = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const entry = (n: number, personId = PERSON): Entry => ({
  kind: 'addPhoto',
  id: ID(n),
  personId,
  at: '2026-03-02T10:00:00.000Z',
  label: 'Front door, left',
  refused: null,
  photo: { of: 'opening', recordId: 'o', place: '', caption: '', marks: [] },
});
const jpeg = (...bytes: number[]) => Uint8Array.from(bytes).buffer;
const DAY_MS = 86_400_000;

let device: TestDevice;
beforeEach(() => {
  device = createTestDevice();
});

test('a picture lies beside the outbox until the shop has it', async () => {
  await keepPicture(device, entry(1), 'a photo', jpeg(1, 2, 3));
  expect([...device.values.keys()]).toEqual([`picture.${PERSON}.${ID(1)}`]);
  expect(new Uint8Array((await readPicture(device, entry(1))) as ArrayBuffer)).toEqual(Uint8Array.from([1, 2, 3]));
  await dropPicture(device, entry(1));
  expect(await readPicture(device, entry(1))).toBeNull();
});

test('what a full device does not keep is told, handed out as a picture, and sent from this page', async () => {
  device.isFull = true;
  await keepPicture(device, entry(2), 'a photo', jpeg(0xff, 0xd8));
  expect(listNotKept()).toEqual([
    {
      key: `picture.${PERSON}.${ID(2)}`,
      label: 'a photo',
      value: { label: 'a photo', picture: 'data:image/jpeg;base64,/9g=' },
    },
  ]);
  expect(await readPicture(device, entry(2))).not.toBeNull();
  await dropPicture(device, entry(2));
  expect([listNotKept(), await readPicture(device, entry(2))]).toEqual([[], null]);
});

describe('pictures whose entries somebody dropped', () => {
  const outbox = (entries: readonly Entry[], unreadable = 0) => ({
    personId: PERSON,
    entries: () => entries,
    unreadable: () => Array.from({ length: unreadable }, () => ({ raw: {}, why: 'newer' })),
  });
  const left = async (entries: readonly Entry[], unreadable = 0) => {
    await dropLostPictures(device, outbox(entries, unreadable));
    return [...device.values.keys()].map((key) => key.split('.').at(-1));
  };
  beforeEach(async () => {
    for (const n of [1, 2]) await keepPicture(device, entry(n), 'a photo', jpeg(n));
    await keepPicture(device, entry(3, 'somebody else'), 'a photo', jpeg(3));
    const old = { at: Date.now() - 2 * DAY_MS, jpeg: jpeg(4) };
    for (const n of [4, 5]) await device.set(`picture.${PERSON}.${ID(n)}`, old);
  });

  test('go after a day; not those of an entry, of another person, or that another tab may be about to use', async () => {
    expect(await left([entry(5)])).toEqual([ID(1), ID(2), ID(3), ID(5)]);
  });

  test('stay where an entry cannot be read: it may be that one’s', async () => {
    expect(await left([], 1)).toEqual([ID(1), ID(2), ID(3), ID(4), ID(5)]);
  });
});
