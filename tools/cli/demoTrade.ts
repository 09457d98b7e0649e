/**
 * Writes `demo/trade.json`: what the makers and suppliers of the demo's made-up trade have besides what its shop is about, as a parts pack.
 * The same each time; kept as a file. Run by `npm run demo-trade`.
 */
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import {
  type BracketRecord,
  type ConnectorRecord,
  type HarnessAdapterRecord,
  type Offer,
  offerSchema,
  type PartRecord,
  partSchema,
  type SpeakerRecord,
} from '@low-quarry/core/catalogue';
import { partsFileSchema } from '@low-quarry/core/formats';
import { seededRandom } from '@low-quarry/core/math';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';

const [dir] = process.argv.slice(2);
if (!dir) throw new Error('demoTrade: expected the folder to write to');

const random = seededRandom(4021);
const between = (low: number, high: number) => low + (high - low) * random();
const half = (value: number) => Math.round(value * 2) / 2;

/** What a series is: its speakers, how deep they are built, how strong they are, what they cost. */
type Series = {
  readonly name: string;
  readonly kind: SpeakerRecord['speakerKind'];
  readonly depth: number;
  readonly power: number;
  readonly price: number;
};
const LINES = [
  { kind: 'coaxial', depth: 1, power: 0.8, price: 0.7 },
  { kind: 'coaxial', depth: 1.05, power: 1.1, price: 1.1 },
  { kind: 'component woofer', depth: 1.1, power: 1.3, price: 1.8 },
  { kind: 'full range', depth: 0.9, power: 0.6, price: 0.8 },
  { kind: 'coaxial', depth: 0.74, power: 0.8, price: 1.2 },
] as const;
const MAKERS: Readonly<Record<string, readonly string[]>> = {
  Wrackline: ['Eddy', 'Brine', 'Swale', 'Ledge', 'Flotsam'],
  Skerrivar: ['Rill', 'Spate', 'Undertide', 'Holm', 'Skail'],
  Dunmarrow: ['Whinstone', 'Tussock', 'Sedge', 'Leaze', 'Burrow'],
  Hollintarn: ['Cairnwell', 'Thwaite', 'Ghyll', 'Fellside', 'Hause'],
  Oxlode: ['Lodewater', 'Drove', 'Washland', 'Fenside', 'Staithe'],
  Pipmoor: ['Inglenook', 'Kilnside', 'Peat', 'Tinder', 'Ash'],
  Gravelholm: ['Shingle', 'Spit', 'Groyne', 'Sandbar', 'Strand'],
  Marchcote: ['Stile', 'Furrow', 'Hedgerow', 'Rick', 'Byre'],
};
const SIZE_CODES: Readonly<Record<SpeakerRecord['nominalSize'], string>> = {
  '1 in': 'T25',
  '3.5 in': '35',
  '4 in': '40',
  '4×6': '46',
  '5.25 in': '52',
  '6×8': '68 Oval',
  '6.5 in': '65',
  '6.75 in': '67',
  '6×9': '69',
};
const SIZES = Object.keys(SIZE_CODES) as SpeakerRecord['nominalSize'][];
const TWEETER = '1 in';
/** Of the lines of a maker. */
const WITH_TWEETERS = 3;

const SUPPLIERS = [
  { name: 'Quayside Trade', sign: 'QT', leadDays: 2, dear: 1 },
  { name: 'Northmole Supply', sign: 'NS', leadDays: 4, dear: 1.06 },
  { name: 'Saltmarsh Parts', sign: 'SM', leadDays: 1, dear: 1.14 },
  { name: 'Tidegate Wholesale', sign: 'TW', leadDays: 9, dear: 0.94 },
] as const;
let article = 20_000;

/** One to three suppliers have it. */
function offersOf(packPriceMinor: number, packSize: number): Offer[] {
  const first = Math.floor(random() * SUPPLIERS.length);
  const count = 1 + Math.floor(random() * 3);
  return Array.from({ length: count }, (_, at) => {
    const supplier = SUPPLIERS[(first + at) % SUPPLIERS.length] as (typeof SUPPLIERS)[number];
    article += 7;
    const pieces = Math.floor(random() * 40);
    return offerSchema.parse({
      supplier: supplier.name,
      number: `${supplier.sign}-${article}`,
      packSize,
      packPriceMinor: Math.round((packPriceMinor * supplier.dear) / 10) * 10,
      leadDays: supplier.leadDays,
      stock: random() < 0.5 ? { pieces, asOf: '2026-11-20' } : null,
    });
  });
}

