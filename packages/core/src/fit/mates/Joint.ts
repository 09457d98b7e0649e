/**
 * One joint of a stack: screws on one side, holes on the other, and every turn at which the screws land.
 */
import {
  type BoltPattern,
  enoughScrews,
  type HoleMm,
  type Landing,
  landingStretches,
  patternDimensions,
  patternHoles,
  type Stretch,
  type Turn,
  turnAt,
} from '../../geometry';
import { LIMIT_STEPS, STEP_MM } from '../../math';
import type { Dimension, Expansion } from '../../uncertainty';
import { Variance } from '../../uncertainty';

/** A turn at which the joint can be screwed together, and what is left there. */
export type JointTurn = {
  readonly turn: Turn;
  /** Play less the misalignment of the last screw that is needed, mm. */
  readonly marginMm: number;
  readonly expandedMm: number;
  /** Change of the margin for each millimetre of the screws' lengths and then of the holes'. */
  readonly sensitivities: readonly number[];
};

/** Turns side by side at which the same screws land. */
type JointStretch = {
  readonly best: JointTurn;
  /** From and to where the margin is as sure as the shop asks; both the best one's where it never is. */
  readonly fromRad: number;
  readonly toRad: number;
};

/** How many lengths a pattern has at the most. */
export const PATTERN_LENGTHS = 2;

const variance = new Variance();

export class Joint {
  readonly screws: readonly HoleMm[];
  readonly holes: readonly HoleMm[];
  /** How far a screw may sit off the middle: half of what the hole is wider than the screw, mm. */
  readonly playMm: number;
  /** How many screws are enough; the misalignment of the last of them decides. */
  readonly enough: number;
  /** Best first; never empty. */
  readonly turns: readonly JointTurn[];
  private readonly stretches: readonly JointStretch[];
  private readonly landing: Landing;
  private moves: readonly (readonly HoleMm[])[] | null = null;
  private readonly found = new Map<string, readonly JointTurn[]>();
  /** Of the screws' lengths and then of the holes'; null where a pattern has but one. */
  private readonly lengths: readonly (Dimension | null)[];

  /**
   * @param screwSide the pattern whose `holeDiameterMm` is the screw's diameter
   * @param holeSide the pattern that is turned
   */
  constructor(
    readonly screwSide: BoltPattern,
    readonly holeSide: BoltPattern,
    private readonly expansion: Expansion,
  ) {
    this.screws = patternHoles(screwSide);
    this.holes = patternHoles(holeSide);
    this.playMm = Math.max(0, (holeSide.holeDiameterMm - screwSide.holeDiameterMm) / 2);
    this.enough = enoughScrews(this.screws.length);
    this.landing = { screws: this.screws, holes: this.holes, playMm: this.playMm, enough: this.enough };
    this.lengths = [...lengthsOf(screwSide), ...lengthsOf(holeSide)];
    this.stretches = landingStretches(this.landing).map((stretch) => this.toStretch(stretch));
    this.turns = this.stretches.map(({ best }) => best);
  }

  /**
   * The turns worth trying where something depends on the turn: of each stretch the best one, both ends at which it still
   * clears, and those that come nearest to where it is wanted.
   *
   * @param wantedRad turns that would be liked, such as those at which a wire notch can be reached
   */
  turnsAround(wantedRad: readonly number[]): readonly JointTurn[] {
    return this.kept(`around ${wantedRad.join()}`, () =>
      this.find((fromRad, toRad) => [
        fromRad,
        toRad,
        ...wantedRad.map((wanted) => nearestWithin(wanted, fromRad, toRad)),
      ]),
    );
  }

  /** Of each stretch the best turn, and those that come nearest to what is wanted: where that is all that depends on the turn. */
  turnsTowards(wantedRad: readonly number[]): readonly JointTurn[] {
    return this.kept(`towards ${wantedRad.join()}`, () =>
      this.find((fromRad, toRad) => wantedRad.map((wanted) => nearestWithin(wanted, fromRad, toRad))),
    );
  }

  private kept(key: string, find: () => readonly JointTurn[]): readonly JointTurn[] {
    let turns = this.found.get(key);
    if (!turns) {
      turns = find();
      this.found.set(key, turns);
    }
    return turns;
  }

  private find(othersIn: (fromRad: number, toRad: number) => readonly number[]): readonly JointTurn[] {
    return this.stretches.flatMap(({ best, fromRad, toRad }) => {
      const others = othersIn(fromRad, toRad);
      const apart = others.filter(
        (angle, at) =>
          Math.abs(angle - best.turn.angleRad) > LEAST_APART_RAD &&
          others.findIndex((each) => Math.abs(each - angle) <= LEAST_APART_RAD) === at,
      );
      return [best, ...apart.map((angle) => this.at(turnAt(this.landing, angle)))];
    });
  }

