/** Builds a job's order list from its choices, as they are judged now. */
import { orderedId, PART_KINDS, type PartRecord, partName, STATE_MARK } from '@low-quarry/core/catalogue';
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { OrderAnswer, OrderLineAnswer } from '@low-quarry/core/contracts/orders';
import type { ShelfLot } from '@low-quarry/core/contracts/shelf';
import { capital } from '@low-quarry/core/firstLetter';
import { checkLabel } from '@low-quarry/core/fit';
import {
  ageOf,
  behindFace,
  CONSENT_LABELS,
  cautionsFor,
  faultHold,
  foamNeeds,
  isAssumed,
  lineNeeds,
  type Panel,
  piecesOf,
  placeLabel,
  quietNeeds,
  type SmallNeed,
  screwNeeds,
  smallNeeds,
} from '@low-quarry/core/model';
import {
  type Consents,
  missingConsents,
  type Need,
  type NeededConsent,
  type OrderLine,
  orderLines,
} from '@low-quarry/core/order';
import { brokenNeeds, jobSteps, type PlanStep, planTools } from '@low-quarry/core/plan';
import { orderHolds, wiringNeeds } from '@low-quarry/core/stations';
import type { Fitting, FittingFor } from '../fit/Fitting';
import type { JobsService } from '../jobs/JobsService';
import type { PartsStore } from '../library/PartsStore';
import type { ShelfStore } from '../shelf/ShelfStore';
import type { VehiclesStore } from '../vehicles/VehiclesStore';

export type OrdersFrom = {
  readonly jobs: JobsService;
  readonly fittingFor: FittingFor;
  readonly vehicles: VehiclesStore;
  readonly shelf: ShelfStore;
  readonly parts: PartsStore;
  readonly now: () => Date;
};

export class OrdersService {
  constructor(private readonly from: OrdersFrom) {}

  /** What is worked on and bought for a car, and the steps of its plan. */
  async planned(jobId: string): Promise<Planned> {
    const { job, openings } = await this.from.jobs.get(jobId);
    // A job comes without the panels of its vehicle.
    const vehicle = await this.from.vehicles.find(job.vehicle.id);
    const fitting = await this.from.fittingFor(
      openings.map(({ record }) => record),
      openings.flatMap(({ choice }) => choice ?? []),
    );
    const panels = vehicle?.record.ok ? vehicle.record.value.panels : [];
    const steps = jobSteps(job, openings, panels, fitting.shop);
    const channels = orderHolds(job, openings, fitting.shop);
    const held: HeldBy = { consents: job.consents, channels };
    const included = openings.filter((opening) => isIncluded(opening, held));
    const besides = this.besides(job, openings, included, panels, steps, fitting);
    const small = await this.taken(job, besides);
    const needs = [...included.flatMap((opening) => needsOf(opening, fitting)), ...small.needs];
    const lots = await this.from.shelf.forJob(
      jobId,
      needs.map(({ partId }) => partId),
    );
    const aside = lots.filter((lot) => lot.jobId === jobId);
    const parts = new Map([...fitting.parts, ...small.parts]);
    const lines = orderLines(needs, parts, PART_KINDS, piecesByPart(aside));
    return { job, openings, fitting, held, included, lots, aside, lines, steps, besides };
  }

  /** What has to be at hand besides the parts that are chosen. */
  private besides(
    job: Planned['job'],
    openings: Planned['openings'],
    included: readonly Included[],
    panels: readonly Panel[],
    steps: readonly PlanStep[],
    { shop }: Fitting,
  ): readonly SmallNeed[] {
    return [
      ...brokenNeeds(steps, job.bay),
      ...smallNeeds(
        included.map(({ record }) => record),
        panels,
        ageOf(job.vehicle.years, this.from.now().getUTCFullYear()),
      ),
      ...foamNeeds(included.map(({ record }) => record)),
      ...screwNeeds(included.map(({ record, state }) => ({ record, open: state.open }))),
      ...openings.flatMap(({ state, record }) => (state.kind === 'chosen' ? [] : lineNeeds(record))),
      ...quietNeeds(job.quieted),
      ...wiringNeeds(job, openings, included, shop),
    ];
  }

  /** What of it a part is taken for: on the list as far as somebody can say how many. */
  private async taken({ smallParts }: Planned['job'], besides: readonly SmallNeed[]): Promise<SmallTaken> {
    const asked = smallParts.filter(({ need }) => besides.some(({ what }) => what === need));
    if (asked.length === 0) return { needs: [], parts: new Map() };
    const found = await this.from.parts.listParts(asked.map(({ partId }) => partId));
    const parts = new Map(found.map((part) => [part.id, part] as const));
    const needs = asked.flatMap(({ need, partId }): Need[] => {
      const part = parts.get(partId);
      const own = besides.filter(({ what }) => what === need);
      const lengthM = part && 'lengthM' in part ? (part.lengthM ?? null) : null;
      const pieces = part ? own.map((each) => piecesOf(each, { lengthM })) : [null];
      const whole = pieces.reduce<number>((sum, each) => sum + (each ?? 0), 0);
      return whole < 1 || pieces.includes(null) ? [] : [{ partId, pieces: whole, forOpening: need }];
    });
    return { needs, parts };
  }

