/** Screws that no bag of the parts' boxes is known to serve for: which length is needed stands in the check, and they are bought by it. */
import type { OpenCheck } from '../order';
import type { OpeningRecord } from './opening';
import { placeLabel } from './place';
import type { SmallNeed } from './smallNeeds';

type ScrewedOpening = {
  readonly record: Pick<OpeningRecord, 'place' | 'side' | 'name' | 'bolts'>;
  readonly open: readonly Pick<OpenCheck, 'check' | 'sentence' | 'answer'>[];
};

/**
 * @param openings of what is chosen, with what of it is open
 * @returns one for all openings of which the check says the same
 */
export function screwNeeds(openings: readonly ScrewedOpening[]): readonly SmallNeed[] {
  const open = openings.flatMap(({ record, open: checks }) =>
    checks
      .filter(({ check, answer }) => check === 'screws' && answer === null)
      .map(({ sentence }) => ({ record, sentence })),
  );
  return [...new Set(open.map(({ sentence }) => sentence))].map((sentence): SmallNeed => {
    const own = open.filter((each) => each.sentence === sentence).map(({ record }) => record);
    return {
      what: `Screws, ${own.map((record) => placeLabel(record)).join('; ')}`,
      why: sentence,
      pieces: own.reduce((sum, { bolts }) => sum + screwsOf(bolts), 0),
      good: { kind: 'fastener', types: ['tappingScrew', 'machineScrew'] },
    };
  });
}

const OF_A_RECTANGLE = 4;

function screwsOf(bolts: OpeningRecord['bolts']): number {
  switch (bolts.kind) {
    case 'circle':
      return bolts.count;
    case 'free':
      return bolts.holes.length;
    case 'rectangle':
      return OF_A_RECTANGLE;
  }
}
