/**
 * A catalogue laid out for a search: parts that share a bolt pattern as one class, so that a joint is turned and a chain
 * found once for thousands of parts; and what is asked of every speaker in flat arrays. Made once, it serves every opening.
 */
import type { Terminals } from '../../wiring';
import { type Looks, SpeakerShape } from '../layout/SpeakerShape';
import { patternNumber } from '../mates/joints';
import type { FitBracket, FitCatalogue, FitSpeaker } from '../shapes';

/** Speakers with the same holes, plug and roundness: they have the same chains and placements. */
export type SpeakerClass = {
  readonly first: FitSpeaker;
  readonly looks: Looks;
  readonly terminals: Terminals | null;
  /** Places in the index. */
  readonly members: readonly number[];
};

/** Brackets with the same holes towards the vehicle. */
export type BracketSide = { readonly first: FitBracket; readonly members: readonly FitBracket[] };

export class CatalogueIndex {
  readonly speakers: readonly FitSpeaker[];
  readonly shapes: readonly SpeakerShape[];
  readonly classes: readonly SpeakerClass[];
  /** Of each speaker the place of its class. */
  readonly classAt: Int32Array;
  readonly vehicleSides: readonly BracketSide[];
  /** Flange and tallest part in front, and how deep the body is, mm. */
  readonly frontMm: Float64Array;
  readonly depthMm: Float64Array;
  readonly costMinor: Float64Array;
  /** Place of each speaker in the order of names, the last of all ties. */
  readonly nameRank: Int32Array;

  constructor(readonly catalogue: FitCatalogue) {
    const { speakers, brackets } = catalogue;
    this.speakers = speakers;
    // Not `speakerShape`: a whole catalogue's shapes live as long as its index.
    this.shapes = speakers.map((speaker) => new SpeakerShape(speaker));
    const groups = grouped(speakers, (speaker, at) =>
      [patternNumber(speaker.bolts), speaker.terminals, this.shapes[at]?.looks].join(),
    );
    this.classes = groups.map(({ items, places }) => {
      const first = items[0] as FitSpeaker;
      const { looks } = this.shapes[places[0] as number] as SpeakerShape;
      return { first, looks, terminals: first.terminals, members: places };
    });
    this.classAt = new Int32Array(speakers.length);
    this.classes.forEach(({ members }, at) => {
      for (const member of members) this.classAt[member] = at;
    });
    this.vehicleSides = grouped(brackets, ({ vehicleBolts }) => String(patternNumber(vehicleBolts))).map(
      ({ items }) => ({
        first: items[0] as FitBracket,
        members: items,
      }),
    );
    this.frontMm = Float64Array.from(this.shapes, ({ frontMm }) => frontMm);
    this.depthMm = Float64Array.from(this.shapes, ({ depthMm }) => depthMm);
    this.costMinor = Float64Array.from(speakers, ({ pieceCostMinor }) => pieceCostMinor);
    this.nameRank = nameRanks(speakers);
  }
}

function grouped<Item>(items: readonly Item[], keyOf: (item: Item, at: number) => string) {
  const groups = new Map<string, { readonly items: Item[]; readonly places: number[] }>();
  items.forEach((item, at) => {
    const key = keyOf(item, at);
    const group = groups.get(key);
    if (group) {
      group.items.push(item);
      group.places.push(at);
    } else groups.set(key, { items: [item], places: [at] });
  });
  return [...groups.values()];
}

function nameRanks(speakers: readonly FitSpeaker[]): Int32Array {
  const order = speakers.map((_, at) => at);
  const text = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
  order.sort((a, b) => {
    const [one, other] = [speakers[a] as FitSpeaker, speakers[b] as FitSpeaker];
    return text(one.name, other.name) || text(one.id, other.id);
  });
  const ranks = new Int32Array(speakers.length);
  order.forEach((speaker, rank) => {
    ranks[speaker] = rank;
  });
  return ranks;
}
