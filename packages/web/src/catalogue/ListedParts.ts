/** The listed parts of a catalogue as screens look them up: of thousands a screen needs a handful at first, each is read when it is asked for. */
import type { ListedPart } from '@low-quarry/core/catalogue';
import { LINE, type ListedText } from './listedText';

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
