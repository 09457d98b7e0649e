/**
 * Which figures of speakers their class does not bear out, and what may have happened to them.
 *
 * A class (kind and nominal size) is fitted so that wrong figures do not matter (`multivariateT`). Of a row that lies far off, every slip
 * that is known (`slips`) is undone in turn: how much nearer the row comes to its class then, weighed by how often the slip is made, says
 * how likely it is. What is likelier unusual than wrong is left alone. Nothing is ever changed here: a doubt proposes.
 */
import { FIGURE_WORDS, NOMINAL_SIZES } from '../catalogue';
import { COMPARED, type Compared, type ComparedSpeaker, SCALES, scaled } from './classFigures';
import { doubtedImpedance } from './doubtedImpedance';
import { type DepthOver, type MakersDatum, makersDatum } from './makersDatum';
import { fitT, type Observation, Seen, squaredDistance, type TModel } from './multivariateT';
import type { SpeakerDoubt } from './SpeakerDoubt';
import { sisterDoubts } from './sisterDoubts';
import { OTHER_SHARE, SIZE_SHARE, SLIPS } from './slips';

export type Doubted = {
  /** By the place of the speaker among those that were asked about. */
  readonly doubts: ReadonlyMap<number, SpeakerDoubt>;
  /** Places of those that have too few of their kind to be compared with. */
  readonly notCompared: readonly number[];
  /** Makers who may count every depth from the top of the flange. */
  readonly datums: readonly MakersDatum[];
};

/** A class of fewer is fitted with all others of its kind, by what lies between sizes. */
const LEAST_OF_CLASS = 8;
/** Fewer of a kind are compared with nothing. */
const LEAST_OF_KIND = 24;
/** So many are enough to fit by. */
const MOST_FITTED = 5000;
/** So many figures of a row have to be there. */
const LEAST_FIGURES = 2;
/** A row that is likelier as it should be than with any slip is left alone. */
const LIKELIER_WRONG = 0.5;
/** Logarithms of a wrong figure lie anywhere in so wide a range. */
const ANYWHERE = 6;

/**
 * @param asked speakers to be looked at; they are part of what they are compared with
 * @param known others of the library
 */
export function doubtSpeakers(asked: readonly ComparedSpeaker[], known: readonly ComparedSpeaker[]): Doubted {
  const doubts = new Map<number, SpeakerDoubt>();
  const notCompared: number[] = [];
  const depths: DepthOver[] = [];
  const all = [...asked, ...known];
  for (const isTweeter of [true, false]) {
    const places = [...all.keys()].filter((at) => (all[at]?.speakerKind === 'tweeter') === isTweeter);
    const kind = new KindOfSpeakers(places.map((at) => all[at] as ComparedSpeaker));
    for (const [index, at] of places.entries()) {
      if (at >= asked.length) continue;
      const found = kind.look(index);
      const over = found === null ? kind.depthOver(index) : null;
      if (over) depths.push(over);
      if (found === 'tooFew') notCompared.push(at);
      else if (found) doubts.set(at, found);
    }
  }
  for (const [at, doubt] of sisterDoubts(asked, known)) if (!doubts.has(at)) doubts.set(at, doubt);
  for (const [at, speaker] of asked.entries()) {
    const doubt = doubtedImpedance(speaker);
    if (doubt && !doubts.has(at)) doubts.set(at, doubt);
  }
  return { doubts, notCompared, datums: makersDatum(depths) };
}

/** Tweeters, or everything that moves more air. */
class KindOfSpeakers {
  private readonly observations: readonly Observation[];
  private readonly names: readonly string[];
  private readonly isFew: readonly boolean[];
  /** Of classes that are large enough, and of all of them as one. */
  private readonly byClass: Model | null;
  private readonly asOne: Model | null;

  constructor(private readonly speakers: readonly ComparedSpeaker[]) {
    const names = [...new Set(speakers.map(className))].sort();
    const places = new Map(names.map((name, at) => [name, at]));
    this.names = names;
    this.observations = speakers.map((speaker) => ({
      classAt: places.get(className(speaker)) as number,
      values: scaled(speaker.figures),
    }));
    const counts = names.map(() => 0);
    for (const { classAt, values } of this.observations)
      if (figureCount(values) >= LEAST_FIGURES) counts[classAt] = (counts[classAt] as number) + 1;
    this.isFew = counts.map((count) => count < LEAST_OF_CLASS);
    this.byClass = modelOf(this.observations.filter(({ classAt }) => !this.isFew[classAt]));
    this.asOne = this.isFew.includes(true) ? modelOf(this.observations.map((each) => ({ ...each, classAt: 0 }))) : null;
  }

