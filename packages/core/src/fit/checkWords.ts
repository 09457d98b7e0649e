/** The words of every check: its name, where its margin is, and what speakers fall out for. What stands behind the opening names the depth. */
import type { CheckId, Verdict } from './Check';
import type { FitOpening } from './shapes';

type CheckWords = {
  /** Its name. */
  readonly label: string;
  /** Where the deciding margin is, after "Clears by 3 mm …". */
  readonly place: string;
  /** What speakers fall out for, as the end of "23 …"; left out where it is the place. */
  readonly fallOut?: string;
  /** What differs where window glass is behind. */
  readonly atGlass?: Pick<CheckWords, 'label' | 'place'>;
};

const CHECK_WORDS: Readonly<Record<CheckId, CheckWords>> = {
  place: { label: 'Place', place: 'at what is at this place' },
  staysFree: { label: 'Stays free', place: 'at what must stay free' },
  figures: { label: 'Figures', place: 'for figures that contradict each other' },
  hole: { label: 'Hole', place: 'at the hole' },
  bolts: { label: 'Bolts', place: 'at the bolts' },
  screws: { label: 'Screws', place: 'at the screws' },
  depth: {
    label: 'Depth behind',
    place: 'at the metal behind',
    fallOut: 'at the depth behind',
    atGlass: { label: 'Glass', place: 'at the glass' },
  },
  front: { label: 'Front', place: 'at the front' },
  cover: { label: 'Cover', place: 'at the edge that covers the hole', fallOut: 'because they leave the hole open' },
  liesFlat: { label: 'Lies flat', place: 'at what stands proud around the hole' },
  obstacles: {
    label: 'Beam, rail, wiring',
    place: 'at the beam, rail or wiring',
    fallOut: 'at a beam, rail or wiring',
  },
  terminals: { label: 'Terminals', place: 'at the terminals' },
  wireWay: { label: 'Wire way', place: 'at the wire notch' },
  connector: { label: 'Connector', place: 'at the connector' },
  chime: { label: 'Chime', place: 'for the chime' },
  airbag: { label: 'Airbag', place: 'for an airbag' },
};

type Behind = FitOpening['behind'];

export function checkLabel(id: CheckId, behind: Behind): string {
  return wordsOf(id, behind).label;
}

/** Where the deciding margin is, after "Clears by 3 mm …". */
export function checkPlace(id: CheckId, behind: Behind): string {
  return wordsOf(id, behind).place;
}

/** What speakers fall out for, as the end of "23 …". */
export function fallOutWords(id: CheckId, behind: Behind): string {
  const { fallOut, place } = wordsOf(id, behind);
  return fallOut ?? place;
}

function wordsOf(id: CheckId, behind: Behind): Pick<CheckWords, 'label' | 'place' | 'fallOut'> {
  const words = CHECK_WORDS[id];
  return (behind === 'glass' && words.atGlass) || words;
}

/** What is said of a candidate as a whole, and of each of its checks. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  clears: 'Clears',
  measure: 'Measure first',
  hits: 'Hits',
  hold: 'Hold',
};
