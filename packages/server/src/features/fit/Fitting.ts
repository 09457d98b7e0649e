/** Judges stored choices with the same core function that the screens use. */

import {
  type ConnectorRecord,
  isWhole,
  lacksOf,
  orderedId,
  type PartRecord,
  toFitCatalogue,
} from '@low-quarry/core/catalogue';
import type { VerdictSummary } from '@low-quarry/core/contracts/jobs';
import type { Choice } from '@low-quarry/core/contracts/openings';
import type { Candidate, FitCatalogue, FitOpening, FitRules, Judgement, Work } from '@low-quarry/core/fit';
import { findLayer, judgeCandidate, ringThicknessMm, withWork } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import { readingHalfWidthsMm, type ShopSettings, toFitOpening, toFitRules } from '@low-quarry/core/model';
import { gravestOf, type OpenCheck } from '@low-quarry/core/order';
import type { SnapshotNow } from '@low-quarry/core/records';
import { type CutPiece, cutPieces } from '@low-quarry/core/template';
import { unreadable } from '../../http/AppError';
import type { PartsStore } from '../library/PartsStore';
import type { SettingsStore } from '../settings/SettingsStore';

export type CandidateIds = {
  readonly speakerId: string;
  readonly layerIds: readonly string[];
};

/** One reading of the shop's settings and of the parts that some choices name, to judge these with. */
export class Fitting {
  private readonly catalogue: FitCatalogue;
  /** One object for all choices: what is worked out from it, such as the rings, is worked out once. */
  private readonly rules: FitRules;
  private readonly connectorNames: ReadonlyMap<string, string>;

  constructor(
    readonly shop: ShopSettings,
    readonly parts: ReadonlyMap<string, PartRecord>,
    connectors: readonly ConnectorRecord[],
    /** Why the settings cannot be read; then nothing is judged. */
    private readonly unreadable: string | null = null,
  ) {
    this.catalogue = toFitCatalogue([...parts.values()]);
    this.rules = toFitRules(shop);
    this.connectorNames = new Map(connectors.map(({ id, name }) => [id, name]));
  }

  /** The candidate of these ids, or the name of the id that is no such part. */
  findCandidate({ speakerId, layerIds }: CandidateIds): Candidate | keyof CandidateIds {
    const speaker = this.catalogue.speakers.find(({ id }) => id === speakerId);
    if (!speaker) return 'speakerId';
    const layers = layerIds.map((id) => findLayer(this.catalogue, this.rules, id));
    return layers.every((layer) => layer !== null) ? { speaker, layers } : 'layerIds';
  }

  /** What the parts are called, in a trade's words where the catalogue has them no more. */
  namesOf(ids: CandidateIds): readonly string[] {
    const candidate = this.findCandidate(ids);
    if (typeof candidate !== 'string') return [candidate.speaker, ...candidate.layers].map(({ name }) => name);
    const nameOf = (id: string, otherwise: string) => this.parts.get(orderedId(id))?.name ?? otherwise;
    return [
      nameOf(ids.speakerId, 'a speaker that is gone'),
      ...ids.layerIds.map((id) => {
        const ringMm = ringThicknessMm(id);
        return ringMm === null ? nameOf(id, 'a part that is gone') : `ring cut from ${ringMm} mm sheet`;
      }),
    ];
  }

  /** What a verdict on these parts in this opening depends on, as it is now. */
  snapshotInputs({ wiring, ...rest }: OpeningRecord, { speakerId, layerIds }: CandidateIds): SnapshotNow {
    const ids = [speakerId, ...layerIds.map(orderedId)];
    const adapters = [...this.parts.values()].filter(
      (part) =>
        part.kind === 'harnessAdapter' && wiring.kind === 'connector' && part.fromConnectorId === wiring.connectorId,
    );
    const parts = ids.flatMap((id) => this.parts.get(id) ?? []);
    return { opening: { wiring, ...rest }, parts: [...parts, ...adapters], settings: this.shop };
  }

