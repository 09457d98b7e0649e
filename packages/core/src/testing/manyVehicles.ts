/** A library of many invented variants, the same each time, for tests and benchmarks of its search. */
import { seededRandom } from '../math';
import { BODIES, CABS, type VehicleRecord, vehicleSchema } from '../model';

const BEGINNINGS = [
  'Cor',
  'Bren',
  'Tol',
  'Ost',
  'Sel',
  'Har',
  'Wex',
  'Dun',
  'Pel',
  'Mar',
  'Fen',
  'Lor',
  'Gar',
  'Vel',
  'Ash',
];
const MIDDLES = ['vall', 'wick', 'thor', 'land', 'mere', 'dale', 'stan', 'brook', 'ness', 'quell', 'rand', 'holm'];
const ENDS = ['', 'er', 'ine', 'on', 'ia', 'ex', 'ard', 'o', 'is'];
const TRIMS = ['Base', 'Middle', 'Comfort', 'Sport', 'Touring', 'Premium', 'Work', 'Life'];
const PACKAGES = ['Four speakers', 'Six speakers', 'Ten speakers, amplifier', 'Two speakers', ''];
const MAKES = 60;
const MODELS_A_MAKE = 12;
const FIRST_YEAR = 1990;

/** @returns so many, each told apart from the others by its model, years or trim */
export function manyVehicles(count: number, seed = 1): readonly VehicleRecord[] {
  const random = seededRandom(seed);
  const pick = <One>(all: readonly One[]) => all[Math.floor(random() * all.length)] as One;
  const name = () => `${pick(BEGINNINGS)}${pick(MIDDLES)}${pick(ENDS)}`;
  const makes = Array.from({ length: MAKES }, name);
  const models = makes.map(() => Array.from({ length: MODELS_A_MAKE }, name));
  return Array.from({ length: count }, (_, at) => {
    const make = at % MAKES;
    const from = FIRST_YEAR + Math.floor(random() * 34);
    const body = pick(BODIES);
    return vehicleSchema.parse({
      id: `veh-many-${at}`,
      make: makes[make],
      model: pick(models[make] as string[]),
      years: { from, to: random() < 0.2 ? null : from + Math.floor(random() * 8) },
      body,
      cab: body === 'pickup' ? pick(CABS) : null,
      doors: 2 + Math.floor(random() * 4),
      trim: `${pick(TRIMS)} ${1 + (at % 9)}`,
      audioPackage: pick(PACKAGES),
      steeringSide: random() < 0.5 ? 'left' : 'right',
      market: '',
      aliases: random() < 0.15 ? [name()] : [],
      openings: [],
    });
  });
}
