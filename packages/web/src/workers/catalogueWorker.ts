/**
 * Has the shop's catalogue in memory, brings it up to date and keeps it on the device, and ranks it for openings, off the screen's
 * thread. Only a wrapper: the work is the core's and `catalogue/`'s.
 */
import '../schemaSetup';
import { type PartRecord, type SpeakerRecord, toFitCatalogue } from '@low-quarry/core/catalogue';
import type { CataloguePlace } from '@low-quarry/core/contracts/catalogue';
import { listCatalogueChanges } from '@low-quarry/core/contracts/catalogue';
import type { Candidate, FirstLook, FitCatalogue, FitOpening, FitRules } from '@low-quarry/core/fit';
import {
  type Advice,
  type AdviceOptions,
  advise,
  bestStack,
  CatalogueIndex,
  FitEngine,
  harnessFor,
  type PackedRanking,
  packRanking,
} from '@low-quarry/core/fit';
import type { ChannelCheck } from '@low-quarry/core/sound';
import { expose, transfer } from 'comlink';
import { fillPath } from '../api/fillPath';
import { BUILD } from '../build';
import { Catalogue } from '../catalogue/Catalogue';
import { CatalogueStore, knownOf } from '../catalogue/CatalogueStore';
import { catalogueKeeping } from '../catalogue/deviceCatalogue';
import type { KeptKnown } from '../catalogue/KnownCatalogue';
import { type CatalogueProgress, syncCatalogue } from '../catalogue/syncCatalogue';
import { versionOf } from '../catalogue/versionOf';
import { ChannelOfCatalogue, type ChannelQuestion, type ChannelTold } from './channelOfCatalogue';

/** How the shop refused, or null where it did not answer at all. */
export type Refused = { readonly status: number; readonly problem: unknown } | null;
export type Synced =
  | { readonly ok: true; readonly version: string; readonly isKept: boolean }
  | { readonly ok: false; readonly refused: Refused };

const catalogueStore = new CatalogueStore(catalogueKeeping, BUILD);

/** So many parts take a noticeable time to be kept. */
const MANY = 2000;
const LATER_MS = 1500;

const catalogue = new Catalogue();
let shapes: FitCatalogue | null = null;
let index: CatalogueIndex | null = null;
/** For the rules that were asked last. */
let judge: { readonly rulesKey: string; readonly engine: FitEngine } | null = null;
let ranked: string | null = null;
/** What was asked of a channel last. */
let channel: { readonly key: string; readonly asked: ChannelOfCatalogue } | null = null;

class Refusal extends Error {
  constructor(readonly refused: Refused) {
    super('the shop did not answer with its catalogue');
  }
}

function forgetShapes(): void {
  shapes = null;
  index = null;
  judge = null;
  ranked = null;
  channel = null;
}

/** Another tab may have brought the device's further than this one's. */
async function takeFromDevice(): Promise<void> {
  const kept = await catalogueStore.place().catch(() => null);
  const isNewer = kept && (!catalogue.place || versionOf(kept) !== versionOf(catalogue.place));
  if (!isNewer && (catalogue.place || kept)) return;
  if (await catalogueStore.readInto(catalogue).catch(() => false)) forgetShapes();
}

async function isWritten(changed: ReadonlySet<string>): Promise<boolean> {
  try {
    await catalogueStore.write(catalogue, changed);
    return true;
  } catch {
    return false;
  }
}

async function ask(after: CataloguePlace | null, headers: Record<string, string>) {
  const path = fillPath(listCatalogueChanges.path, after ?? {});
  const response = await fetch(path, { headers }).catch(() => {
    throw new Refusal(null);
  });
  if (!response.ok) {
    throw new Refusal({ status: response.status, problem: await response.json().catch(() => null) });
  }
  return listCatalogueChanges.answer.parse(await response.json());
}

/** The catalogue of just this version: what is worked out with another one would be kept under a wrong name. */
async function require(version: string): Promise<void> {
  if (!catalogue.place) await takeFromDevice();
  const known = catalogue.place && versionOf(catalogue.place);
  if (known !== version) throw new Error('The catalogue has changed meanwhile.');
}

function shapesOf(): FitCatalogue {
  shapes ??= toFitCatalogue(catalogue.inOrder());
  return shapes;
}

function engineFor(rules: FitRules): FitEngine {
  index ??= new CatalogueIndex(shapesOf());
  const rulesKey = JSON.stringify(rules);
  if (judge?.rulesKey !== rulesKey) judge = { rulesKey, engine: new FitEngine(index, rules) };
  ranked = null;
  return judge.engine;
}

