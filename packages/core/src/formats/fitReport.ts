/**
 * A fit report: every speaker of a parts pack in one opening, best first, with its chain and every check. The same core
 * and the same numbers as on the screen.
 */
import { z } from 'zod';
import { COST_UNKNOWN, toFitCatalogue } from '../catalogue';
import type { FitOpening, Judgement } from '../fit';
import {
  CatalogueIndex,
  CHECK_IDS,
  type Check,
  COUNTS_FOR,
  candidateMeasurements,
  FitEngine,
  type NextMeasurement,
  type NextOptions,
  nextMeasurements,
} from '../fit';
import { readingHalfWidthsMm, rimPlaceList, toFitOpening } from '../model';
import { radToDeg } from '../units';
import type { OpeningFile } from './openingFile';
import type { PartsFile } from './partsFile';

const point = z.tuple([z.number(), z.number(), z.number()]);
const verdict = z.enum(['clears', 'measure', 'hits', 'hold']);

const checkSchema = z.strictObject({
  id: z.enum(CHECK_IDS),
  verdict,
  /** The candidate's own, the same for every candidate of the opening, or told when the part is here. */
  countsFor: z.enum(COUNTS_FOR),
  /** False where nobody has looked. */
  judged: z.boolean(),
  sentence: z.string(),
  marginMm: z.number().nullable(),
  standardUncertaintyMm: z.number().nullable(),
  /** Half-width of the interval at the report's confidence. */
  expandedMm: z.number().nullable(),
  /** Nearest points in the opening's frame: x right, y up, z into the door. */
  nearest: z.strictObject({ onPartMm: point, onOtherMm: point, askedMm: z.number() }).nullable(),
  missing: z.array(z.string()),
});

const nextSchema = z.strictObject({
  dimension: z.string(),
  instrument: z.string(),
  settled: z.number(),
  open: z.int(),
});

export const fitReportSchema = z.strictObject({
  format: z.literal('fit report'),
  version: z.literal(1),
  opening: z.string(),
  confidence: z.number(),
  stacksJudged: z.int(),
  /** What to measure next, best first: how many open candidates it is expected to settle. */
  measureNext: z.array(nextSchema),
  candidates: z.array(
    z.strictObject({
      speakerId: z.string(),
      speaker: z.string(),
      verdict,
      decidedBy: z.enum(CHECK_IDS),
      chain: z.strictObject({
        /** Brackets and rings from the metal to the speaker. */
        layers: z.array(
          z.strictObject({
            id: z.string(),
            name: z.string(),
            kind: z.enum(['bracket', 'spacer']),
            /** Cut from sheet for this opening. */
            made: z.boolean(),
          }),
        ),
        /** Turn of the speaker, anticlockwise as seen from the cabin. */
        turnDeg: z.number(),
        harness: z.array(z.strictObject({ id: z.string(), name: z.string() })),
      }),
      addedParts: z.int(),
      /** In the shop's currency; null where a price of it is not known. */
      costMinor: z.int().nullable(),
      /** That every length clears at once; null where a dimension is missing or something holds. */
      chance: z.number().nullable(),
      checks: z.array(checkSchema),
      /** What would settle this one, the opening's and the parts' own dimensions; empty unless it is to be measured. */
      measureNext: z.array(nextSchema),
    }),
  ),
});
export type FitReport = z.infer<typeof fitReportSchema>;

type Head = Omit<FitReport, 'candidates'>;
type ReportedCandidate = FitReport['candidates'][number];

/** So many of the best open candidates are asked what would settle them: a list that is longer is measured for in parts anyway. */
const MOST_ASKED = 500;

/** The whole report as one object: for a shop's own catalogue. */
export function fitReport(opening: OpeningFile, parts: PartsFile): FitReport {
  const { head, candidates } = reportParts(opening, parts);
  return { ...head, candidates: [...candidates] };
}

