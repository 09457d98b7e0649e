/**
 * Pictures of photos that the shop does not have yet. Each lies on the device under a key of its own, beside the outbox and not in it: the
 * list of entries is written anew with every change. What the device does not keep stays in this page, is sent from here, and is reported.
 */
import type { DeviceStore } from '../device/DeviceStore';
import { reportKept, reportNotKept } from '../device/notKept';
import type { Entry } from './Entry';
import type { Outbox } from './Outbox';

type Kept = { readonly at: number; readonly jpeg: ArrayBuffer };
type Whose = Pick<Entry, 'id' | 'personId'>;

/** A picture without an entry may be one whose entry another tab is about to write. */
const YOUNG_MS = 86_400_000;

const inThisPage = new Map<string, ArrayBuffer>();
const prefixOf = (personId: string) => `picture.${personId}.`;
const keyOf = ({ id, personId }: Whose) => `${prefixOf(personId)}${id}`;

/** Before its entry is written: an entry whose picture is not there could not be sent. */
export async function keepPicture(store: DeviceStore, entry: Whose, label: string, jpeg: ArrayBuffer): Promise<void> {
  const key = keyOf(entry);
  try {
    await store.set(key, { at: Date.now(), jpeg } satisfies Kept);
  } catch {
    inThisPage.set(key, jpeg);
    reportNotKept({ key, label, value: { label, picture: toDataUrl(jpeg) } });
  }
}

/** Null where it is not on this device any more. */
export async function readPicture(store: DeviceStore, entry: Whose): Promise<ArrayBuffer | null> {
  const here = inThisPage.get(keyOf(entry));
  if (here) return here;
  const kept = (await store.get(keyOf(entry)).catch(() => null)) as Partial<Kept> | null | undefined;
  return kept?.jpeg instanceof ArrayBuffer ? kept.jpeg : null;
}

/** The shop has it. */
export async function dropPicture(store: DeviceStore, entry: Whose): Promise<void> {
  inThisPage.delete(keyOf(entry));
  reportKept(keyOf(entry));
  await store.remove(keyOf(entry)).catch(() => {});
}

/** Takes away what belongs to no entry any more: somebody dropped it. Where entries cannot be read, nobody knows whose they are. */
export async function dropLostPictures(
  store: DeviceStore,
  { personId, entries, unreadable }: Pick<Outbox, 'personId' | 'entries' | 'unreadable'>,
): Promise<void> {
  if (unreadable().length > 0) return;
  const wanted = new Set(entries().map(keyOf));
  const lost = (await store.keys(prefixOf(personId)).catch(() => [])).filter((key) => !wanted.has(key));
  for (const key of lost) {
    const kept = (await store.get(key).catch(() => null)) as Partial<Kept> | null;
    if (Date.now() - (kept?.at ?? 0) > YOUNG_MS) await store.remove(key).catch(() => {});
  }
}

function toDataUrl(jpeg: ArrayBuffer): string {
  const letters = Array.from(new Uint8Array(jpeg), (byte) => String.fromCharCode(byte));
  return `data:image/jpeg;base64,${btoa(letters.join(''))}`;
}
