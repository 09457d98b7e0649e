/** The fields of a part, of whatever kind: each key of its record, with a label that says the unit, and its offers in words. */
import {
  apart,
  bodyBoxWords,
  boxWords,
  branchWords,
  CLAIM_WORDS,
  FIGURE_WORDS,
  type FigureDoubt,
  filterWords,
  handWords,
  type Offer,
  outlineWords,
  type PartRecord,
  patternWords,
  pieceWords,
  powerWords,
  profileWords,
  SETTLED_WORDS,
  type SpeakerRecord,
  screwWords,
  snapOffWords,
} from '../catalogue';
import { capital } from '../firstLetter';
import { type Field, keyField, plainWords } from './Field';

const UNITS: Readonly<Record<string, string>> = { Mm: 'mm', Deg: '°', Ohm: 'ohm', W: 'W', Db: 'dB', Mm2: 'mm²' };
/** Where the key's own words would not be the trade's. */
const LABELS: Readonly<Record<string, string>> = {
  rmsW: 'RMS power, W',
  to: 'Leads to',
  number: 'Maker’s number',
  aliases: 'Other names',
  isDiscontinued: 'No longer made',
  massG: 'Mass, g',
  otherRating: 'Power besides RMS',
  sensitivityAt: 'Sensitivity taken at',
  doubts: 'Doubted figures',
  listed: 'Last list',
  inHand: 'Measured in hand',
  terminalsInHand: 'Terminals measured in hand',
  boxes: 'What sticks out of its body',
  makersBias: 'How far its maker lies off',
  claims: 'What others say',
  inBox: 'In its box',
  box: 'Size',
  coilMh: 'Coil, mH',
  resonanceHz: 'Resonance, Hz',
  totalQ: 'Total Q',
  levelsDb: 'Level switch, dB',
  microfarad: 'Capacitance, µF',
  millihenry: 'Inductance, mH',
  tolerancePercent: 'Tolerance, %',
  volt: 'Voltage, V',
  ohm: 'Resistance, ohm',
  watt: 'Power, W',
  ampere: 'Current, A',
  fuseA: 'Fuse, A',
  fromHz: 'Heard from, Hz',
  toHz: 'Heard to, Hz',
  volumeL: 'Volume, l',
  lengthM: 'Length, m',
  massKgM2: 'Mass, kg/m²',
  isPowered: 'Amplifier of its own',
  isKeyed: 'Goes in one way only',
  isFused: 'A fuse for each',
  isSticky: 'Sticks by itself',
};
/** Keys whose values are one of several, by names that are no words. */
const ONE_OF = ['speakerKind', 'depthDatum', 'sensitivityAt', 'type', 'material'] as const;
const WORDS: Readonly<Record<string, (value: unknown) => string>> = {
  offers: (offers) => listWords((offers as readonly Offer[]).map(offerWords)),
  doubts: (doubts) => listWords((doubts as readonly FigureDoubt[]).map(doubtWords)),
  inHand: (all) => listWords((all as SpeakerRecord['inHand']).map(inHandWords)),
  terminalsInHand: (placed) => terminalsInHandWords(placed as SpeakerRecord['terminalsInHand']),
  makersBias: (all) => listWords((all as SpeakerRecord['makersBias']).map(biasWords)),
  listed: (listed) => listedWords(listed as SpeakerRecord['listed']),
  claims: (claims) => listWords((claims as PartRecord['claims']).map(claimWords)),
  inBox: (pieces) => pieceWords(pieces as PartRecord['inBox']) || 'nobody wrote it down',
  box: known(boxWords),
  branches: (branches) => branchWords(branches as Parameters<typeof branchWords>[0]) || 'nobody wrote them down',
  powers: (powers) => powerWords(powers as Parameters<typeof powerWords>[0]) || 'nobody wrote it down',
  filter: known(filterWords),
  basket: known(outlineWords),
  flange: known(outlineWords),
  bolts: known(patternWords),
  vehicleBolts: known(patternWords),
  speakerBolts: known(patternWords),
  screws: (bags) => screwWords(bags as Parameters<typeof screwWords>[0]) || 'none',
  profile: (sections) => profileWords(sections as Parameters<typeof profileWords>[0]) || 'nothing',
  boxes: (boxes) => bodyBoxWords(boxes as Parameters<typeof bodyBoxWords>[0]) || 'nothing',
  snapOffs: (states) => snapOffWords(states as Parameters<typeof snapOffWords>[0]) || 'nothing',
  ...Object.fromEntries(ONE_OF.map((key) => [key, (value: unknown) => apart(String(value))])),
};

