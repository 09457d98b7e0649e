/** Speakers as a supplier's list has them: with headings in two rows, a decimal comma, units in some of the cells, and gaps. */
import { seededRandom } from '../math';
import type { DirtySpeakers } from './dirtySpeakers';

/** Above the list: a line of the supplier's, the names of the columns, and their units. */
export const ABOVE: readonly (readonly string[])[] = [
  ['Hillfoot Stores, loudspeakers, valid from 1 March'],
  [
    'Art.-Nr.',
    'Marke',
    'Modell',
    'Bauart',
    'Größe',
    'Ausschnitt',
    'Außendurchmesser',
    'Flanschdicke',
    'Einbautiefe',
    'Aufbauhöhe',
    'Magnetdurchmesser',
    'Gewicht',
    'Impedanz',
    'RMS',
    'Empfindlichkeit',
    'Lochkreis',
    'Bohrungen',
    'Netto',
  ],
  ['', '', '', '', '', 'mm', 'mm', 'mm', 'mm', 'mm', 'mm', 'g', 'Ohm', 'W', 'dB', 'mm', '', 'EUR'],
];

/** @returns the rows of the list; the first speaker is in the row `ABOVE.length` */
export function dirtyList({ rows }: DirtySpeakers, seed: number): string[][] {
  const random = seededRandom(seed);
  const comma = (value: number | undefined) =>
    value === undefined ? (['', '-', 'n/a'][Math.floor(3 * random())] as string) : String(value).replace('.', ',');
  const length = (value: number | undefined, mayBeInches = true) => {
    const draw = random();
    if (value === undefined || draw < 0.9) return comma(value);
    if (draw < 0.94) return `${comma(value)} mm`;
    if (draw < 0.97 || !mayBeInches) return `${comma(value / 10)} cm`;
    return `${(value / 25.4).toFixed(3)}"`;
  };
  /** Both measures of an oval. */
  const outline = (value: number | undefined, size: string) =>
    value === undefined || !size.includes('×')
      ? length(value)
      : `${comma(value)} x ${comma(Math.round(1.36 * value) / 2)}`;
  return rows.map(({ maker, speakerKind, nominalSize, figures }, at) => [
    `HS-${10_000 + at}`,
    maker,
    `Line ${at}`,
    { coaxial: '2-Wege', 'component woofer': 'Tieftöner', 'full range': 'Breitband', tweeter: 'Hochtöner' }[
      speakerKind
    ],
    nominalSize.replace(' in', '"').replace('×', 'x'),
    outline(figures.cutout, nominalSize),
    outline(figures.flange, nominalSize),
    comma(figures.flangeThickness),
    length(figures.depth),
    comma(figures.frontHeight),
    length(figures.magnet),
    comma(figures.mass),
    comma(figures.impedance),
    comma(figures.power),
    comma(figures.sensitivity),
    figures.flange === undefined ? '' : outline(figures.flange - 8, nominalSize),
    figures.flange === undefined ? '' : '4',
    (10 + 190 * random()).toFixed(2).replace('.', ','),
  ]);
}
