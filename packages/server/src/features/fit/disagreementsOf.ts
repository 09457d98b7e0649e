/** Holds what is claimed of speakers, and what was measured of them, against geometry and catalogue; without a database. */
import {
  COST_UNKNOWN,
  claimFinding,
  differencesOf,
  FIGURE_WORDS,
  figuresOf,
  inHandDimension,
  isClaimAbout,
  isWhole,
  lacksOf,
  type PartRecord,
  partName,
  pieceCostMinor,
  type SpeakerRecord,
  shownReachMm,
  toFitCatalogue,
} from '@low-quarry/core/catalogue';
import { type Disagreements, MOST_DISAGREEMENTS } from '@low-quarry/core/contracts/disagreements';
import { VERDICTS_BY_RANK, whereItFits } from '@low-quarry/core/fit';
import {
  type OpeningRecord,
  placeLabel,
  readingHalfWidthsMm,
  type ShopSettings,
  toFitOpening,
  toFitRules,
  type VehicleRecord,
  vehicleLabel,
} from '@low-quarry/core/model';
import { readStored } from '@low-quarry/core/records';
import type { Say } from '../../tasks/Say';
import { readKept } from '../library/readRecords';

export type DisagreementsTask = {
  readonly shop: ShopSettings;
  /** Speakers of which something is claimed or measured, and whatever a stack is made of, each as the JSON that is kept. */
  readonly kept: readonly string[];
  /** Vehicles that claims name. */
  readonly vehicles: readonly string[];
};
type Claimed = Disagreements['claimed'][number];
type Read = Disagreements['read'][number];

export function disagreementsOf({ shop, kept, vehicles: keptVehicles }: DisagreementsTask, say: Say): Disagreements {
  say('Reading the library', 0);
  const parts = readKept(kept);
  const speakers = parts.filter((part) => part.kind === 'speaker');
  const vehicles = new Map<string, VehicleRecord>();
  let unreadable = kept.length - parts.length;
  for (const text of keptVehicles) {
    const read = readStored('vehicle', JSON.parse(text));
    if (read.ok) vehicles.set(read.value.id, read.value);
    else unreadable++;
  }
  const judge = judging(parts, shop);
  const claimed = speakers.flatMap((speaker, at) => {
    say('Judging', at / speakers.length);
    return claimedOf(speaker, vehicles, judge);
  });
  const read = speakers.flatMap(readOf);
  const count = (finding: Claimed['finding']) => claimed.filter((each) => each.finding === finding).length;
  const told = [
    ...claimed.filter(({ finding }) => finding === 'against').sort(dearestFirst),
    ...claimed.filter(({ finding }) => finding === 'open').sort(dearestFirst),
  ];
  return {
    claimed: told.slice(0, MOST_DISAGREEMENTS),
    read: read.sort(dearestFirst).slice(0, MOST_DISAGREEMENTS),
    counts: { against: count('against'), open: count('open'), agrees: count('agrees'), figures: read.length },
    unreadable,
  };
}

/** What nobody knows the price of comes last. */
function dearestFirst(a: Pick<Claimed, 'costMinor' | 'part'>, b: Pick<Claimed, 'costMinor' | 'part'>): number {
  return (b.costMinor ?? -1) - (a.costMinor ?? -1) || (a.part < b.part ? -1 : 1);
}

type Judged = { readonly verdict: NonNullable<Claimed['verdict']>; readonly decidedBy: Claimed['decidedBy'] };
type JudgeIn = (speaker: SpeakerRecord, openings: readonly OpeningRecord[]) => readonly Judged[];

function judging(parts: readonly PartRecord[], shop: ShopSettings): JudgeIn {
  const catalogue = toFitCatalogue(parts.filter(({ kind }) => kind !== 'speaker'));
  const [halfWidths, rules] = [readingHalfWidthsMm(shop), toFitRules(shop)];
  return (speaker, openings) => {
    const [shape] = toFitCatalogue([speaker]).speakers;
    if (!shape) throw new Error('disagreementsOf: expected a whole speaker to have a shape');
    const fits = openings.map((opening) => toFitOpening(opening, halfWidths, (id) => id));
    return whereItFits(shape, fits, catalogue, rules).map((best) =>
      best ? { verdict: best.verdict, decidedBy: best.decidedBy } : { verdict: 'hits', decidedBy: null },
    );
  };
}

/** Each claim at each opening that it is about; one that names no place at the opening where the speaker does best. */
function claimedOf(
  speaker: SpeakerRecord,
  vehicles: ReadonlyMap<string, VehicleRecord>,
  judge: JudgeIn,
): readonly Claimed[] {
  return speaker.claims.flatMap(({ vehicleId, place, says, by, on }): readonly Claimed[] => {
    const vehicle = vehicles.get(vehicleId);
    const claim = {
      ...{ ...partFacts(speaker), says, by, on, vehicleId, isAnywhere: place === null },
      car: vehicle ? vehicleLabel(vehicle) : vehicleId,
    };
    const openings = (vehicle?.openings ?? []).filter((opening) =>
      isClaimAbout({ vehicleId, place }, { vehicleId, place: opening.place }),
    );
    const lacks = lackOf(speaker, vehicle, openings);
    if (lacks !== null)
      return [{ ...claim, opening: null, behind: null, finding: 'open', verdict: null, decidedBy: null, lacks }];
    const judged = judge(speaker, openings).map(
      ({ verdict, decidedBy }, at): Claimed => ({
        ...claim,
        ...{ opening: placeLabel(openings[at] as OpeningRecord), behind: openings[at]?.behind ?? null },
        ...{ finding: claimFinding(says, verdict), verdict, decidedBy, lacks: null },
      }),
    );
    return place === null ? judged.toSorted(bestFirst).slice(0, 1) : judged;
  });
}

function bestFirst(a: Claimed, b: Claimed): number {
  const rank = ({ verdict }: Claimed) =>
    verdict === null ? Number.POSITIVE_INFINITY : VERDICTS_BY_RANK.indexOf(verdict);
  return rank(a) - rank(b);
}

/** Why nothing can be judged, and what would do; null where it can. */
function lackOf(
  speaker: SpeakerRecord,
  vehicle: VehicleRecord | undefined,
  openings: readonly OpeningRecord[],
): string | null {
  if (!isWhole(speaker)) return `nobody wrote down of the speaker: ${lacksOf(speaker).join(', ')}`;
  if (!vehicle) return 'the library does not have this vehicle: book one in, or add it';
  if (openings.length === 0) return 'nobody has an opening there: measure one';
  return null;
}

function partFacts(speaker: SpeakerRecord): Pick<Claimed, 'partId' | 'part' | 'costMinor'> {
  const cost = pieceCostMinor(speaker.offers);
  return { partId: speaker.id, part: partName(speaker), costMinor: cost === COST_UNKNOWN ? null : cost };
}

/** Figures of which reading and rounding do not explain by how much they are off. */
function readOf(speaker: SpeakerRecord): readonly Read[] {
  const listed = figuresOf(speaker);
  const off = differencesOf(speaker);
  return speaker.inHand.flatMap((each): readonly Read[] => {
    const [said, difference] = [listed[each.figure], off[each.figure]];
    if (said === undefined || difference === undefined) return [];
    const measured = inHandDimension(each, speaker.roundingMm);
    const withinMm = shownReachMm(measured) + speaker.roundingMm;
    if (Math.abs(difference) <= withinMm) return [];
    const { label } = FIGURE_WORDS[each.figure];
    return [{ ...partFacts(speaker), figure: label, listedMm: said, measuredMm: measured.valueMm, withinMm }];
  });
}