  /** Where each screw goes for a millimetre of each of its pattern's lengths. */
  get screwMoves(): readonly (readonly HoleMm[])[] {
    this.moves ??= patternDimensions(this.screwSide.shape).map((_, index, all) => {
      const lengths = all.map(({ dimension }, each) => dimension.valueMm + (each === index ? STEP_MM : 0));
      return patternHoles(this.screwSide, lengths).map((hole, at) => {
        const { xMm, yMm } = this.screws[at] as HoleMm;
        return { ...hole, xMm: (hole.xMm - xMm) / STEP_MM, yMm: (hole.yMm - yMm) / STEP_MM };
      });
    });
    return this.moves;
  }

  private toStretch({ fromRad, toRad, best }: Stretch): JointStretch {
    const turn = this.at(best);
    // The best turn lies in the stretch, whichever whole turn the stretch was counted from.
    const middle = fromRad + ((((best.angleRad - fromRad) % FULL_TURN) + FULL_TURN) % FULL_TURN);
    const isInside = middle <= toRad + LEAST_APART_RAD;
    const at = isInside ? middle : fromRad;
    return { best: turn, fromRad: this.limit(at, fromRad), toRad: this.limit(at, toRad) };
  }

  /** The last turn from one that clears towards another at which the margin is as sure as it has to be. */
  private limit(fromRad: number, toRad: number): number {
    const clears = (angle: number) => {
      const { marginMm, expandedMm } = this.at(turnAt(this.landing, angle));
      return marginMm >= expandedMm;
    };
    if (!clears(fromRad)) return fromRad;
    if (clears(toRad)) return toRad;
    let [good, bad] = [fromRad, toRad];
    for (let step = 0; step < LIMIT_STEPS; step++) {
      const middle = (good + bad) / 2;
      if (clears(middle)) good = middle;
      else bad = middle;
    }
    return good;
  }

  private at(turn: Turn): JointTurn {
    const sensitivities = [
      ...this.slopes(this.screwSide, (moved) => ({ ...this.landing, screws: moved }), turn),
      ...this.slopes(this.holeSide, (moved) => ({ ...this.landing, holes: moved }), turn),
    ];
    variance.clear();
    sensitivities.forEach((each, at) => {
      const length = this.lengths[at];
      if (!length) return;
      const { shared = [], degreesOfFreedom, isRectangular = false } = length;
      variance.add((each * length.uncertaintyMm) ** 2, degreesOfFreedom ?? Number.POSITIVE_INFINITY, isRectangular);
      for (const error of shared)
        variance.add((each * error.by * error.uncertaintyMm) ** 2, Number.POSITIVE_INFINITY, true);
    });
    return {
      turn,
      marginMm: this.playMm - turn.decidingMm,
      expandedMm: this.expansion.expand(variance),
      sensitivities,
    };
  }

  /**
   * Sensitivities by one-sided differences at the turn. A misalignment is a distance and has a kink at zero, where a
   * central difference would claim that nothing depends on anything: the steeper side is taken.
   */
  private slopes(
    pattern: BoltPattern,
    moved: (holes: readonly HoleMm[]) => Landing,
    { angleRad, decidingMm }: Turn,
  ): readonly number[] {
    const values = patternDimensions(pattern.shape).map(({ dimension }) => dimension.valueMm);
    const slopes = values.map((_, index) => {
      const at = (step: number) => {
        const lengths = values.map((value, each) => (each === index ? value + step : value));
        return turnAt(moved(patternHoles(pattern, lengths)), angleRad).decidingMm;
      };
      const up = (at(STEP_MM) - decidingMm) / STEP_MM;
      const down = (decidingMm - at(-STEP_MM)) / STEP_MM;
      return -(Math.abs(up) >= Math.abs(down) ? up : down);
    });
    while (slopes.length < PATTERN_LENGTHS) slopes.push(0);
    return slopes;
  }
}

const FULL_TURN = 2 * Math.PI;
/** Turns nearer to each other than half a degree are one to a hand. */
const LEAST_APART_RAD = Math.PI / 360;

function lengthsOf({ shape }: BoltPattern): readonly (Dimension | null)[] {
  const lengths: (Dimension | null)[] = patternDimensions(shape).map(({ dimension }) => dimension);
  while (lengths.length < PATTERN_LENGTHS) lengths.push(null);
  return lengths;
}

/** Of the turns in a stretch the one that is nearest to a direction. */
function nearestWithin(wantedRad: number, fromRad: number, toRad: number): number {
  const after = fromRad + ((((wantedRad - fromRad) % FULL_TURN) + FULL_TURN) % FULL_TURN);
  if (after <= toRad) return after;
  return after - toRad <= fromRad + FULL_TURN - after ? toRad : fromRad;
}