  /** What a choice names and is not there, in a sentence; null where all of it is. */
  brokenBecause(ids: CandidateIds): string | null {
    const missing = this.findCandidate(ids);
    if (typeof missing !== 'string') return null;
    const speaker = this.parts.get(ids.speakerId);
    if (speaker?.kind === 'speaker' && !isWhole(speaker))
      return `The catalogue lacks figures of the speaker of this choice (${lacksOf(speaker).join(', ')}): nobody can judge it.`;
    if (missing === 'speakerId') return 'This choice names a speaker that is no longer in the catalogue: choose again.';
    const gone = ids.layerIds.find((id) => findLayer(this.catalogue, this.rules, id) === null) ?? '';
    const ringMm = ringThicknessMm(gone);
    return ringMm === null
      ? 'This choice names a bracket or a spacer that is no longer in the catalogue: choose again.'
      : `This choice names a ring of ${ringMm} mm sheet, which is no longer cut: choose again.`;
  }

  /** Why the work by hand cannot be done to this opening and these parts, in a sentence; null where it can, and where nothing is judged. */
  undoableBecause(record: OpeningRecord, { works, ...ids }: CandidateIds & Pick<Choice, 'works'>): string | null {
    const candidate = this.findCandidate(ids);
    if (this.unreadable !== null || works.length === 0 || typeof candidate === 'string') return null;
    const worked = withWork(this.toFit(record), candidate, works, this.rules);
    return worked.ok ? null : worked.failure;
  }

  /**
   * @param works what is changed by hand first
   * @throws AppError when the settings cannot be read: their defaults are nobody's clearances; when the work cannot be done
   */
  judge(record: OpeningRecord, candidate: Candidate, works: readonly Work[]): Judgement {
    if (this.unreadable !== null) throw unreadable('the shop’s settings', this.unreadable);
    const worked = withWork(this.toFit(record), candidate, works, this.rules);
    if (!worked.ok) throw unreadable('the work by hand', worked.failure);
    const { adapters } = this.catalogue;
    return judgeCandidate(worked.value.opening, worked.value.candidate, adapters, this.rules, this.shop.unit);
  }

  /** What the shop cuts itself for it. @throws as `judge` does */
  cut(record: OpeningRecord, candidate: Candidate, works: readonly Work[]): readonly CutPiece[] {
    const worked = withWork(this.toFit(record), candidate, works, this.rules);
    if (!worked.ok) throw unreadable('the work by hand', worked.failure);
    const { mount } = this.judge(record, candidate, works);
    return cutPieces({ ...worked.value, works }, mount, this.rules, this.shop.unit);
  }

  private toFit(record: OpeningRecord): FitOpening {
    return toFitOpening(record, readingHalfWidthsMm(this.shop), (id) => this.connectorNames.get(id) ?? id);
  }
}

/** What is needed to judge: openings, and what is or was chosen for them. */
export type FittingFor = (
  openings: readonly Pick<OpeningRecord, 'wiring'>[],
  choices: readonly CandidateIds[],
) => Promise<Fitting>;

/** The ids under which the parts of a choice are in the catalogue; a ring that is cut from sheet is no part. */
export function partIdsOf({ speakerId, layerIds }: CandidateIds): readonly string[] {
  return [speakerId, ...layerIds.filter((id) => ringThicknessMm(id) === null).map(orderedId)];
}

export function fittingFrom(shop: SettingsStore, parts: PartsStore): FittingFor {
  return async (openings, choices) => {
    // One after the other: inside a transaction they share a connection.
    const { settings, unreadable } = await shop.getWithVersion();
    const connectorIds = openings.flatMap(({ wiring }) => (wiring.kind === 'connector' ? [wiring.connectorId] : []));
    const named = await parts.listParts(choices.flatMap(partIdsOf));
    const adapters = await parts.listAdaptersFrom(connectorIds);
    const connectors = await parts.listConnectors(connectorIds);
    const records = new Map([...named, ...adapters].map((record): [string, PartRecord] => [record.id, record]));
    return new Fitting(settings, records, connectors, unreadable);
  };
}

/** What a list shows of a choice: its gravest open check, or what decides where all of them clear. */
export function summarise({ verdict, decidedBy, checks }: Judgement, open: readonly OpenCheck[]): VerdictSummary {
  const gravest = gravestOf(open);
  if (gravest) {
    const { check, marginMm, expandedMm, sentence } = gravest;
    return { verdict: gravest.verdict, decidedBy: check, marginMm, expandedMm, sentence };
  }
  const deciding = checks.find(({ id }) => id === decidedBy);
  if (!deciding) throw new Error(`summarise: expected a check ${decidedBy}, got none`);
  return {
    verdict,
    decidedBy,
    marginMm: deciding.margin?.valueMm ?? null,
    expandedMm: deciding.margin?.expandedMm ?? null,
    sentence: deciding.sentence,
  };
}