function channelFor(question: ChannelQuestion): ChannelOfCatalogue {
  const key = JSON.stringify(question);
  if (channel?.key !== key) channel = { key, asked: new ChannelOfCatalogue(question, shapesOf(), catalogue.parts) };
  return channel.asked;
}

const worker = {
  /** Brings the catalogue to what the shop has, and keeps it on the device where that keeps anything. */
  async sync(headers: Record<string, string>, tell: (progress: CatalogueProgress) => void): Promise<Synced> {
    try {
      await takeFromDevice();
      const kept = await catalogueStore.place().catch(() => null);
      const isAsKept = kept !== null && catalogue.place !== null && versionOf(kept) === versionOf(catalogue.place);
      const changed = await syncCatalogue(catalogue, (after) => ask(after, headers), tell);
      if (changed.size > 0) forgetShapes();
      const { place } = catalogue;
      if (!place) throw new Error('catalogueWorker.sync: expected a place after everything came, got none');
      const version = versionOf(place);
      if (isAsKept && versionOf(kept) === version) return { ok: true, version, isKept: true };
      if (!isAsKept && catalogue.parts.size > MANY) {
        // Whoever waits for it gets it first; it is kept when they have it.
        setTimeout(() => void isWritten(new Set(catalogue.parts.keys())), LATER_MS);
        return { ok: true, version, isKept: false };
      }
      return { ok: true, version, isKept: await isWritten(isAsKept ? changed : new Set(catalogue.parts.keys())) };
    } catch (error) {
      if (error instanceof Refusal) return { ok: false, refused: error.refused };
      throw error;
    }
  },
  /** For a device that keeps nothing. */
  async known(): Promise<KeptKnown> {
    return knownOf(catalogue);
  },
  async parts(version: string, ids: readonly string[]): Promise<readonly PartRecord[]> {
    await require(version);
    return ids.flatMap((id) => catalogue.parts.get(id) ?? []);
  },
  /** Every verdict and the first of what clears: what a list needs while a hand moves. */
  async look(version: string, opening: FitOpening, rules: FitRules, most: number): Promise<FirstLook> {
    await require(version);
    const engine = engineFor(rules);
    engine.rank(opening, { figures: false });
    return engine.look(most);
  },
  async rank(version: string, opening: FitOpening, rules: FitRules): Promise<PackedRanking> {
    await require(version);
    const engine = engineFor(rules);
    engine.rank(opening);
    ranked = JSON.stringify(opening);
    const packed = packRanking(engine.ranking());
    const { stackAt, verdictAt, decidedAt, addedParts, costMinor, marginMm, expandedMm, plateMm } = packed;
    const columns = [stackAt, verdictAt, decidedAt, addedParts, costMinor, marginMm, expandedMm, plateMm];
    return transfer(
      packed,
      columns.map(({ buffer }) => buffer),
    );
  },
  /** Advice on one candidate; ranks first when the last ranking was for another opening. */
  async advise(
    version: string,
    opening: FitOpening,
    rules: FitRules,
    candidate: Candidate,
    options: AdviceOptions,
  ): Promise<Advice> {
    await require(version);
    if (ranked !== JSON.stringify(opening) || judge?.rulesKey !== JSON.stringify(rules)) {
      engineFor(rules).rank(opening);
      ranked = JSON.stringify(opening);
    }
    const { engine } = judge as { readonly engine: FitEngine };
    const { adapters } = engine.index.catalogue;
    return advise(engine, opening, candidate, harnessFor(opening, candidate.speaker, adapters), options);
  },
  /** What the opening's channel says of every speaker, in the catalogue's order. */
  async channel(version: string, question: ChannelQuestion): Promise<ChannelTold> {
    await require(version);
    return channelFor(question).tell();
  },
  /** What it says of one speaker, each check with its sentence; none where no one channel is known to feed the opening. */
  async channelChecks(version: string, question: ChannelQuestion, speakerId: string): Promise<readonly ChannelCheck[]> {
    await require(version);
    const shape = shapesOf().speakers.find(({ id }) => id === speakerId);
    if (!shape) throw new Error(`catalogueWorker.channelChecks: expected a speaker of the catalogue, got ${speakerId}`);
    return channelFor(question).checksOf(shape);
  },
  /** The best that one speaker, of the catalogue or not, can do with the shop's brackets and rings. */
  async bestStack(version: string, opening: FitOpening, rules: FitRules, speaker: SpeakerRecord): Promise<Candidate> {
    await require(version);
    const [shape] = toFitCatalogue([speaker]).speakers;
    if (!shape) throw new Error('catalogueWorker.bestStack: expected a speaker, got something else');
    return bestStack(opening, shape, { ...shapesOf(), speakers: [shape] }, rules).candidate;
  },
};
export type CatalogueWorker = typeof worker;

expose(worker);
