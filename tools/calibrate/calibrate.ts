/**
 * How often the engine is right: simulates openings whose true shapes are known, family by family, measures them as a shop
 * would, and holds what the engine says against the truth. Seeded; the same seed gives the same figures. Last line JSON.
 */
import { nextMeasurements } from '@low-quarry/core/fit/advice/nextMeasurement';
import type { Check, CheckId } from '@low-quarry/core/fit/Check';
import type { Judgement } from '@low-quarry/core/fit/Judgement';
import type { FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { enoughScrews } from '@low-quarry/core/geometry/BoltPattern';
import { landingStretches } from '@low-quarry/core/geometry/landingTurns';
import { seededRandom } from '@low-quarry/core/math/seededRandom';
import { fromSide } from '@low-quarry/core/model/fromSide';
import { SETTINGS_DEFAULTS, toFitRules } from '@low-quarry/core/model/settings';
import { SOURCE_HALF_WIDTHS_MM } from '@low-quarry/core/model/source';
import { rimPlaceList } from '@low-quarry/core/model/toFitOpening';
import { anyPair } from '@low-quarry/core/testing/boltPatterns';
import { clopperPearson } from '@low-quarry/core/testing/clopperPearson';
import { settledByBelief } from '@low-quarry/core/testing/simulation/byBelief';
import { FAMILIES, type Family } from '@low-quarry/core/testing/simulation/families';
import { mirroredCandidate } from '@low-quarry/core/testing/simulation/mirroredCandidate';
import {
  judgeAsMounted,
  judgeSimulated,
  type SimulatedCar,
  simulateCar,
} from '@low-quarry/core/testing/simulation/simulateCar';
import { writtenOpening } from '@low-quarry/core/testing/simulation/written';
import { scanTurns } from '@low-quarry/core/testing/turnScan';
import type { Margin } from '@low-quarry/core/uncertainty/Margin';

const CARS = Number(process.argv[2] ?? 2000);
const SEED = Number(process.argv[3] ?? 1);
const CHECKS: readonly CheckId[] = ['hole', 'depth', 'obstacles', 'front', 'cover', 'bolts'];
/** Whose doubt is bounded by play, and whose interval is wide for a short one. */
const BOUNDED: ReadonlySet<CheckId> = new Set(['bolts']);
const LEVELS = [0.5, 0.8, 0.95, 0.99] as const;
const SHOPS_OWN = 2;
/** A margin so few half-widths above zero is near the limit. */
const NEAR = 2;
/** Fewer open candidates than this do not tell one measurement from another. */
const LEAST_OPEN = 3;
/** A figure that differs by more than this is another one, mm. */
const SAME_MM = 1e-6;
/** An interval narrower than this is no doubt, mm. */
const LEAST_MM = 1e-6;
/** Of a measurement so many outcomes are judged. */
const OUTCOMES = 9;
/** Measurements that settle so nearly the same are as good as each other: an outcome of one candidate in nine. */
const TIED = 1 / OUTCOMES;
/** Patterns whose every turn is scanned. */
const PATTERNS = 300;

const shop = toFitRules({ name: 'Calibration', ...SETTINGS_DEFAULTS });
/** An interval of a level leaves half of the rest on either side. */
const rulesAt = (level: number): FitRules => ({ ...shop, confidence: (1 + level) / 2 });
const ruled = LEVELS.map(rulesAt);
const own = ruled[SHOPS_OWN] as FitRules;
const surest = rulesAt(0.999);

class Tally {
  asked = 0;
  readonly held = LEVELS.map(() => 0);
  /** How far the truth lies off, in half-widths of the shop's interval. */
  readonly offs: number[] = [];
}

const tallies = new Map<string, Tally>();
const tallyOf = (family: Family, id: CheckId): Tally => {
  const key = `${family} ${id}`;
  const tally = tallies.get(key) ?? new Tally();
  tallies.set(key, tally);
  return tally;
};
let nearClears = 0;
let falseClears = 0;
let worstFalseClearMm = 0;
let worstFalseClearRatio = 0;
let worstFalseClear = '';
let questions = 0;
let best = 0;
let bestForReal = 0;
let mirrorMismatches = 0;

for (let at = 0; at < CARS; at++) {
  const family = FAMILIES[at % FAMILIES.length] as Family;
  const car = simulateCar(SEED * 1_000_003 + at, family);
  const opening = writtenOpening(car.record);
  const mirrored = writtenOpening(fromSide(car.record));
  const said = car.speakers.map(({ claimed, real }) => {
    const byLevel = ruled.map((rules) => judgeSimulated(opening, claimed, rules));
    const shops = byLevel[SHOPS_OWN] as Judgement;
    const is = judgeAsMounted(car.real, real, shops, own);
    for (const id of CHECKS) {
      const truth = checkOf(is, id).margin;
      if (!truth) continue;
      count(family, id, truth.valueMm, byLevel);
      const sure = () => checkOf(judgeSimulated(opening, claimed, surest), id).margin;
      if (checkOf(shops, id).verdict === 'clears') countClear(family, checkOf(shops, id), truth.valueMm, sure);
    }
    if (!isSameFigures(shops, judgeSimulated(mirrored, mirroredCandidate(claimed), own))) mirrorMismatches++;
    return shops;
  });
  askForOne(car, opening, said);
}
report(countMissedPlacements());

function checkOf({ checks }: Judgement, id: CheckId): Check {
  const found = checks.find((check) => check.id === id);
  if (!found) throw new Error(`calibrate: expected a check ${id}`);
  return found;
}

function count(family: Family, id: CheckId, truthMm: number, byLevel: readonly Judgement[]): void {
  const margins = byLevel.map((judgement) => checkOf(judgement, id).margin);
  const margin = margins[SHOPS_OWN];
  if (!margin || margin.expandedMm < LEAST_MM) return;
  const tally = tallyOf(family, id);
  tally.asked++;
  tally.offs.push(Math.abs(truthMm - margin.valueMm) / margin.expandedMm);
  margins.forEach((each, level) => {
    if (each && truthMm >= each.lowerMm && truthMm <= each.upperMm) tally.held[level] = (tally.held[level] ?? 0) + 1;
  });
}

/** @param sure the same margin with the interval that one in a thousand leaves */
function countClear(family: Family, { id, margin }: Check, truthMm: number, sure: () => Margin | null): void {
  if (!margin || margin.valueMm >= NEAR * margin.expandedMm) return;
  nearClears++;
  if (truthMm >= -SAME_MM) return;
  falseClears++;
  worstFalseClearMm = Math.max(worstFalseClearMm, -truthMm);
  const surest = sure();
  const ratio = surest ? (surest.valueMm - truthMm) / (surest.valueMm - surest.lowerMm) : Number.POSITIVE_INFINITY;
  if (ratio <= worstFalseClearRatio) return;
  worstFalseClearRatio = ratio;
  worstFalseClear = `${family}, ${id}: said ${margin.valueMm.toFixed(2)} ± ${margin.expandedMm.toFixed(2)} mm, is ${truthMm.toFixed(2)} mm`;
}

function isSameFigures(a: Judgement, b: Judgement): boolean {
  return a.checks.every((check, at) => {
    const other = b.checks[at] as Check;
    if (check.verdict !== other.verdict || (check.margin === null) !== (other.margin === null)) return false;
    const isSame = (key: 'valueMm' | 'expandedMm') =>
      Math.abs((check.margin?.[key] ?? 0) - (other.margin?.[key] ?? 0)) <= SAME_MM;
    return isSame('valueMm') && isSame('expandedMm');
  });
}

/**
 * Tries every measurement, twice: for real, in the one way in which this car turns out, and by what was believed before, every
 * outcome judged anew. The one that was asked for should settle as many as any other is expected to.
 */
function askForOne({ record, speakers, measure }: SimulatedCar, opening: FitOpening, said: readonly Judgement[]): void {
  const open = speakers.flatMap(({ claimed }, at) => (said[at]?.verdict === 'measure' ? [claimed] : []));
  if (open.length < LEAST_OPEN) return;
  const next = nextMeasurements(opening, said, {
    halfWidthsMm: SOURCE_HALF_WIDTHS_MM,
    places: rimPlaceList(record, opening),
    confidence: own.confidence,
  });
  if (next.length === 0) return;
  questions++;
  const forReal = next.map(({ action }) => {
    const after = writtenOpening(measure(record, action.key, action.instrument));
    return open.filter((candidate) => judgeSimulated(after, candidate, own).verdict !== 'measure').length;
  });
  if (forReal[0] === Math.max(...forReal)) bestForReal++;
  const believed = next.map(({ action }) => settledByBelief(record, open, action, own, OUTCOMES));
  // Of what nobody has read nothing is believed: then only the trial tells.
  const settled = believed.every((each) => each !== null) ? believed : forReal;
  if ((settled[0] as number) >= Math.max(...settled) - TIED) best++;
}

/** Of random patterns, those with a turn in steps of 0.1° at which more screws land than at any turn that was found. */
function countMissedPlacements(): number {
  const random = seededRandom(SEED);
  let missed = 0;
  for (let at = 0; at < PATTERNS; at++) {
    const { screws, holes, playMm } = anyPair(random);
    const enough = enoughScrews(screws.length);
    const [found] = landingStretches({ screws, holes, playMm, enough });
    const { landed, deciding } = scanTurns(screws, holes, playMm, enough);
    const isBeaten = !found || found.best.landed < landed;
    if (isBeaten || (found.best.landed === landed && found.best.decidingMm > deciding + SAME_MM)) missed++;
  }
  return missed;
}

function report(missedPlacements: number): void {
  const say = (line: string) => console.log(line);
  const round = (value: number) => Number(value.toFixed(4));
  const percent = (value: number) => `${(100 * value).toFixed(1)} %`;
  const between = (held: number, asked: number) => clopperPearson(held, asked, 0.95).map(percent).join(' to ');
  say(`${CARS} openings of ${FAMILIES.length} families, ${SEED} as seed`);
  for (const [key, { asked, held }] of tallies) {
    const at = held[SHOPS_OWN] as number;
    say(`  ${key.padEnd(26)} 95 % holds ${percent(at / asked).padStart(7)} of ${asked} (${between(at, asked)})`);
  }
  const all = [...tallies.values()];
  const asked = sum(all.map((tally) => tally.asked));
  const coverages = LEVELS.map((_, level) => sum(all.map(({ held }) => held[level] as number)) / asked);
  const falseRatio = falseClears / Math.max(1, nearClears);
  say(
    `  whole: ${LEVELS.map((level, at) => `${percent(level)} holds ${percent(coverages[at] as number)}`).join(', ')}`,
  );
  say(
    `  ${nearClears} checks clear near the limit; ${falseClears} of these miss the asked clearance (${between(falseClears, Math.max(1, nearClears))}), the worst by ${worstFalseClearMm.toFixed(2)} mm; against its own 99.9 % the worst is ${worstFalseClear || 'none'}`,
  );
  say(
    `  ${questions} questions what to measure: the one asked for is expected to settle as many as any other in ${best}, and did in ${bestForReal}`,
  );
  say(
    JSON.stringify({
      cars: CARS,
      coverage50: round(coverages[0] as number),
      coverage80: round(coverages[1] as number),
      coverage95: round(coverages[2] as number),
      coverage99: round(coverages[3] as number),
      falseClearsRatio: round(falseRatio),
      worstFalseClearMm: round(worstFalseClearMm),
      worstFalseClearRatio: round(worstFalseClearRatio),
      widthRatio: round(widthRatio(false)),
      boundedWidthRatio: round(widthRatio(true)),
      bestMeasurementRatio: round(best / Math.max(1, questions)),
      bestForRealRatio: round(bestForReal / Math.max(1, questions)),
      missedPlacements,
      mirrorMismatches,
    }),
  );
}

/**
 * How wide the intervals are beside those of an observer who knows the mixture of families and not the car's own: the same
 * intervals, made as much narrower or wider as just holds 95 % of the mixture, check by check; the worst check counts.
 */
function widthRatio(bounded: boolean): number {
  const ratios = CHECKS.filter((id) => BOUNDED.has(id) === bounded).map((id) => {
    const offs = FAMILIES.flatMap((family) => tallies.get(`${family} ${id}`)?.offs ?? []).sort((a, b) => a - b);
    const enough = offs[Math.ceil(0.95 * offs.length) - 1];
    return enough ? 1 / enough : 1;
  });
  return Math.max(...ratios);
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
