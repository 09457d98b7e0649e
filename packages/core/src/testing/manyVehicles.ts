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

/** As somebody types: words of one of the variants, in any order, some with a slip. */
export function typedSearches(
  vehicles: readonly VehicleRecord[],
  count: number,
  seed: number,
): readonly { readonly find: string; readonly id: string }[] {
  const random = seededRandom(seed);
  const pick = <One>(all: readonly One[]) => all[Math.floor(random() * all.length)] as One;
  return Array.from({ length: count }, () => {
    const { id, make, model, trim, years, aliases } = pick(vehicles);
    const words = [make, model, ...(random() < 0.5 ? [trim] : []), ...(random() < 0.3 ? [String(years.from)] : [])];
    if (random() < 0.2 && aliases[0]) words.splice(0, 2, aliases[0]);
    const at = Math.floor(random() * words.length);
    const word = words[at] as string;
    if (random() < 0.4 && word.length > 5 && !/\d/.test(word)) words[at] = withSlip(word, random);
    return {
      id,
      find: words
        .sort(() => random() - 0.5)
        .join(' ')
        .toLowerCase(),
    };
  });
}

/** A letter left out, or two exchanged, behind the first. */
function withSlip(word: string, random: () => number): string {
  const at = 1 + Math.floor(random() * (word.length - 2));
  if (random() < 0.5) return word.slice(0, at) + word.slice(at + 1);
  return `${word.slice(0, at)}${word[at + 1]}${word[at]}${word.slice(at + 2)}`;
}
