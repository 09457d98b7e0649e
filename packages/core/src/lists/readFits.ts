/** What a list says of the cars that a part fits, such as "Tollan Skiff 2014-2019, front door; Orvane Dory 16>". */
import {
  BODY_LABELS,
  CAB_LABELS,
  PLACE_LABELS,
  type Place,
  type VehicleRecord,
  type Years,
  yearsOverlap,
} from '../model';
import { plainWords } from './figureColumns';

/** Of a variant of the library what tells it from others. */
export type FitsVehicle = Pick<
  VehicleRecord,
  'id' | 'make' | 'model' | 'aliases' | 'years' | 'body' | 'cab' | 'trim' | 'audioPackage' | 'market'
>;

/** What one of the cars in a cell comes to. */
export type ReadFit =
  | { readonly kind: 'known'; readonly vehicleIds: readonly string[]; readonly place: Place | null }
  /** No such car is in the library. */
  | { readonly kind: 'elsewhere' }
  /** The car is known, and something behind it is not understood: of which of its variants it is said nobody can tell. */
  | { readonly kind: 'unread'; readonly words: string };

/** Cars stand apart by these. */
const APART = /[;|\n]+/;
/** A year in full, or its last two figures. */
const YEAR = String.raw`(?:19|20)?\d\d`;
const RANGE = new RegExp(
  String.raw`(?:^| )(?:(${YEAR}) ?(?:-|–|to|bis|until) ?(${YEAR})|(?:from |ab |since )?(${YEAR}) ?(?:>|\+|→|on|onwards|-|–)|(?:up to|until|bis|-|–|<) ?(${YEAR})|((?:19|20)\d\d))(?=$| |,)`,
  'i',
);
/** Two figures from here on are of the last century; common practice, no source. */
const LAST_CENTURY_FROM = 70;

export class FitsReader {
  private readonly byName = new Map<string, FitsVehicle[]>();
  /** How many words the longest name has. */
  private longest = 0;

  constructor(vehicles: readonly FitsVehicle[]) {
    for (const vehicle of vehicles) {
      const { make, model, aliases } = vehicle;
      for (const name of new Set([model, ...aliases].flatMap((each) => [`${make} ${each}`, each])))
        this.name(name, vehicle);
    }
  }

  /** @returns each car that the cell names */
  read(cell: string): readonly ReadFit[] {
    return cell
      .split(APART)
      .map((each) => each.trim())
      .filter(Boolean)
      .map((each) => this.readOne(each));
  }

  private name(name: string, vehicle: FitsVehicle): void {
    const key = plainWords(name);
    this.longest = Math.max(this.longest, key.split(' ').length);
    this.byName.set(key, [...(this.byName.get(key) ?? []), vehicle]);
  }

  private readOne(text: string): ReadFit {
    const found = RANGE.exec(text);
    const years = found ? yearsOf(found) : null;
    const words = plainWords(
      found ? `${text.slice(0, found.index)} ${text.slice(found.index + found[0].length)}` : text,
    ).split(' ');
    for (let count = Math.min(this.longest, words.length); count > 0; count--) {
      const named = this.byName.get(words.slice(0, count).join(' '));
      if (!named) continue;
      const rest = words.slice(count).join(' ');
      const inYears = named.filter((vehicle) => years === null || yearsOverlap(vehicle.years, years));
      return inYears.length === 0 ? { kind: 'elsewhere' } : narrowed(inYears, rest, text);
    }
    return { kind: 'elsewhere' };
  }
}

/** By what stands behind the name: a place, and what tells variants apart. */
function narrowed(named: readonly FitsVehicle[], words: string, text: string): ReadFit {
  let rest = words;
  let place: Place | null = null;
  let left = named;
  while (rest !== '') {
    const at = placeIn(rest);
    if (at && place === null) {
      place = at.place;
      rest = rest.slice(at.words.length).trim();
      continue;
    }
    const told = longestTold(left, rest);
    if (told === null) return { kind: 'unread', words: text.slice(0, 80) };
    left = left.filter((vehicle) => marksOf(vehicle).includes(told));
    rest = rest.slice(told.length).trim();
  }
  return { kind: 'known', vehicleIds: left.map(({ id }) => id), place };
}

const PLACES = (Object.entries(PLACE_LABELS) as [Place, string][])
  .flatMap(([place, label]) => [plainWords(label), `${plainWords(label)}s`].map((words) => ({ place, words })))
  .filter(({ place }) => place !== 'other')
  .sort((a, b) => b.words.length - a.words.length);

function placeIn(rest: string) {
  return PLACES.find(({ words }) => rest === words || rest.startsWith(`${words} `));
}

function marksOf({ body, cab, trim, audioPackage, market }: FitsVehicle): readonly string[] {
  return [BODY_LABELS[body], cab ? CAB_LABELS[cab] : '', trim, audioPackage, market].map(plainWords).filter(Boolean);
}

function longestTold(vehicles: readonly FitsVehicle[], rest: string): string | null {
  const marks = vehicles.flatMap(marksOf).filter((mark) => rest === mark || rest.startsWith(`${mark} `));
  return marks.sort((a, b) => b.length - a.length)[0] ?? null;
}

function yearsOf([, from, to, open, until, one]: RegExpExecArray): Years {
  const [first, last] = [from ?? open ?? one, to ?? until ?? one].map((year) =>
    year === undefined ? null : toYear(year),
  );
  return { from: first ?? null, to: last ?? null };
}

function toYear(year: string): number {
  const number = Number(year);
  if (year.length === 4) return number;
  return number >= LAST_CENTURY_FROM ? 1900 + number : 2000 + number;
}
