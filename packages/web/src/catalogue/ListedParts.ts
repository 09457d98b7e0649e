/**
 * The listed parts of a catalogue as they are kept and as screens look them up. Of thousands a screen needs a handful at first: they
 * are kept as lines of text, and each is read when it is asked for.
 */
import { isWhole, type ListedPart, type PartRecord, toListedPart } from '@low-quarry/core/catalogue';

/** Speakers first, in the order in which the engine counts them, then those that lack figures; a line each in both. */
export type ListedText = {
  readonly speakers: number;
  readonly lacking: number;
  readonly ids: string;
  readonly records: string;
};

const LINE = '\n';

/**
 * @param parts in the catalogue's order, speakers first
 * @throws Error where an id is none: it would be two lines
 */
export function toListedText(parts: readonly PartRecord[]): ListedText {
  const broken = parts.find(({ id }) => id.includes(LINE));
  if (broken) throw new Error(`toListedText: expected an id of one line, got ${JSON.stringify(broken.id)}`);
  const all = parts.filter((part) => part.kind === 'speaker');
  const speakers = all.filter(isWhole).length;
  return {
    speakers,
    lacking: all.length - speakers,
    ids: parts.map(({ id }) => id).join(LINE),
    // JSON has no line break outside of its white space.
    records: parts.map((part) => JSON.stringify(toListedPart(part))).join(LINE),
  };
}

export class ListedParts {
  /** In the order in which the engine counts them. */
  readonly speakerIds: readonly string[];
  /** Speakers that nobody can judge: the catalogue lacks figures of theirs. */
  readonly lackingIds: readonly string[];
  private readonly ids: readonly string[];
  private readonly lines: readonly string[];
  private readonly places: ReadonlyMap<string, number>;
  private readonly read: (ListedPart | undefined)[] = [];

  /** @throws Error where the two do not go together: it is no catalogue then */
  constructor({ speakers, lacking, ids, records }: ListedText) {
    this.ids = ids === '' ? [] : ids.split(LINE);
    this.lines = records === '' ? [] : records.split(LINE);
    if (this.lines.length !== this.ids.length)
      throw new Error(`ListedParts: expected ${this.ids.length} lines, got ${this.lines.length}`);
    this.places = new Map(this.ids.map((id, at) => [id, at]));
    this.speakerIds = this.ids.slice(0, speakers);
    this.lackingIds = this.ids.slice(speakers, speakers + lacking);
  }

  get size(): number {
    return this.ids.length;
  }

  get(id: string): ListedPart | undefined {
    const at = this.places.get(id);
    return at === undefined ? undefined : this.at(at);
  }

  /** Every part, in the catalogue's order. */
  all(): readonly ListedPart[] {
    return this.ids.map((_, at) => this.at(at));
  }

  private at(at: number): ListedPart {
    const read = this.read[at] ?? (JSON.parse(this.lines[at] as string) as ListedPart);
    this.read[at] = read;
    return read;
  }
}
