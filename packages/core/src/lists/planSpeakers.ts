/**
 * What a list would make of speakers: new ones of rows that no part is known for, and other figures of known ones, where the shop has not
 * put its own in their place. What a speaker's class does not bear out is doubted, and stays out until somebody takes it in on hold.
 */
import {
  LISTED_FIELDS,
  type ListedField,
  newPartId,
  type PartRecord,
  type SpeakerRecord,
  speakerSchema,
} from '../catalogue';
import { doubtSpeakers, type MakersDatum } from '../doubt';
import { isSame } from '../records';
import type { ListColumn } from './columns';
import { isSettled, toCompared, withDoubt } from './compared';
import { type OfferPlan, offerOf } from './planOffers';
import type { Finding, ListRow } from './readList';
import type { SpeakerFields, SpeakerRow } from './readSpeaker';

export type SpeakerPlan = {
  readonly added: readonly SpeakerRecord[];
  /** Speakers with other figures than before; their offers are as they were. */
  readonly changed: readonly SpeakerRecord[];
  /** Rows of nothing that is known, and of no speaker. */
  readonly unknown: readonly ListRow[];
  readonly findings: readonly Finding[];
  /** Lines that stay out. */
  readonly keptOut: readonly number[];
  /** How many have a figure that is doubted. */
  readonly doubted: number;
  /** How many speakers have too few of their kind to be compared with. */
  readonly notCompared: number;
  /** Makers who may count every depth from the top of the flange. */
  readonly datums: readonly MakersDatum[];
};

type Given = {
  readonly supplier: string;
  readonly parts: readonly PartRecord[];
  /** Ids of all parts, of those that cannot be read too: none of them is given to another. */
  readonly takenIds: ReadonlySet<string>;
  /** The day the list is of, as ISO 8601. */
  readonly day: string;
  /** Of each column what it is. */
  readonly columns: readonly (ListColumn | null)[];
  /** Whether speakers of which a figure is doubted come in, on hold. */
  readonly withDoubted: boolean;
};

type Planned = { readonly row: ListRow; readonly speaker: SpeakerRecord; readonly isNew: boolean };

export function planSpeakers({ unknown, matched }: Pick<OfferPlan, 'unknown' | 'matched'>, given: Given): SpeakerPlan {
  const planner = new Planner(given);
  const stillUnknown = unknown.filter((row) => !planner.takeNew(row));
  for (const { row, partId } of matched) planner.takeKnown(row, partId);
  return { ...planner.doubted(), unknown: stillUnknown };
}

class Planner {
  private readonly byId: ReadonlyMap<string, PartRecord>;
  private readonly planned: Planned[] = [];
  private readonly findings: Finding[] = [];
  private readonly linesById = new Map<string, number>();
  private readonly keptOut: number[] = [];

  constructor(private readonly given: Given) {
    this.byId = new Map(given.parts.map((part) => [part.id, part]));
  }

  /** @returns whether the row is of a speaker, taken or not */
  takeNew(row: ListRow): boolean {
    const { speaker, line } = row;
    if (!speaker) return false;
    const name = row.name || row.makersNumber;
    const { speakerKind, nominalSize } = speaker;
    if (row.maker === '')
      return this.refuse(line, 'maker', 'No maker was read: a part has one. Say which column it is, or write it in.');
    if (name === '')
      return this.refuse(line, 'name', 'Neither a name nor a maker’s number was read: a part has one of them.');
    if (nominalSize === null)
      return this.refuse(
        line,
        'size',
        'No nominal size was read, nor is one in the name: 6.5 in, 6×9 or another would do.',
      );
    if (speakerKind === null)
      return this.refuse(
        line,
        'speakerKind',
        'Its kind was not read: coaxial, component woofer, full range or tweeter would do.',
      );
    const id = newPartId('spk', { maker: row.maker, name }, (each) => this.given.takenIds.has(each));
    const before = this.linesById.get(id);
    if (before !== undefined) return this.refuse(line, 'name', `The same maker and name stand in row ${before}.`);
    this.linesById.set(id, line);
    const record = speakerSchema.safeParse({
      ...{ kind: 'speaker', id, maker: row.maker.slice(0, 80), name, number: row.makersNumber },
      ...{ offers: [offerOf(null, row, this.given.supplier, this.given.day)], speakerKind, nominalSize },
      ...speaker.fields,
      listed: this.listedOf(speaker.fields),
    });
    if (!record.success) {
      const [issue] = record.error.issues;
      return this.refuse(line, null, `${issue?.path.join('.')}: ${issue?.message}.`);
    }
    this.planned.push({ row, speaker: record.data, isNew: true });
    return true;
  }