function idOf(prefix: string, ...words: readonly string[]): string {
  const text = words
    .join(' ')
    .toLowerCase()
    .replace(/×/g, 'x')
    .replace(/[^a-z0-9]+/g, '-');
  return `${prefix}-${text.replace(/^-|-$/g, '')}`;
}

/** Shapes as the trade has them, a heap for each size. */
const shapes = largeParts({ speakers: 1600, brackets: 130, seed: 77 });
const heaps = new Map(
  SIZES.map((size) => [
    size,
    shapes.filter((part): part is SpeakerRecord => part.kind === 'speaker' && part.nominalSize === size),
  ]),
);

function speaker(maker: string, series: Series, size: SpeakerRecord['nominalSize']): PartRecord {
  const shape = heaps.get(size)?.pop();
  if (!shape) throw new Error(`demoTrade: expected more shapes of ${size}`);
  const { basket } = shape;
  const across = basket?.kind === 'circle' ? basket.diameterMm : (basket?.widthMm ?? 0);
  const magnet = half(across * Math.min(0.8, between(0.5, 0.62) + 0.12 * (series.power - 0.8)));
  const rmsW = Math.max(10, Math.round((magnet * 0.62 * series.power * between(0.9, 1.1)) / 5) * 5);
  const name = `${series.name} ${SIZE_CODES[size]}${series.depth < 0.8 && size !== TWEETER ? ' Slim' : ''}`;
  const depth = half((shape.mountingDepthMm ?? 0) * series.depth);
  return partSchema.parse({
    ...shape,
    id: idOf('spk', maker, name),
    maker,
    name,
    number: `${maker.slice(0, 2).toUpperCase()}${SIZE_CODES[size].replace(/\D/g, '')}-${series.name.slice(0, 3).toUpperCase()}`,
    speakerKind: size === TWEETER ? 'tweeter' : series.kind,
    mountingDepthMm: depth,
    magnetDiameterMm: magnet,
    // Its sections follow from depth and magnet; the shape's own would contradict them.
    profile: [],
    massG: size === TWEETER ? null : Math.round((1.15e-3 * magnet ** 3 + 0.012 * across ** 2) / 5) * 5,
    rmsW,
    impedanceOhm: random() < 0.08 ? 3 : 4,
    sensitivityAt: random() < 0.6 ? '1 W' : 'notStated',
    offers: offersOf(Math.round((900 + 95 * rmsW) * series.price), size === TWEETER ? 1 : 2),
  });
}

function speakersAndSets(): PartRecord[] {
  const parts: PartRecord[] = [];
  for (const [maker, names] of Object.entries(MAKERS)) {
    for (const [at, name] of names.entries()) {
      const series: Series = { ...(LINES[at] as (typeof LINES)[number]), name };
      const own = SIZES.filter((size) => size !== TWEETER || at < WITH_TWEETERS).map((size) =>
        speaker(maker, series, size),
      );
      parts.push(...own);
      if (series.kind === 'component woofer') parts.push(...setsOf(maker, name, own));
    }
  }
  return parts;
}

/** Woofers, tweeters of the same series, and the filters that come along. */
function setsOf(maker: string, series: string, own: readonly PartRecord[]): PartRecord[] {
  const tweeter = own.find((part) => part.kind === 'speaker' && part.nominalSize === TWEETER);
  const woofers = own.filter((part) => part.kind === 'speaker' && ['5.25 in', '6.5 in'].includes(part.nominalSize));
  return woofers.map((woofer) => {
    const name = woofer.name.replace(series, `${series} set`);
    return partSchema.parse({
      kind: 'set',
      id: idOf('set', maker, name),
      maker,
      name,
      offers: offersOf(Math.round(between(14_000, 42_000)), 1),
      inBox: [
        { count: 2, what: 'woofer', partId: woofer.id },
        { count: 2, what: 'tweeter', partId: tweeter?.id ?? null },
        { count: 2, what: 'two-way filter', partId: null },
        { count: 8, what: 'tapping screw 4.2 × 20', partId: null },
      ],
    });
  });
}

