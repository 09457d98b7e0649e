/** What is built to carry a speaker: its boards and its wall at the bench, then on to the panel, whose holes are drilled from behind. */
import { FREE_KINDS, HOUSING_LABELS, type Housing, STAYS_FREE } from '../housing';
import type { OpeningRecord } from '../model';
import { type LengthUnit, printLength } from '../units';
import { DRY_MIN, MINUTES } from './minutes';
import { type PlanStep, stepOf } from './PlanStep';
import { RING_TOOLS } from './tools';

type Ids = (what: string) => string;
type Built = Pick<OpeningRecord, 'housing' | 'presence'>;

/** @returns nothing where nothing is built */
export function housingBench(id: Ids, where: string, { housing }: Built, unit: LengthUnit): readonly PlanStep[] {
  if (!housing) return [];
  const word = HOUSING_LABELS[housing.as].toLowerCase();
  const from = `Built here: ${word}`;
  const boards = stepOf({
    ...{ id: id('built boards'), where, from, minutes: 2 * MINUTES.ring, tools: RING_TOOLS },
    what: `At the bench: base and face of the ${word} cut to their templates for this side from board of ${printLength(housing.boardMm, unit)}, the hole and the pilots in the face.`,
    says: `${word} boards ${housing.boardMm} ${housing.faceMm} ${housing.holeMm}`,
    cautions: ['Eyes, lungs and hands: the piece is clamped, the dust drawn off.'],
  });
  const wall = stepOf({
    ...{
      id: id('built wall'),
      where,
      from,
      minutes: MINUTES[housing.as],
      tools: ['A spatula', 'Gloves', 'A dust mask'],
    },
    what: `At the bench: the face set over the base, ${printLength(housing.heightMm, unit)} high, turned by ${housing.angleDeg}°${towardsWords(housing)}; the wall built between and skinned, or all of it printed. Height and angle measured again before it sets.`,
    says: `${word} wall ${housing.heightMm} ${housing.angleDeg} ${housing.aimDeg}`,
    cautions: ['Resin and filler: gloves, fresh air, and the tin’s own word on time and heat.'],
    dryMin: DRY_MIN,
    after: [boards.id],
  });
  return [boards, wall];
}

function towardsWords({ angleDeg, aimDeg }: Pick<Housing, 'angleDeg' | 'aimDeg'>): string {
  return angleDeg === 0 ? '' : ` towards ${aimDeg}° (0 to the right, 90 upwards)`;
}

export function housingOn(
  id: Ids,
  where: string,
  { housing, presence }: Built,
  after: readonly string[],
): readonly PlanStep[] {
  if (!housing) return [];
  const word = HOUSING_LABELS[housing.as].toLowerCase();
  const unlooked = FREE_KINDS.filter((kind) => housing.free[kind] === undefined);
  const isNewHole = presence === 'blank' && housing.back === 'open';
  return [
    stepOf({
      ...{ id: id('built on'), where, from: `Built here: ${word}`, minutes: MINUTES.builtOn, after },
      what: [
        `The ${word} on the panel: its base’s template laid on, this side’s, the arrow up; holes from the panel’s rear, the depth stop set.`,
        ...(isNewHole ? ['The panel cut to the base from inside with a nibbler, its edge painted.'] : []),
        ...(presence === 'blank' && !isNewHole ? ['The way of its wire drilled, with a grommet.'] : []),
        'Held dry first: door shut, seat moved, belt run out, crank turned; then screwed or glued.',
      ].join(' '),
      says: `${word} on, ${housing.back}`,
      open:
        unlooked.length === 0
          ? null
          : `Look first where these are: ${unlooked.map((kind) => STAYS_FREE[kind].label.toLowerCase()).join('; ')}.`,
      tools: ['A drill with a depth stop', ...(isNewHole ? ['A nibbler', 'Paint for edges'] : []), 'Eye protection'],
      cautions: [
        'An airbag or its sensor behind the panel: nothing is cut, drilled or glued there; the vehicle maker’s manual says where.',
        ...(isNewHole ? ['Window up and held; filings are caught, and the bare edge is painted.'] : []),
        'A finished face: the drill stops before it comes through.',
      ],
      dryMin: isNewHole ? DRY_MIN : 0,
    }),
  ];
}