  takeKnown(row: ListRow, partId: string): void {
    const part = this.byId.get(partId);
    if (!row.speaker || part?.kind !== 'speaker') return;
    const speaker = this.updated(part, row.speaker, row.line);
    if (speaker !== part) this.planned.push({ row, speaker, isNew: false });
  }

  doubted(): Omit<SpeakerPlan, 'unknown'> {
    const asked = this.planned.map(({ speaker }) => toCompared(speaker));
    const theirs = new Set(this.planned.map(({ speaker }) => speaker.id));
    const others = this.given.parts.flatMap((part) =>
      part.kind === 'speaker' && !theirs.has(part.id) ? [toCompared(part)] : [],
    );
    const { doubts, notCompared, datums } = doubtSpeakers(asked, others);
    const [added, changed]: [SpeakerRecord[], SpeakerRecord[]] = [[], []];
    let count = 0;
    for (const [at, { row, speaker, isNew }] of this.planned.entries()) {
      const into = isNew ? added : changed;
      const doubt = doubts.get(at);
      if (!doubt || isSettled(speaker, doubt)) {
        into.push(speaker);
        continue;
      }
      count++;
      this.findings.push({
        grade: 'doubt',
        line: row.line,
        column: this.given.columns.indexOf(doubt.figure),
        message: doubt.words,
      });
      if (this.given.withDoubted) into.push(withDoubt(speaker, doubt));
      else this.keptOut.push(row.line);
    }
    return {
      added,
      changed,
      findings: this.findings,
      keptOut: this.keptOut,
      doubted: count,
      datums,
      notCompared: notCompared.length,
    };
  }

  /** The speaker as it was where the list says nothing else of it. */
  private updated(part: SpeakerRecord, { fields }: SpeakerRow, line: number): SpeakerRecord {
    const listed = this.listedOf(fields);
    const said = Object.keys(listed.fields) as ListedField[];
    const changes: Partial<Record<ListedField, unknown>> = {};
    for (const field of said) {
      const [now, next, last] = [part[field], fields[field], part.listed?.fields[field]];
      if (isSame(now, next)) continue;
      if (now === null || isSame(now, last)) changes[field] = next;
      else if (!isSame(next, last))
        this.findings.push({
          grade: 'note',
          line,
          column: null,
          message: `${part.maker} ${part.name}: the list has another ${FIELD_WORDS[field]} than the library, which stays.`,
        });
    }
    const merged = { ...listed, fields: { ...part.listed?.fields, ...listed.fields } };
    // The day alone is no change: the same list again changes nothing.
    if (Object.keys(changes).length === 0 && part.listed && isSame(merged.fields, part.listed.fields)) return part;
    return { ...part, ...(changes as Partial<SpeakerRecord>), listed: merged };
  }

  private listedOf(fields: SpeakerFields): NonNullable<SpeakerRecord['listed']> {
    const said = LISTED_FIELDS.filter((field) => fields[field] !== null && fields[field] !== 'notStated');
    return {
      supplier: this.given.supplier,
      asOf: this.given.day,
      fields: Object.fromEntries(said.map((field) => [field, fields[field]])) as NonNullable<
        SpeakerRecord['listed']
      >['fields'],
    };
  }

  private refuse(line: number, column: ListColumn | null, message: string): true {
    this.findings.push({ grade: 'error', line, column: column && this.given.columns.indexOf(column), message });
    this.keptOut.push(line);
    return true;
  }
}

const FIELD_WORDS: Readonly<Record<ListedField, string>> = {
  basket: 'cutout',
  flange: 'flange',
  flangeThicknessMm: 'thickness of the flange',
  mountingDepthMm: 'mounting depth',
  depthDatum: 'place that its depth counts from',
  frontHeightMm: 'front height',
  magnetDiameterMm: 'magnet',
  massG: 'mass',
  bolts: 'bolt circle',
  terminals: 'kind of terminals',
  impedanceOhm: 'impedance',
  rmsW: 'RMS power',
  otherRating: 'power',
  sensitivityDb: 'sensitivity',
  sensitivityAt: 'condition of its sensitivity',
};
