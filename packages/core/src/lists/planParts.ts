/**
 * What a list would make of parts: new ones of rows that no part is known for, and other figures of known ones, where the shop has not
 * put its own in their place. What a speaker's class does not bear out is doubted, and stays out until somebody takes it in on hold.
 */
import {
  FIGURE_SPECS,
  LISTED_FIELDS,
  newPartId,
  type PartKind,
  type PartRecord,
  partIdPrefix,
  partSchema,
} from '../catalogue';
import { doubtSpeakers, type MakersDatum } from '../doubt';
import { isSame } from '../records';
import { columnLabel, type ListColumn } from './columns';
import { isSettled, toCompared, withDoubt } from './compared';
import { connectorIdsIn } from './connectorIds';
import { aKind, type FigureColumn } from './figureColumns';
import { type OfferPlan, offerOf } from './planOffers';
import type { Finding, ListRow } from './readList';

export type PartsPlan = {
  readonly added: readonly PartRecord[];
  /** Parts with other figures than before; their offers are as they were. */
  readonly changed: readonly PartRecord[];
  /** Rows of nothing that is known, and of no part that they say enough of. */
  readonly unknown: readonly ListRow[];
  /** Of the parts that are new the rows that they come from, by their ids. */
  readonly rows: ReadonlyMap<string, ListRow>;
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
  /** What kind of parts the list is of. */
  readonly of: PartKind;
  readonly supplier: string;
  readonly parts: readonly PartRecord[];
  /** Ids of all parts, of those that cannot be read too: none of them is given to another. */
  readonly takenIds: ReadonlySet<string>;
  /** Ids of the shop's connectors, by what each is called and by themselves, in small letters. */
  readonly connectors: ReadonlyMap<string, string>;
  /** The day the list is of, as ISO 8601. */
  readonly day: string;
  /** Of each column what it is. */
  readonly columns: readonly (ListColumn | null)[];
  /** Whether speakers of which a figure is doubted come in, on hold. */
  readonly withDoubted: boolean;
};

type Planned = { readonly row: ListRow; readonly part: PartRecord; readonly isNew: boolean };
type Fields = Readonly<Record<string, unknown>>;
/** What a row says of a new part: all that it begins with, and what of it the list itself said. */
type Said = { readonly whole: Fields; readonly listed: Fields };

