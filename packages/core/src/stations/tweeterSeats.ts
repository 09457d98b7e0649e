/** Whether it is settled what each new tweeter sits in and what holds it, with what stays of it for good. */
import {
  type JobFacts,
  type OpeningRecord,
  placeLabel,
  readingHalfWidthsMm,
  type ShopSettings,
  TWEETER_HOLDS,
  TWEETER_SEATS,
  type TweeterSeat,
  tweeterSeatWords,
  undoneWords,
} from '../model';
import { type ConsentKind, missingConsents, type NeededConsent } from '../order';
import { coverageFactor, intervalVerdict } from '../uncertainty';
import type { PlayingOpening } from './channelSheets';
import type { OpenPoint } from './point';

export type SeatOpening = {
  readonly id: string;
  readonly record: Pick<OpeningRecord, 'place' | 'side' | 'name' | 'tweeterSeat'>;
  readonly state: PlayingOpening['state'];
};
export type SeatShop = Pick<ShopSettings, 'confidence' | 'clearancesMm' | 'halfWidthsMm' | 'resolutionsMm'>;

export type SeatCheck = {
  readonly openingId: string;
  /** Such as "Sail panel, left". */
  readonly what: string;
  readonly verdict: 'clears' | 'measure' | 'hits' | 'hold';
  /** What is left between its front and the cloth before it, beyond what the shop asks, mm; null where nobody tried. */
  readonly margin: { readonly mm: number; readonly expandedMm: number } | null;
  readonly sentence: string;
  /** The one thing that settles it; null where nothing is open. */
  readonly settledBy: string | null;
};

/** @returns one for each opening that a tweeter is chosen for */
export function seatChecks(
  openings: readonly SeatOpening[],
  consents: JobFacts['consents'],
  shop: SeatShop,
): readonly SeatCheck[] {
  return openings
    .filter(({ state }) => state.kind === 'chosen' && state.plays?.speakerKind === 'tweeter')
    .map(({ id, record }) => ({
      ...{ openingId: id, what: placeLabel(record) },
      ...checkOf(record.tweeterSeat, consents, shop),
    }));
}

type Answer = Omit<SeatCheck, 'openingId' | 'what'>;

function checkOf(seat: TweeterSeat | null, consents: JobFacts['consents'], shop: SeatShop): Answer {
  if (seat === null)
    return {
      ...{ verdict: 'measure', margin: null },
      sentence: 'Nobody decided what it sits in, and what holds it there.',
      settledBy: 'Hold it to the housing of the old one: where that does not take it, it needs a seat of its own.',
    };
  const margin = marginOf(seat, shop);
  const said = `${tweeterSeatWords(seat)}. ${undoneWords(seat)}`;
  const missing = missingConsents(neededFor(seat), consents);
  if (missing.length > 0)
    return {
      ...{ verdict: 'hold', margin, sentence: said },
      settledBy: 'Get the written consent to drill: what is cut stays cut.',
    };
  if (margin) {
    const verdict = intervalVerdict(margin.mm, margin.expandedMm);
    if (verdict === 'hits')
      return {
        ...{ verdict, margin, sentence: `${said} Its front comes too near to what is before it.` },
        settledBy: 'Seat it deeper, or take one that stands out less.',
      };
    if (verdict === 'measure')
      return {
        ...{ verdict, margin, sentence: `${said} Whether its front stays clear of what is before it is not sure.` },
        settledBy: 'Try it in place once more, with modelling clay between the two.',
      };
  } else if (seat.seat === 'factoryHousing')
    return {
      ...{ verdict: 'measure', margin, sentence: `${said} Nobody tried how near its front comes to the cloth.` },
      settledBy: 'Press a little modelling clay between its front and the cloth, and measure that.',
    };
  if (TWEETER_HOLDS[seat.heldBy].softens && seat.lookAgain === '')
    return {
      ...{ verdict: 'measure', margin, sentence: `${said} In the heat of a car it softens.` },
      settledBy: 'Write down when it is looked at again, and tell the owner at the hand-over; or hold it otherwise.',
    };
  // Seats but the factory's have no cloth before them as a rule (common practice, no source).
  const before = margin ? '' : ' What may be before its front nobody tried: at such a seat there is mostly nothing.';
  return { verdict: 'clears', margin, sentence: `${said}${before}`, settledBy: null };
}

/** Clay between the two, measured with a calliper: a rectangular doubt. */
function marginOf({ clothGapMm }: TweeterSeat, shop: SeatShop): SeatCheck['margin'] {
  if (clothGapMm === null) return null;
  const halfMm = readingHalfWidthsMm(shop).calliper;
  const factor = coverageFactor(shop.confidence, null, ALL_RECTANGULAR);
  return { mm: clothGapMm - shop.clearancesMm.front, expandedMm: (factor * halfMm) / Math.sqrt(3) };
}
const ALL_RECTANGULAR = 1;

function neededFor({ seat, heldBy }: TweeterSeat): readonly NeededConsent[] {
  const drills = TWEETER_SEATS[seat].isForGood || heldBy === 'screws';
  return drills ? [['drill'] satisfies readonly ConsentKind[]] : [];
}

export function seatPoints(
  openings: readonly SeatOpening[],
  consents: JobFacts['consents'],
  shop: SeatShop,
): readonly OpenPoint[] {
  return seatChecks(openings, consents, shop)
    .filter(({ verdict }) => verdict !== 'clears')
    .map(({ openingId, what, verdict, sentence, settledBy }) => ({
      ...{ id: `seat ${openingId}`, station: 'wire', askedAt: null },
      words: `${what}: ${sentence}`,
      stake: `${settledBy ?? ''} A tweeter without a seat is found out on the day.`.trim(),
      settledAt: verdict === 'hold' ? { kind: 'bookIn', field: 'consents' } : { kind: 'wires' },
      isHeld: verdict === 'hold' || verdict === 'hits',
    }));
}
