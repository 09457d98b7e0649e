/**
 * Parts as rows of a table that other programs read. The headings are those that a list which is brought in is read by, so that what went out
 * and was mended elsewhere comes in again.
 */
import {
  FIGURE_SPECS,
  FIGURE_WORDS,
  lacksOf,
  type Offer,
  openDoubts,
  type PartKind,
  type PartRecord,
  partKindWord,
  partSays,
  patternWords,
  type SpeakerRecord,
  type Spec,
} from '../catalogue';
import { isSame } from '../records';
import { LIST_COLUMN_LABELS, type NamedColumn } from './columns';
import { boltsOf } from './readSpeaker';

/** A number is a number to a spreadsheet too; null leaves the cell empty: nobody wrote it down. */
export type OutCell = string | number | null;
type OutColumn = {
  readonly heading: string;
  readonly of: (part: PartRecord, offer: Offer | null, currency: string) => OutCell;
};

/** What is there of a speaker alone. */
function ofSpeaker(column: NamedColumn, unit: string, of: (speaker: SpeakerRecord) => OutCell): OutColumn {
  const heading = [LIST_COLUMN_LABELS[column], unit].filter(Boolean).join(', ');
  return { heading, of: (part) => (part.kind === 'speaker' ? of(part) : null) };
}

function ofOffer(column: NamedColumn, of: (offer: Offer, currency: string) => OutCell): OutColumn {
  return { heading: LIST_COLUMN_LABELS[column], of: (_, offer, currency) => offer && of(offer, currency) };
}

const NAMES: readonly OutColumn[] = [
  { heading: 'Part id', of: ({ id }) => id },
  { heading: 'Kind of part', of: ({ kind }) => partKindWord(kind) },
  { heading: LIST_COLUMN_LABELS.maker, of: ({ maker }) => maker },
  { heading: LIST_COLUMN_LABELS.name, of: ({ name }) => name },
  { heading: LIST_COLUMN_LABELS.makersNumber, of: ({ number }) => number || null },
  { heading: 'In words', of: (part) => partSays(part) },
  { heading: 'Also called', of: ({ aliases }) => aliases.join('; ') || null },
  { heading: 'No longer made', of: ({ isDiscontinued }) => (isDiscontinued ? 'yes' : null) },
  { heading: 'Replaced by', of: ({ replacedBy }) => replacedBy },
];
/** Of speakers, as a list of them is read. */
const SPEAKERS: readonly OutColumn[] = [
  ofSpeaker('speakerKind', '', ({ speakerKind }) => speakerKind),
  ofSpeaker('size', '', ({ nominalSize }) => nominalSize),
  ofSpeaker('cutout', 'mm', ({ basket }) => outlineCell(basket)),
  ofSpeaker('flange', 'mm', ({ flange }) => outlineCell(flange)),
  ofSpeaker('flangeThickness', 'mm', ({ flangeThicknessMm }) => flangeThicknessMm),
  ofSpeaker('depth', 'mm', ({ mountingDepthMm }) => mountingDepthMm),
  {
    heading: 'Counts from',
    of: (part) => (part.kind === 'speaker' && part.mountingDepthMm !== null ? DATUM_WORDS[part.depthDatum] : null),
  },
  ofSpeaker('frontHeight', 'mm', ({ frontHeightMm }) => frontHeightMm),
  ofSpeaker('magnet', 'mm', ({ magnetDiameterMm }) => magnetDiameterMm),
  ofSpeaker('mass', 'g', ({ massG }) => massG),
  ofSpeaker('impedance', 'ohm', ({ impedanceOhm }) => impedanceOhm),
  ofSpeaker('power', 'W', ({ rmsW }) => rmsW),
  ofSpeaker('peakPower', 'W', ({ otherRating }) => (otherRating?.kind === 'peak' ? otherRating.watt : null)),
  ofSpeaker('otherPower', 'W', ({ otherRating }) =>
    otherRating && otherRating.kind !== 'peak' ? otherRating.watt : null,
  ),
  ofSpeaker('sensitivity', 'dB', ({ sensitivityDb }) => sensitivityDb),
  {
    heading: 'Taken at',
    of: (part) => (part.kind === 'speaker' && part.sensitivityAt !== 'notStated' ? part.sensitivityAt : null),
  },
  ofSpeaker('boltCircle', 'mm', ({ bolts }) => bolts && circleCell(bolts)),
  ofSpeaker('holes', '', ({ bolts }) =>
    bolts && circleCell(bolts) !== null && bolts.shape.kind === 'circle' ? bolts.shape.count : null,
  ),
  {
    heading: 'Holes in words',
    of: (part) => (part.kind === 'speaker' && part.bolts ? patternWords(part.bolts) : null),
  },
  ofSpeaker('terminals', '', ({ terminals }) => terminals),
  { heading: 'What is open', of: (part) => (part.kind === 'speaker' ? openWords(part) : null) },
];
const OFFERS: readonly OutColumn[] = [
  { heading: 'Supplier', of: (_, offer) => offer?.supplier ?? null },
  ofOffer('number', ({ number }) => number || null),
  ofOffer('packSize', ({ packSize }) => packSize),
  ofOffer('price', ({ packPriceMinor }) => packPriceMinor && packPriceMinor / 100),
  ofOffer('currency', ({ currency }, own) => currency ?? own),
  ofOffer('leadDays', ({ leadDays }) => leadDays),
  ofOffer('leastPacks', ({ leastPacks }) => leastPacks),
  ofOffer('stock', ({ stock }) => stock?.pieces ?? null),
  { heading: 'Stock as of', of: (_, offer) => offer?.stock?.asOf ?? null },
];

