/** Looks for the few speakers that serve the most openings, without a database. */
import { isWhole, partName, partSays, toFitCatalogue } from '@low-quarry/core/catalogue';
import { MOST_KEPT, type SERVED_BY, type ServesMost } from '@low-quarry/core/contracts/servesMost';
import { chooseServing, type Serves, servesOf } from '@low-quarry/core/fit';
import { readingHalfWidthsMm, type ShopSettings, toFitOpening, toFitRules } from '@low-quarry/core/model';
import { readStored } from '@low-quarry/core/records';
import type { Say } from '../../tasks/Say';
import { readKept } from '../library/readRecords';

export type ServingTask = {
  readonly by: (typeof SERVED_BY)[number];
  readonly shop: ShopSettings;
  /** Speakers and whatever a stack is made of, each as the JSON that is kept. */
  readonly kept: readonly string[];
  readonly openings: readonly string[];
};

export function servingOf({ by, shop, kept, openings }: ServingTask, say: Say): Omit<ServesMost, 'older'> {
  say('Reading the library', 0);
  const parts = readKept(kept);
  const speakers = parts.filter((part) => part.kind === 'speaker');
  const toBeHad = speakers.filter(({ isDiscontinued, offers }) => !isDiscontinued && offers.length > 0);
  const judged = toBeHad.filter(isWhole);
  const records = openings.flatMap((text) => {
    const read = readStored('opening', JSON.parse(text));
    return read.ok ? [read.value] : [];
  });
  const halfWidths = readingHalfWidthsMm(shop);
  const all = servesOf(
    toFitCatalogue([...judged, ...parts.filter((part) => part.kind !== 'speaker')]),
    records.map((record) => toFitOpening(record, halfWidths, (id) => id)),
    toFitRules(shop),
    (done) => say('Judging', 0.1 + (0.9 * done) / records.length),
  );
  const servedBy = ({ clears, measure }: Serves) => (by === 'clears' ? clears : [...clears, ...measure]);
  const served = all.map(servedBy);
  const byId = new Map(judged.map((speaker) => [speaker.id, speaker]));
  const chosen = chooseServing(served, MOST_KEPT).flatMap(({ at, adds }) => {
    const serves = all[at];
    const speaker = serves && byId.get(serves.speakerId);
    if (!speaker) return [];
    const { clears, measure } = serves;
    const counts = { clears: clears.length, measure: measure.length, adds };
    return [{ id: speaker.id, label: partName(speaker), says: partSays(speaker), ...counts }];
  });
  return {
    chosen,
    openings: records.length,
    served: new Set(served.flat()).size,
    speakers: judged.length,
    lacking: toBeHad.length - judged.length,
    notToBeHad: speakers.length - toBeHad.length,
    unreadable: openings.length - records.length + kept.length - parts.length,
  };
}