  /** How far its depth stands over what its other figures let expect; null where that, or how thick its flange is, is not known. */
  depthOver(index: number): DepthOver | null {
    const { maker, figures } = this.speakers[index] as ComparedSpeaker;
    const row = this.lookAt(index);
    const expectedMm = row?.expected('depth');
    if (!expectedMm || figures.depth === undefined || figures.flangeThickness === undefined) return null;
    return { maker, overMm: figures.depth - expectedMm, flangeMm: figures.flangeThickness };
  }

  look(index: number): SpeakerDoubt | 'tooFew' | null {
    const { classAt } = this.observations[index] as Observation;
    const isFew = this.isFew[classAt] as boolean;
    const others = isFew ? [] : this.sizesBeside(this.speakers[index] as ComparedSpeaker, classAt);
    const row = this.lookAt(index);
    return row ? row.doubt(others) : 'tooFew';
  }

  private lookAt(index: number): RowLook | null {
    const { classAt, values } = this.observations[index] as Observation;
    const isFew = this.isFew[classAt] as boolean;
    const model = isFew ? this.asOne : this.byClass;
    if (!model || figureCount(values) < LEAST_FIGURES) return null;
    return new RowLook(this.speakers[index] as ComparedSpeaker, { classAt: isFew ? 0 : classAt, values }, model);
  }

  /** The same kind by another size's name. */
  private sizesBeside({ speakerKind, nominalSize }: ComparedSpeaker, classAt: number) {
    return NOMINAL_SIZES.flatMap((size) => {
      const at = this.names.indexOf(className({ speakerKind, nominalSize: size }));
      return size === nominalSize || at < 0 || at === classAt || this.isFew[at] ? [] : [{ size, classAt: at }];
    });
  }
}

type Model = { readonly fit: TModel; readonly seen: Seen };

function modelOf(observations: readonly Observation[]): Model | null {
  const usable = observations.filter(({ values }) => figureCount(values) >= LEAST_FIGURES);
  if (usable.length < LEAST_OF_KIND) return null;
  const step = Math.max(1, Math.ceil(usable.length / MOST_FITTED));
  const taken = usable.filter((_, at) => at % step === 0 || usable.length <= MOST_FITTED);
  const fit = fitT(taken, {
    classes: 1 + usable.reduce((most, { classAt }) => Math.max(most, classAt), -1),
    dimensions: COMPARED.length,
    floors: COMPARED.map((id) => SCALES[id].floor ** 2),
  });
  return { fit, seen: new Seen(fit) };
}

type Hypothesis = {
  readonly figure: Compared;
  readonly proposes: number | null;
  readonly words: string;
  /** Minus twice its logarithmic weight. */
  readonly score: number;
};

/** One row beside its class: how far it lies off, and how much nearer each slip brings it. */
class RowLook {
  private readonly block;
  private readonly residual: Float64Array;
  private readonly score: number;

  constructor(
    private readonly speaker: ComparedSpeaker,
    private readonly row: Observation,
    private readonly model: Model,
  ) {
    this.block = model.seen.block(row.values);
    this.residual = model.seen.residual(row, this.block);
    this.score = this.scoreOf(squaredDistance(this.residual, this.block.inverse));
  }

  /** @param others classes that it may belong to by another size's name */
  doubt(others: readonly { readonly size: string; readonly classAt: number }[]): SpeakerDoubt | null {
    const size = this.residual.length;
    // A row no farther off than its class lies is as it should be, whatever slip would leave it there too.
    if (squaredDistance(this.residual, this.block.inverse) < 2 * size + 4) return null;
    const found = [...this.slipped(), ...this.others(), ...others.map((other) => this.byOtherSize(other))];
    const least = Math.min(this.score, ...found.map(({ score }) => score));
    const weight = (score: number) => Math.exp((least - score) / 2);
    const total = found.reduce((sum, { score }) => sum + weight(score), weight(this.score));
    if (weight(this.score) / total > 1 - LIKELIER_WRONG) return null;
    const best = found.reduce((first, each) => (each.score < first.score ? each : first));
    const chance = weight(best.score) / total;
    return this.toDoubt(best, chance);
  }

  /** What the other figures of its row let expect of one; null where it is not there, or stands alone. */
  expected(figure: Compared): number | null {
    const index = this.block.there.indexOf(COMPARED.indexOf(figure));
    if (index < 0 || this.block.there.length < 2) return null;
    const sigma = 1 / Math.sqrt(this.block.inverse[index]?.[index] as number);
    const at = this.row.values[COMPARED.indexOf(figure)] as number;
    return SCALES[figure].from(at - this.offAt(index) * sigma);
  }