  async get(jobId: string): Promise<OrderAnswer> {
    const { job, openings, fitting, held, included, lots, aside, lines, steps, besides } = await this.planned(jobId);
    const costs = lines.map(ownCostMinor);
    return {
      job,
      currency: fitting.shop.currency,
      lines: lines.map((line) => toAnswer(line, included, lots)),
      totalMinor: costs.reduce<number>((sum, cost) => sum + (cost ?? 0), 0),
      notInTotal: costs.filter((cost) => cost === null).length,
      included: included.map(({ id, record, state, choice }) => ({
        openingId: id,
        label: placeLabel(record),
        behind: behindFace(record),
        speakerName: state.speakerName,
        summary: state.summary,
        states: statesOf(choice, fitting),
        works: choice?.works ?? [],
        open: state.open,
        earlierReason: choice?.earlierReason ?? null,
      })),
      heldBack: openings.flatMap((opening) => {
        const why = whyHeldBack(opening, held);
        if (why === null) return [];
        const { id: openingId, record, choice, state } = opening;
        const open = state.kind === 'chosen' ? state.open : [];
        return [
          { openingId, label: placeLabel(record), why, behind: behindFace(record), hasChoice: choice !== null, open },
        ];
      }),
      asideTooMany: await this.tooMany(aside, lines),
      needs: await this.withGoods(job, besides),
      tools: [...planTools(steps)],
      cautions: included
        .map(({ record }) => ({ label: placeLabel(record), cautions: [...cautionsFor(record)] }))
        .filter(({ cautions }) => cautions.length > 0),
    };
  }

  private async withGoods({ smallParts }: Planned['job'], needs: readonly SmallNeed[]): Promise<OrderAnswer['needs']> {
    const asked = needs.flatMap(({ good }) => good ?? []);
    const free = await this.from.shelf.freeOf(asked);
    const known = await this.from.parts.goodsOf(asked);
    return needs.map(({ what, why, pieces = null, lengthM = null, good }) => {
      const does = ({ kind, type }: { readonly kind: string; readonly type: string }) =>
        kind === good?.kind && good.types.includes(type);
      const onShelf = free.filter(does).map(({ label, place, pieces: lying }) => ({ label, place, pieces: lying }));
      const goods = known.filter(does).map(({ id, label }) => ({ partId: id, label }));
      const taken = smallParts.find(({ need }) => need === what)?.partId ?? null;
      return { what, why, pieces, lengthM, taken, goods: good ? goods : null, onShelf: good ? onShelf : null };
    });
  }

  /** What is put aside beyond what the job needs, the last that was put aside first. */
  private async tooMany(
    aside: readonly ShelfLot[],
    lines: readonly OrderLine<PartRecord>[],
  ): Promise<OrderAnswer['asideTooMany']> {
    const needed = new Map(lines.map(({ part, pieces }) => [part.id, pieces]));
    const labels = await this.from.shelf.labels(aside.map(({ partId }) => partId));
    return aside.flatMap((lot) => {
      const { partId, pieces } = lot;
      const left = needed.get(partId) ?? 0;
      needed.set(partId, Math.max(0, left - pieces));
      const tooMany = Math.max(0, pieces - left);
      return tooMany > 0 ? [{ lot, label: labels.get(partId) ?? partId, tooMany }] : [];
    });
  }
}

type Planned = Awaited<ReturnType<JobsService['get']>> & {
  readonly fitting: Fitting;
  readonly held: HeldBy;
  /** Openings whose parts are bought. */
  readonly included: readonly Included[];
  /** Of what is bought: put aside for the job, and free. */
  readonly lots: readonly ShelfLot[];
  readonly aside: readonly ShelfLot[];
  readonly lines: readonly OrderLine<PartRecord>[];
  readonly steps: readonly PlanStep[];
  readonly besides: readonly SmallNeed[];
};

type SmallTaken = { readonly needs: readonly Need[]; readonly parts: ReadonlyMap<string, PartRecord> };

/** How many pieces of each part are in these lots. */
function piecesByPart(lots: readonly ShelfLot[]): ReadonlyMap<string, number> {
  const pieces = new Map<string, number>();
  for (const { partId, pieces: more } of lots) pieces.set(partId, (pieces.get(partId) ?? 0) + more);
  return pieces;
}