/** The same as JSON text, candidate by candidate: of however many, one at a time is in memory. */
export function* fitReportText(opening: OpeningFile, parts: PartsFile): Generator<string> {
  const { head, candidates } = reportParts(opening, parts);
  const open = JSON.stringify({ ...head, candidates: [] }, null, 2);
  yield open.slice(0, open.lastIndexOf(']'));
  let isFirst = true;
  for (const candidate of candidates) {
    const text = JSON.stringify(candidate, null, 2).replaceAll('\n', '\n    ');
    yield `${isFirst ? '' : ','}\n    ${text}`;
    isFirst = false;
  }
  yield `${isFirst ? '' : '\n  '}]\n}\n`;
}

function reportParts(
  { opening: record, rules }: OpeningFile,
  { parts, connectors }: PartsFile,
): { readonly head: Head; readonly candidates: Iterable<ReportedCandidate> } {
  const names = new Map(connectors.map(({ id, name }) => [id, name]));
  const halfWidthsMm = readingHalfWidthsMm(rules);
  const opening = toFitOpening(record, halfWidthsMm, (id) => names.get(id) ?? id);
  const engine = new FitEngine(new CatalogueIndex(toFitCatalogue(parts)), rules);
  engine.rank(opening);
  const options = {
    halfWidthsMm,
    places: rimPlaceList(record, opening),
    confidence: rules.confidence,
  };
  const asked: Judgement[] = [];
  for (const at of engine.order) {
    if (asked.length === MOST_ASKED) break;
    if (engine.rankedSpeaker(at).best.verdict === 'measure') asked.push(engine.judgementOf(at));
  }
  const head: Head = {
    format: 'fit report',
    version: 1,
    opening: opening.label,
    confidence: rules.confidence,
    stacksJudged: engine.stacksJudged,
    measureNext: nextMeasurements(opening, asked, options).map(toNext),
  };
  return {
    head,
    candidates: (function* () {
      for (const at of engine.order) yield toReported(engine, at, opening, options);
    })(),
  };
}

function toReported(engine: FitEngine, at: number, opening: FitOpening, options: NextOptions): ReportedCandidate {
  const judgement = engine.judgementOf(at);
  const { speaker, layers } = engine.candidateOf(at);
  const { best } = engine.rankedSpeaker(at);
  return {
    speakerId: speaker.id,
    speaker: speaker.name,
    verdict: judgement.verdict,
    decidedBy: judgement.decidedBy,
    chain: {
      layers: layers.map((layer) => ({
        id: layer.id,
        name: layer.name,
        kind: layer.kind,
        made: layer.kind === 'spacer' && layer.made,
      })),
      turnDeg: tidy(radToDeg(judgement.mount.pose.angleRad)),
      harness: judgement.harness.map(({ id, name }) => ({ id, name })),
    },
    addedParts: best.addedParts,
    costMinor: best.costMinor === COST_UNKNOWN ? null : best.costMinor,
    chance: judgement.chance === null ? null : tidy(judgement.chance),
    checks: judgement.checks.map(toReportedCheck),
    measureNext: candidateMeasurements(opening, judgement, options).slice(0, MOST_NEXT).map(toNext),
  };
}

function toReportedCheck(check: Check): ReportedCandidate['checks'][number] {
  const { id, verdict: word, countsFor, isJudged, sentence, margin, nearest, missing } = check;
  return {
    id,
    verdict: word,
    countsFor,
    judged: isJudged,
    sentence,
    marginMm: margin && tidy(margin.valueMm),
    standardUncertaintyMm: margin && tidy(margin.standardUncertaintyMm),
    expandedMm: margin && tidy(margin.expandedMm),
    nearest: nearest && {
      onPartMm: [...nearest.onPart].map(tidy) as [number, number, number],
      onOtherMm: [...nearest.onOther].map(tidy) as [number, number, number],
      askedMm: nearest.askedMm,
    },
    missing: [...missing],
  };
}

/** Of one candidate so many measurements are named, best first. */
const MOST_NEXT = 3;

function toNext({ action, settled, open }: NextMeasurement) {
  return { dimension: action.key, instrument: action.instrument, settled: tidy(settled), open };
}

/** A micrometre and less is noise of the arithmetic, and would make every report differ. */
function tidy(value: number): number {
  const rounded = Math.round(value * 1e6) / 1e6;
  return rounded === 0 ? 0 : rounded;
}
