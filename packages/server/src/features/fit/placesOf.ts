/** Judges one speaker in every opening that is given, without a database. */
import { isWhole, lacksOf, toFitCatalogue } from '@low-quarry/core/catalogue';
import { MOST_PLACES_TOLD, type PlacesOfPart } from '@low-quarry/core/contracts/whereItFits';
import { type RankedStack, ringThicknessMm, VERDICTS_BY_RANK, whereItFits } from '@low-quarry/core/fit';
import {
  behindFace,
  type OpeningRecord,
  placeLabel,
  readingHalfWidthsMm,
  type ShopSettings,
  toFitOpening,
  toFitRules,
  vehicleLabel,
} from '@low-quarry/core/model';
import { readStored } from '@low-quarry/core/records';
import type { Say } from '../../tasks/Say';
import { readKept } from '../library/readRecords';

export type PlacesTask = {
  readonly speakerId: string;
  readonly shop: ShopSettings;
  /** The speaker and whatever a stack is made of, each as the JSON that is kept. */
  readonly kept: readonly string[];
  readonly vehicles: readonly string[];
  /** Openings of open jobs, with the car that each is in. */
  readonly openings: readonly {
    readonly jobId: string;
    readonly registration: string;
    readonly vehicleId: string;
    readonly kept: string;
  }[];
};
type Place = PlacesOfPart['places'][number];
type Asked = Pick<Place, 'of' | 'id' | 'car'> & { readonly record: OpeningRecord };

export function placesOf({ speakerId, shop, kept, vehicles, openings }: PlacesTask, say: Say): PlacesOfPart {
  say('Reading the library', 0);
  const parts = readKept(kept);
  const speaker = parts.find(({ id }) => id === speakerId);
  if (speaker?.kind !== 'speaker' || !isWhole(speaker))
    return {
      lacks: speaker?.kind === 'speaker' ? [...lacksOf(speaker)] : ['the part'],
      places: [],
      counts: NONE,
      unreadable: 0,
    };
  const { asked, unreadable } = readAsked(vehicles, openings);
  say('Judging', 0.4);
  const catalogue = toFitCatalogue(parts);
  const [shape] = toFitCatalogue([speaker]).speakers;
  if (!shape) throw new Error('placesOf: expected a whole speaker to have a shape');
  const halfWidths = readingHalfWidthsMm(shop);
  const judged = whereItFits(
    shape,
    asked.map(({ record }) => toFitOpening(record, halfWidths, (id) => id)),
    catalogue,
    toFitRules(shop),
  );
  const names = new Map([...catalogue.brackets, ...catalogue.spacers].map(({ id, name }) => [id, name]));
  const places = judged.flatMap((best, at) =>
    best && best.verdict !== 'hits' ? [toPlace(asked[at] as Asked, best, best.verdict, names)] : [],
  );
  const count = (verdict: Place['verdict']) => places.filter((place) => place.verdict === verdict).length;
  return {
    lacks: [],
    places: places.sort(bySureness).slice(0, MOST_PLACES_TOLD),
    counts: {
      clears: count('clears'),
      measure: count('measure'),
      hold: count('hold'),
      hits: asked.length - places.length,
    },
    unreadable,
  };
}

const NONE = { clears: 0, measure: 0, hold: 0, hits: 0 };

function readAsked(vehicles: PlacesTask['vehicles'], openings: PlacesTask['openings']) {
  const asked: Asked[] = [];
  const cars = new Map<string, string>();
  let unreadable = 0;
  for (const text of vehicles) {
    const read = readStored('vehicle', JSON.parse(text));
    if (!read.ok) {
      unreadable++;
      continue;
    }
    const car = vehicleLabel(read.value);
    cars.set(read.value.id, car);
    for (const record of read.value.openings) asked.push({ of: 'variant', id: read.value.id, car, record });
  }
  for (const { jobId, registration, vehicleId, kept } of openings) {
    const read = readStored('opening', JSON.parse(kept));
    if (read.ok)
      asked.push({
        of: 'job',
        id: jobId,
        car: `${registration}, ${cars.get(vehicleId) ?? 'a vehicle that cannot be read'}`,
        record: read.value,
      });
    else unreadable++;
  }
  return { asked, unreadable };
}

function toPlace(
  { of, id, car, record }: Asked,
  { decidedBy, marginMm, layerIds }: RankedStack,
  verdict: Place['verdict'],
  names: ReadonlyMap<string, string>,
): Place {
  const stack = layerIds.map((layerId) => {
    const ringMm = ringThicknessMm(layerId);
    return names.get(layerId) ?? (ringMm === null ? layerId : `ring cut from ${ringMm} mm sheet`);
  });
  return { of, id, car, opening: placeLabel(record), behind: behindFace(record), verdict, decidedBy, marginMm, stack };
}

/** Clears first, of those the widest; open jobs before the library. */
function bySureness(a: Place, b: Place): number {
  const rank = ({ verdict }: Place) => VERDICTS_BY_RANK.indexOf(verdict);
  return rank(a) - rank(b) || (a.of === b.of ? 0 : a.of === 'job' ? -1 : 1) || (b.marginMm ?? 0) - (a.marginMm ?? 0);
}