type Included = OpeningWithState & { readonly state: Extract<OpeningWithState['state'], { kind: 'chosen' }> };

/** What of the job keeps its openings from the list. */
type HeldBy = { readonly consents: Consents; readonly channels: ReadonlyMap<string, string> };

function isIncluded(opening: OpeningWithState, held: HeldBy): opening is Included {
  return whyHeldBack(opening, held) === null;
}

/**
 * Nothing is ordered for a place of which nobody knows why it is silent, nor what its channel does not feed or stand; and what changes the car for
 * good not before somebody agreed to it in writing.
 */
function whyChoiceIsHeld({ id, record }: OpeningWithState, state: Included['state'], held: HeldBy): string | null {
  if (state.heldBack !== null) return state.heldBack;
  const fault = faultHold(record);
  if (fault !== null) return capital(fault);
  const channel = held.channels.get(id);
  if (channel !== undefined) return channel;
  const missing = missingConsents(state.needsConsent, held.consents);
  return missing.length === 0 ? null : consentWords(missing);
}

function needsOf({ record, choice }: Included, fitting: Fitting): readonly Need[] {
  if (!choice) return [];
  const candidate = fitting.findCandidate(choice);
  if (typeof candidate === 'string') return [];
  const { harness } = fitting.judge(record, candidate, choice.works);
  // A ring that is cut from sheet is made, not ordered.
  const bought = candidate.layers.filter((layer) => layer.kind === 'bracket' || !layer.made);
  const parts = [candidate.speaker, ...bought, ...harness];
  return parts.map(({ id }) => ({ partId: orderedId(id), pieces: 1, forOpening: placeLabel(record) }));
}

/** Which tabs of which bracket are to be broken off, before anybody has the brackets in hand. */
function statesOf(choice: OpeningWithState['choice'], { parts }: Fitting): string[] {
  return (choice?.layerIds ?? []).flatMap((id) => {
    const part = parts.get(orderedId(id));
    if (part?.kind !== 'bracket') return [];
    const state = part.snapOffs.find((each) => id === `${part.id}${STATE_MARK}${each.id}`);
    return state ? `${partName(part)}: ${state.name}` : [];
  });
}

/** Why nothing of an opening is on the list; null where it is. */
function whyHeldBack(opening: OpeningWithState, held: HeldBy): string | null {
  const { state } = opening;
  switch (state.kind) {
    case 'chosen':
      return whyChoiceIsHeld(opening, state, held);
    case 'cannotJudge':
    case 'unreadable':
    case 'hold':
    case 'noOpening':
      return state.sentence;
    case 'toMeasure':
      return 'Not measured yet, and nothing is chosen.';
    case 'nothingChosen':
      return 'No speaker is chosen yet.';
  }
}

function consentWords(missing: readonly NeededConsent[]): string {
  const acts = missing.map((kinds) => kinds.map((kind) => CONSENT_LABELS[kind].toLowerCase()).join(', or ')).join('; ');
  return `Nobody agreed to it in writing: ${acts}.`;
}

/** The openings that a speaker is ordered for; of another part none. */
function speakerOpenings({ part, forOpenings }: OrderLine<PartRecord>, included: readonly Included[]) {
  return part.kind === 'speaker' ? included.filter(({ record }) => forOpenings.includes(placeLabel(record))) : [];
}

/** What is open of the choices that it is ordered for. */
function openOf(openings: readonly Included[]): string[] {
  return [
    ...new Set(
      openings.flatMap(({ record, state }) => state.open.map(({ check }) => checkLabel(check, behindFace(record)))),
    ),
  ];
}

/** What a line costs in the shop's currency; null where that is not known. */
function ownCostMinor({ taken, pieces, aside }: OrderLine<PartRecord>): number | null {
  if (pieces === aside) return 0;
  return taken?.offer.currency === null ? taken.costMinor : null;
}

function toAnswer(
  line: OrderLine<PartRecord>,
  included: readonly Included[],
  lots: readonly ShelfLot[],
): OrderLineAnswer {
  const { part, pieces, aside, taken, others, forOpenings } = line;
  const { id, kind, maker, name, isDiscontinued, replacedBy } = part;
  const openings = speakerOpenings(line, included);
  return {
    partId: id,
    kind,
    maker,
    name,
    isDiscontinued,
    replacedBy,
    pieces,
    aside,
    lots: lots.filter(({ partId }) => partId === id),
    taken,
    others: [...others],
    forOpenings: [...forOpenings],
    open: openOf(openings),
    assumed: openings.filter(({ record }) => isAssumed(record)).map(({ record }) => placeLabel(record)),
  };
}