function patternName({ shape }: BracketRecord['vehicleBolts']): string {
  switch (shape.kind) {
    case 'circle':
      return `${shape.count}/${shape.diameterMm}`;
    case 'rectangle':
      return `${shape.widthMm}×${shape.heightMm}`;
    case 'free':
      return `${shape.holes.length} holes`;
  }
}

function brackets(most: number): PartRecord[] {
  const names = new Set<string>();
  const own: PartRecord[] = [];
  for (const shape of shapes) {
    if (shape.kind !== 'bracket' || own.length >= most) continue;
    const maker = random() < 0.6 ? 'Kelpstone' : 'Cragholt';
    const name = `Plate ${patternName(shape.vehicleBolts)} to ${patternName(shape.speakerBolts)}, ${shape.heightMm} mm`;
    if (names.has(name)) continue;
    names.add(name);
    own.push(
      partSchema.parse({
        ...shape,
        id: idOf('brk', maker, name),
        maker,
        name,
        offers: offersOf(Math.round(between(900, 3200)), 2),
      }),
    );
  }
  return own;
}

const HOUSINGS = ['flat', 'square', 'long', 'round', 'slot', 'dash', 'stepped', 'wedge'];
const MARKS = ['latch below', 'latch at the left', 'two latches', 'no latch', 'collar', 'hooded'];
const ENDS = ['spades 2.8 + 4.8', 'spades 4.8 + 6.3', 'bare ends'] as const;

function connectors(count: number): ConnectorRecord[] {
  return Array.from({ length: count }, (_, at) => {
    const housing = HOUSINGS[at % HOUSINGS.length] as string;
    const mark = MARKS[Math.floor(at / HOUSINGS.length) % MARKS.length] as string;
    const ways = [2, 2, 3, 4, 2, 6][(at * 5 + Math.floor(at / 7)) % 6] as number;
    return { id: idOf('con', housing, mark, String(ways)), name: `${ways}-way ${housing}, ${mark}`, ways };
  });
}

/** Of each connector leads to three kinds of ends, but for some where nobody makes one of them. */
function leads(all: readonly ConnectorRecord[], most: number): PartRecord[] {
  const wanted = all.flatMap((connector) => ENDS.map((terminals) => ({ connector, terminals })));
  return wanted.slice(0, most).map(({ connector, terminals }) => {
    const name = `Lead ${connector.name} to ${terminals}`;
    const lead: Omit<
      HarnessAdapterRecord,
      'claims' | 'aliases' | 'number' | 'isDiscontinued' | 'replacedBy' | 'inBox' | 'listed'
    > = {
      kind: 'harnessAdapter',
      id: idOf('adp', connector.id.replace('con-', ''), terminals),
      maker: 'Loomgate',
      name,
      offers: offersOf(Math.round(between(600, 1500)), 2),
      roundingMm: 0.5,
      fromConnectorId: connector.id,
      to: { kind: 'terminals', terminals },
      plugMm: Math.round(between(5, 18)),
      lengthMm: Math.round(between(12, 30)) * 10,
      filter: null,
      needsDoorWires: null,
    };
    return partSchema.parse(lead);
  });
}

const plugs = connectors(48);
const pack = {
  format: 'parts' as const,
  version: 2 as const,
  parts: [...speakersAndSets(), ...brackets(98), ...leads(plugs, 132)],
  connectors: plugs,
};
const read = partsFileSchema.parse(pack);
const twice = read.parts.map(({ id }) => id).filter((id, at, all) => all.indexOf(id) !== at);
if (twice.length > 0) throw new Error(`demoTrade: there twice: ${twice.join(', ')}`);
const lines = (list: readonly unknown[]) => list.map((each) => JSON.stringify(each)).join(',\n');
writeFileSync(
  path.join(dir, 'trade.json'),
  `{"format":"parts","version":2,"connectors":[\n${lines(plugs)}\n],"parts":[\n${lines(read.parts)}\n]}\n`,
);