/** What may be unknown. */
function known<Value>(words: (value: Value) => string): (value: unknown) => string {
  return (value) => (value === null ? plainWords(value) : words(value as Value));
}

/** Every key of these parts as a field. */
export function partFields(...parts: readonly unknown[]): readonly Field<PartRecord>[] {
  const keys = new Set(parts.flatMap((part) => Object.keys(part as object)));
  return [...keys].map((key) => keyField(key as keyof PartRecord, keyLabel(key), WORDS[key] ?? plainWords));
}

/** Such as "Mounting depth, mm" of `mountingDepthMm`. */
function keyLabel(key: string): string {
  const known = LABELS[key];
  if (known) return known;
  const words = key.split(/(?=[A-Z])/);
  const unit = words.length > 1 ? UNITS[words.at(-1) as string] : undefined;
  const name = capital((unit ? words.slice(0, -1) : words).map((each) => each.toLowerCase()).join(' '));
  return unit ? `${name}, ${unit}` : name;
}

function offerWords({ supplier, number, packSize, packPriceMinor, currency }: Offer): string {
  const price = packPriceMinor === null ? 'no price' : (packPriceMinor / 100).toFixed(2);
  return `${supplier}${number && ` no. ${number}`}: pack of ${packSize}, ${price}${currency ? ` ${currency}` : ''}`;
}

/** Such as "mounting depth 6 mm (open)", or with how it was settled. */
function doubtWords({ figure, value, settled }: FigureDoubt): string {
  const { label, unit } = FIGURE_WORDS[figure];
  const state = settled ? `${SETTLED_WORDS[settled.how].toLowerCase()}: “${settled.words}”, ${settled.by}` : 'open';
  return `${label.toLowerCase()} ${value} ${unit} (${state})`;
}

/** Such as "it fits corran-tern at frontDoorLow, says Northmole's list". */
function claimWords({ vehicleId, place, says, by }: PartRecord['claims'][number]): string {
  return `${CLAIM_WORDS[says]} ${vehicleId}${place === null ? '' : ` at ${place}`}, says ${by}`;
}

/** Such as "magnet 89.2 89.4; 89.1 mm by Okke". */
function inHandWords({ figure, pieces, by }: SpeakerRecord['inHand'][number]): string {
  return `${FIGURE_WORDS[figure].label.toLowerCase()} ${handWords(pieces)} mm by ${by}`;
}

function terminalsInHandWords(placed: SpeakerRecord['terminalsInHand']): string {
  return placed ? `${bodyBoxWords(placed.boxes)}, by ${placed.by}` : 'nobody measured them';
}

function biasWords({ figure, biasMm, uncertaintyMm, parts }: SpeakerRecord['makersBias'][number]): string {
  const by = `${biasMm < 0 ? '−' : '+'}${Math.abs(biasMm)}`;
  return `${FIGURE_WORDS[figure].label.toLowerCase()} ${by} mm, ± ${uncertaintyMm} mm from part to part, by ${parts} parts`;
}

function listedWords(listed: SpeakerRecord['listed']): string {
  return listed ? `${listed.supplier}, ${listed.asOf}` : 'none';
}

function listWords(words: readonly string[]): string {
  return words.length === 0 ? 'nothing' : words.join('; ');
}