  private slipped(): Hypothesis[] {
    const { figures } = this.speaker;
    return SLIPS.flatMap(({ figure, meant, words, share }) => {
      const there = Object.keys(meant) as Compared[];
      if (there.some((id) => figures[id] === undefined)) return [];
      const values = Float64Array.from(this.row.values);
      for (const id of there) {
        const to = SCALES[id].to(meant[id]?.(figures) as number);
        if (!Number.isFinite(to)) return [];
        values[COMPARED.indexOf(id)] = to;
      }
      const proposes = meant[figure]?.(figures) as number;
      const distance = squaredDistance(
        this.model.seen.residual({ ...this.row, values }, this.block),
        this.block.inverse,
      );
      return [{ figure, proposes, words, score: this.scoreOf(distance) - 2 * Math.log(share) }];
    });
  }

  /** Each figure in turn is any other. */
  private others(): Hypothesis[] {
    const whole = squaredDistance(this.residual, this.block.inverse);
    return this.block.there.map((at, index) => {
      const figure = COMPARED[at] as Compared;
      const precision = this.block.inverse[index]?.[index] as number;
      const off = this.offAt(index);
      const sigma = 1 / Math.sqrt(precision);
      const range = figure === 'sensitivity' ? 10 * ANYWHERE : ANYWHERE;
      const wide = 2 * Math.log(range / (sigma * Math.sqrt(2 * Math.PI)));
      return {
        figure,
        proposes: null,
        words: '',
        score: this.scoreOf(whole - off * off) - 2 * Math.log(OTHER_SHARE) + Math.max(0, wide),
      };
    });
  }

  private byOtherSize({ size, classAt }: { readonly size: string; readonly classAt: number }): Hypothesis {
    const residual = this.model.seen.residual({ ...this.row, classAt }, this.block);
    return {
      figure: this.block.there.includes(0) ? 'cutout' : (COMPARED[this.block.there[0] as number] as Compared),
      proposes: null,
      words: `it is a ${size} one`,
      score: this.scoreOf(squaredDistance(residual, this.block.inverse)) - 2 * Math.log(SIZE_SHARE),
    };
  }

  private scoreOf(squared: number): number {
    const { df } = this.model.fit;
    return (df + this.residual.length) * Math.log1p(Math.max(0, squared) / df);
  }

  /** How far one figure is off what the others of its row let expect, in standard deviations. */
  private offAt(index: number): number {
    const line = this.block.inverse[index] as readonly number[];
    const pulled = line.reduce((sum, each, at) => sum + each * (this.residual[at] as number), 0);
    return pulled / Math.sqrt(line[index] as number);
  }

  private toDoubt({ figure, proposes, words }: Hypothesis, chance: number): SpeakerDoubt {
    const value = this.speaker.figures[figure] as number;
    const index = this.block.there.indexOf(COMPARED.indexOf(figure));
    const sigma = 1 / Math.sqrt(this.block.inverse[index]?.[index] as number);
    const at = this.row.values[COMPARED.indexOf(figure)] as number;
    const expected = at - this.offAt(index) * sigma;
    const from = (shifted: number) => printed(Math.max(0, SCALES[figure].from(expected + shifted * sigma)));
    const { label, unit } = FIGURE_WORDS[figure];
    const seen = `${label} ${printed(value)} ${unit}: by its other figures a ${this.speaker.nominalSize} ${this.speaker.speakerKind} has ${from(-2)} to ${from(2)} ${unit}.`;
    const why =
      words === ''
        ? ''
        : ` ${percent(chance)} likely that ${words}${proposes === null ? '' : `: ${printed(proposes)} ${unit}`}.`;
    return { figure, value, words: `${seen}${why}`, proposes: words === '' ? null : rounded(proposes), chance };
  }
}

function className({ speakerKind, nominalSize }: Pick<ComparedSpeaker, 'speakerKind' | 'nominalSize'>): string {
  return `${speakerKind}, ${nominalSize}`;
}

function figureCount(values: Float64Array): number {
  return values.reduce((count, value) => count + (Number.isNaN(value) ? 0 : 1), 0);
}

function rounded(value: number | null): number | null {
  return value === null ? null : Number(value.toPrecision(4));
}

/** With as many figures as tell it from another: 0.71 g is not 1 g. */
function printed(value: number): string {
  return String(Number(value.toFixed(value >= 100 ? 0 : value < 10 ? 2 : 1)));
}

function percent(chance: number): string {
  return `${Math.min(99, Math.round(100 * chance))}\u00a0%`;
}
