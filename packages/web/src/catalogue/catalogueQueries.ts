/** The shop's catalogue on this device: what it knows at once, brought up to date behind it, and whole parts by their ids. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import { queryOptions } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { pageHeaders, refusalOf } from '../api/call';
import { askCatalogue, endCatalogueWorker } from '../workers/catalogueClient';
import type { Synced } from '../workers/catalogueWorker';
import { setProgress } from './catalogueProgress';
import { keptCatalogue } from './deviceCatalogue';
import { onCatalogueForgotten } from './forgetCatalogue';
import { type KnownCatalogue, toKnown } from './KnownCatalogue';

const CATALOGUE_KEY = ['catalogue'] as const;
/** The worker that asks would take its processor from the first drawing, ms. */
const DRAWN_MS = 500;

/** What this page was told last; a version that is the same again is the same object again. */
let known: KnownCatalogue | null = null;
let reading: Promise<KnownCatalogue | null> | null = null;

async function readKnown(): Promise<KnownCatalogue | null> {
  try {
    const kept = await keptCatalogue.readKnown();
    return kept && toKnown(kept);
  } catch {
    // It is asked for again.
    return null;
  }
}

/** Begins to read what the device knows, while the page still asks who is signed in. */
export function beginReading(): Promise<KnownCatalogue | null> {
  reading ??= readKnown();
  return reading;
}

export const catalogueQuery = queryOptions({
  queryKey: CATALOGUE_KEY,
  queryFn: async ({ client }): Promise<KnownCatalogue> => {
    const isFirst = known === null;
    known ??= await beginReading();
    if (!isFirst || !known) return sync();
    // Shown as the device knows it; whether the shop has another one by now is asked as soon as it is drawn.
    setTimeout(() => void client.invalidateQueries({ queryKey: CATALOGUE_KEY }), DRAWN_MS);
    return known;
  },
  staleTime: 60_000,
  // Of thousands of parts nothing is compared one by one: a version says whether it is another.
  structuralSharing: false,
});

async function sync(): Promise<KnownCatalogue> {
  const tell = proxy(setProgress);
  const synced = await askCatalogue(async (worker): Promise<Synced> => worker.sync(pageHeaders(), tell)).finally(() =>
    setProgress(null),
  );
  if (!synced.ok) throw refusalOf(synced.refused);
  if (known?.version === synced.version) return known;
  known = (synced.isKept && (await readKnown())) || toKnown(await askCatalogue((worker) => worker.known()));
  return known;
}

onCatalogueForgotten(() => {
  known = null;
  reading = null;
  endCatalogueWorker();
});

/** Parts of the catalogue by their ids: from the device, where it keeps that version; what is no part is left out. */
export async function readParts(version: string, ids: readonly string[]): Promise<readonly PartRecord[]> {
  if (ids.length === 0) return [];
  const kept = await keptCatalogue.readParts(version, ids).catch(() => null);
  return kept ?? askCatalogue((worker) => worker.parts(version, ids));
}