const DATUM_WORDS = { underside: 'underside of the flange', top: 'top of the flange', notStated: 'not stated' };

/** Of another kind each figure that is asked of it, below what it is called there. */
function ofKind(kind: PartKind): readonly OutColumn[] {
  return FIGURE_SPECS[kind].map((spec) => ({
    heading: spec.label,
    of: (part) =>
      part.kind === kind ? figureCell(spec, (part as unknown as Record<string, unknown>)[spec.key]) : null,
  }));
}

function figureCell({ options, print }: Spec, value: unknown): OutCell {
  if (typeof value === 'number') return value;
  const printed = print(value as never);
  return options?.find(([each]) => each !== '' && each === printed)?.[1] ?? (printed || null);
}

/** Where the parts are of one kind its figures; of all kinds together those of speakers. */
function columnsOf(kind: PartKind): readonly OutColumn[] {
  return [...NAMES, ...(kind === 'speaker' ? SPEAKERS : ofKind(kind)), ...OFFERS];
}

/**
 * In the order of the cells of a row.
 *
 * @param kind that all parts of the table are of; `speaker` where there are several
 */
export function outHeadings(kind: PartKind): readonly string[] {
  return columnsOf(kind).map(({ heading }) => heading);
}

/**
 * A row for each offer of a part, and one for a part that nobody is known to offer.
 *
 * @param currency the shop's own, ISO 4217
 * @param kind as of the headings
 */
export function partRows(part: PartRecord, currency: string, kind: PartKind): readonly (readonly OutCell[])[] {
  const offers = part.offers.length > 0 ? part.offers : [null];
  const columns = columnsOf(kind);
  return offers.map((offer) => columns.map(({ of }) => of(part, offer, currency)));
}

/** The row of what is kept and cannot be read: it is there, and says so. */
export function unreadableRow(id: string, why: string, kind: PartKind): readonly OutCell[] {
  return columnsOf(kind).map(({ heading }) =>
    heading === 'Part id' ? id : heading === 'In words' ? `cannot be read: ${why}` : null,
  );
}

/** A diameter, or both measures of an oval as text. */
function outlineCell(outline: SpeakerRecord['basket']): OutCell {
  if (!outline) return null;
  return outline.kind === 'circle' ? outline.diameterMm : `${outline.lengthMm} x ${outline.widthMm}`;
}

/** Only what a circle or two measures say whole: slots, other widths and free holes would come in again as less than they are. */
function circleCell({ shape, ...holes }: NonNullable<SpeakerRecord['bolts']>): OutCell {
  if (shape.kind === 'free') return null;
  const cell = shape.kind === 'circle' ? shape.diameterMm : `${shape.widthMm} x ${shape.heightMm}`;
  const read = boltsOf(
    shape.kind === 'circle'
      ? { kind: 'circle', diameterMm: shape.diameterMm }
      : { kind: 'oval', lengthMm: shape.widthMm, widthMm: shape.heightMm },
    shape.kind === 'circle' ? shape.count : null,
  );
  return isSame(read, { shape, ...holes }) ? cell : null;
}

function openWords(speaker: SpeakerRecord): OutCell {
  const lacks = lacksOf(speaker);
  const doubted = openDoubts(speaker).map(({ figure }) => FIGURE_WORDS[figure].label.toLowerCase());
  const words = [
    ...(lacks.length > 0 ? [`nobody wrote down: ${lacks.join(', ')}`] : []),
    ...(doubted.length > 0 ? [`doubted: ${doubted.join(', ')}`] : []),
  ];
  return words.join('; ') || null;
}