export function planParts({ unknown, matched }: Pick<OfferPlan, 'unknown' | 'matched'>, given: Given): PartsPlan {
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

  /** @returns whether the row is of a part that it says something of, taken or not */
  takeNew(row: ListRow): boolean {
    const { line, speaker, figures } = row;
    if (!speaker && !figures) return false;
    const name = row.name || row.makersNumber;
    if (row.maker === '')
      return this.refuse(line, 'maker', 'No maker was read: a part has one. Say which column it is, or write it in.');
    if (name === '')
      return this.refuse(line, 'name', 'Neither a name nor a maker’s number was read: a part has one of them.');
    const said = speaker ? this.speakerSaid(row) : this.figuresSaid(row);
    if (said === null) return true;
    const { of, supplier, day, takenIds } = this.given;
    const id = newPartId(partIdPrefix(of), { maker: row.maker, name }, (each) => takenIds.has(each));
    const before = this.linesById.get(id);
    if (before !== undefined) return this.refuse(line, 'name', `The same maker and name stand in row ${before}.`);
    this.linesById.set(id, line);
    const part = this.checked(line, {
      ...{ kind: of, id, maker: row.maker.slice(0, 80), name, number: row.makersNumber },
      ...{ offers: [offerOf(null, row, supplier, day)], ...said.whole, listed: this.listedOf(said.listed) },
    });
    if (part) this.planned.push({ row, part, isNew: true });
    return true;
  }

  takeKnown(row: ListRow, partId: string): void {
    const part = this.byId.get(partId);
    if (part?.kind !== this.given.of) return;
    const fields = row.speaker ? listedSpeakerFields(row.speaker.fields) : this.figuresWithIds(row);
    if (!fields) return;
    const next = this.updated(part, fields, row.line);
    const checked = next === part ? null : this.checked(row.line, next);
    if (checked) this.planned.push({ row, part: checked, isNew: false });
  }

  doubted(): Omit<PartsPlan, 'unknown'> {
    const speakers = this.planned.flatMap(({ part }) => (part.kind === 'speaker' ? [part] : []));
    const theirs = new Set(speakers.map(({ id }) => id));
    const others = this.given.parts.flatMap((part) =>
      part.kind === 'speaker' && !theirs.has(part.id) ? [toCompared(part)] : [],
    );
    const { doubts, notCompared, datums } = doubtSpeakers(speakers.map(toCompared), others);
    const [added, changed]: [PartRecord[], PartRecord[]] = [[], []];
    const rows = new Map<string, ListRow>();
    let [at, count] = [0, 0];
    for (const { row, part, isNew } of this.planned) {
      const take = (taken: PartRecord) => {
        (isNew ? added : changed).push(taken);
        if (isNew) rows.set(taken.id, row);
      };
      const doubt = part.kind === 'speaker' ? doubts.get(at++) : undefined;
      if (part.kind !== 'speaker' || !doubt || isSettled(part, doubt)) {
        take(part);
        continue;
      }
      count++;
      this.find('doubt', row.line, doubt.figure, doubt.words);
      if (this.given.withDoubted) take(withDoubt(part, doubt));
      else this.keptOut.push(row.line);
    }
    return {
      ...{ added, changed, rows, datums, doubted: count, notCompared: notCompared.length },
      ...{ findings: this.findings, keptOut: this.keptOut },
    };
  }

  /** Null where a speaker is not told from others, which is a finding. */
  private speakerSaid({ line, speaker }: ListRow): Said | null {
    if (!speaker) return null;
    const { speakerKind, nominalSize, fields } = speaker;
    if (nominalSize === null)
      this.refuse(line, 'size', 'No nominal size was read, nor is one in the name: 6.5 in, 6×9 or another would do.');
    else if (speakerKind === null)
      this.refuse(
        line,
        'speakerKind',
        'Its kind was not read: coaxial, component woofer, full range or tweeter would do.',
      );
    else return { whole: { speakerKind, nominalSize, ...fields }, listed: listedSpeakerFields(fields) };
    return null;
  }

  /** Of any other part: what its row does not say is not known, where that may be. */
  private figuresSaid(row: ListRow): Said | null {
    const listed = this.figuresWithIds(row);
    if (!listed) return null;
    const unsaid = FIGURE_SPECS[this.given.of].flatMap(({ key, read }) => {
      const empty = key in listed ? null : read('');
      return empty?.ok ? [[key, empty.value] as const] : [];
    });
    return { whole: { ...Object.fromEntries(unsaid), ...listed }, listed };
  }

  /** A connector may be called by its name; null where one is nobody's, which is a finding. */
  private figuresWithIds({ line, figures }: ListRow): Fields | null {
    if (!figures) return null;
    const { fields, unknown } = connectorIdsIn(figures.fields, this.given.connectors);
    if (!unknown) return fields;
    this.refuse(
      line,
      `figure.${unknown.field}`,
      `“${unknown.words}” was read, and no connector of this shop is called so. Its id or its name would do.`,
    );
    return null;
  }

  /** The part as it was where the list says nothing else of it. */
  private updated(part: PartRecord, fields: Fields, line: number): PartRecord {
    const listed = this.listedOf(fields);
    const changes: Record<string, unknown> = {};
    const kept = part as unknown as Fields;
    for (const [field, next] of Object.entries(fields)) {
      const [now, last] = [kept[field], part.listed?.fields[field]];
      if (isSame(now, next)) continue;
      if (now === null || isSame(now, last)) changes[field] = next;
      else if (!isSame(next, last))
        this.find(
          'note',
          line,
          null,
          `${part.maker} ${part.name}: the list has another ${this.fieldWord(field)} than the library, which stays.`,
        );
    }
    const merged = { ...listed, fields: { ...part.listed?.fields, ...listed.fields } };
    // The day alone is no change: the same list again changes nothing.
    if (Object.keys(changes).length === 0 && part.listed && isSame(merged.fields, part.listed.fields)) return part;
    return { ...part, ...changes, listed: merged } as PartRecord;
  }

  private fieldWord(field: string): string {
    const { of } = this.given;
    return of === 'speaker' ? (SPEAKER_WORDS[field] ?? field) : columnLabel(of, `figure.${field}`).toLowerCase();
  }

  private listedOf(fields: Fields): NonNullable<PartRecord['listed']> {
    const { supplier, day } = this.given;
    return { supplier, asOf: day, fields: fields as NonNullable<PartRecord['listed']>['fields'] };
  }

  /** As its kind has it; null where the kind does not take it, which is a finding. */
  private checked(line: number, part: object): PartRecord | null {
    const read = partSchema.safeParse(part);
    if (read.success) return read.data;
    const [issue] = read.error.issues;
    const key = String(issue?.path[0] ?? '');
    // A part lacks what it has to have: neither a cell nor a column says it.
    const isLacking = (part as Fields)[key] === undefined;
    this.refuseFigure(line, key, isLacking ? null : `${(issue?.message ?? '').replace(/\.$/, '')}.`);
    return null;
  }

  /** @param message why the figure is none; null where there is none */
  private refuseFigure(line: number, key: string, message: string | null): void {
    const { of, columns } = this.given;
    const column: FigureColumn = `figure.${key}`;
    const spec = FIGURE_SPECS[of].find((each) => each.key === key);
    if (of === 'speaker' || !spec) {
      this.refuse(line, null, `${key}: ${message ?? 'nothing was read.'}`);
      return;
    }
    const label = columnLabel(of, column);
    const empty = spec.read('');
    const would = empty.ok ? '' : ` ${empty.failure.replace(/^“” was read\. /, '')}`;
    const at = columns.includes(column) ? column : null;
    const lacks = `nothing was read${at ? '' : ', and no column says it'}: ${aKind(of)} has one.${would}`;
    this.refuse(line, at, `${label}: ${message ?? lacks}`);
  }

  private refuse(line: number, column: ListColumn | null, message: string): true {
    this.find('error', line, column, message);
    this.keptOut.push(line);
    return true;
  }

  private find(grade: Finding['grade'], line: number, column: ListColumn | null, message: string): void {
    this.findings.push({ grade, line, column: column && this.given.columns.indexOf(column), message });
  }
}

function listedSpeakerFields(fields: NonNullable<ListRow['speaker']>['fields']): Fields {
  const said = LISTED_FIELDS.filter((field) => fields[field] !== null && fields[field] !== 'notStated');
  return Object.fromEntries(said.map((field) => [field, fields[field]]));
}

const SPEAKER_WORDS: Readonly<Record<string, string>> = {
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
