/**
 * What a new tweeter sits in, what holds it there, and what of that can be undone. Seats and fixings are the trade's common practice, no source; that
 * hook-and-loop and tape soften in the heat of a car is too.
 */
import { z } from 'zod';

type Lasting = {
  readonly label: string;
  /** What becomes of it when it is taken out again. */
  readonly undone: string;
  /** It stays for good. */
  readonly isForGood: boolean;
};
type Hold = Lasting & {
  /** In the heat of a car it gives way. */
  readonly softens: boolean;
  /** What has to be had for it; null where nothing has. */
  readonly need: string | null;
};

export const TWEETER_SEATS = {
  factoryHousing: {
    label: 'The factory tweeter’s housing',
    undone: 'The housing stays as it is.',
    isForGood: false,
  },
  sailPanel: {
    label: 'A sail panel of its own',
    undone: 'The car’s own panel is kept, and goes back.',
    isForGood: false,
  },
  surface: {
    label: 'On the surface of a trim',
    undone: 'The way of its wire stays as a hole behind it.',
    isForGood: true,
  },
  flushHole: {
    label: 'A new hole, flush with the trim',
    undone: 'The hole stays for good.',
    isForGood: true,
  },
} as const satisfies Readonly<Record<string, Lasting>>;
export type TweeterSeatKind = keyof typeof TWEETER_SEATS;
export const TWEETER_SEAT_KINDS = Object.keys(TWEETER_SEATS) as [TweeterSeatKind, ...TweeterSeatKind[]];

const CAREFULLY = { isForGood: false, softens: false } as const;
export const TWEETER_HOLDS = {
  clips: { label: 'Clips or a press fit', undone: 'It unclips.', ...CAREFULLY, need: null },
  bracket: { label: 'A bracket', undone: 'It unscrews.', ...CAREFULLY, need: 'Bracket for a tweeter' },
  cup: { label: 'A cup with its ring', undone: 'It unscrews.', ...CAREFULLY, need: 'Cup for a tweeter, with its ring' },
  screws: { label: 'Screws', undone: 'Their holes stay.', isForGood: true, softens: false, need: null },
  foamRing: {
    ...{ label: 'A foam ring that it is pressed into', undone: 'It pulls out, and the foam with it.', ...CAREFULLY },
    need: 'Foam ring for a tweeter',
  },
  tape: {
    ...{ label: 'Adhesive tape', undone: 'It peels off, and takes soft paint or grain with it.', isForGood: false },
    ...{ softens: true, need: 'Adhesive tape for trims' },
  },
  hookAndLoop: {
    ...{ label: 'Hook-and-loop', undone: 'It pulls off; its glue has to be cleaned away.', isForGood: false },
    ...{ softens: true, need: 'Hook-and-loop with adhesive backs' },
  },
  glue: {
    ...{ label: 'Glue', undone: 'It breaks out of its seat.', isForGood: true, softens: false },
    need: 'Glue for trims',
  },
  weld: {
    ...{ label: 'A plastic weld', undone: 'It breaks out of its seat.', isForGood: true, softens: false },
    need: null,
  },
} as const satisfies Readonly<Record<string, Hold>>;
export type TweeterHold = keyof typeof TWEETER_HOLDS;
export const TWEETER_HOLD_KINDS = Object.keys(TWEETER_HOLDS) as [TweeterHold, ...TweeterHold[]];

export const tweeterSeatSchema = z.strictObject({
  seat: z.enum(TWEETER_SEAT_KINDS),
  heldBy: z.enum(TWEETER_HOLD_KINDS),
  /** From its front to the cloth or grille before it, tried in place, mm; null where nobody tried. */
  clothGapMm: z
    .number('Type a length such as 3 mm.')
    .min(0, 'Type 0 mm or more.')
    .max(100, 'Type at most 100 mm.')
    .nullable(),
  /** When it is looked at again, and by whom, where what holds it may give way; empty where nobody wrote it down. */
  lookAgain: z.string().trim().max(80, 'Type at most 80 characters.'),
});
export type TweeterSeat = z.infer<typeof tweeterSeatSchema>;

/** "The factory tweeter’s housing, held by hook-and-loop, looked at again in a month"; "not decided". */
export function tweeterSeatWords(seat: TweeterSeat | null): string {
  if (seat === null) return 'not decided';
  const { label } = TWEETER_SEATS[seat.seat];
  const hold = TWEETER_HOLDS[seat.heldBy].label;
  return [
    label,
    `held by ${hold.charAt(0).toLowerCase()}${hold.slice(1)}`,
    ...(seat.clothGapMm === null ? [] : [`${seat.clothGapMm} mm to what is before it`]),
    ...(seat.lookAgain === '' ? [] : [`looked at again ${seat.lookAgain}`]),
  ].join(', ');
}

/** What of seat and hold stays for good, and what becomes of the rest when it is taken out again. */
export function undoneWords({ seat, heldBy }: Pick<TweeterSeat, 'seat' | 'heldBy'>): string {
  return `${TWEETER_HOLDS[heldBy].undone} ${TWEETER_SEATS[seat].undone}`;
}
