/**
 * A fit report: every speaker of a parts pack in one opening, best first, with its chain and every check. The same core
 * and the same numbers as on the screen.
 */
import { z } from 'zod';
import { candidateMeasurements, type NextMeasurement, nextMeasurements } from '../fit/advice/nextMeasurement';
import { CHECK_IDS, COUNTS_FOR } from '../fit/Check';
import { CatalogueIndex } from '../fit/search/CatalogueIndex';
import { FitEngine } from '../fit/search/FitEngine';
import { rimPlaceList, toFitOpening } from '../model/opening';
import { toFitCatalogue } from '../model/parts';
import { radToDeg } from '../units/angle';
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
      costMinor: z.int(),
      /** That every length clears at once; null where a dimension is missing or something holds. */
      chance: z.number().nullable(),
      checks: z.array(checkSchema),
      /** What would settle this one, the opening's and the parts' own dimensions; empty unless it is to be measured. */
      measureNext: z.array(nextSchema),
    }),
  ),
});
export type FitReport = z.infer<typeof fitReportSchema>;

export function fitReport({ opening: record, rules }: OpeningFile, { parts, connectors }: PartsFile): FitReport {
  const names = new Map(connectors.map(({ id, name }) => [id, name]));
  const opening = toFitOpening(record, rules.halfWidthsMm, (id) => names.get(id) ?? id);
  const engine = new FitEngine(new CatalogueIndex(toFitCatalogue(parts)), rules);
  engine.rank(opening);
  const judged = Array.from(engine.order, (at) => ({
    at,
    judgement: engine.judgementOf(at),
    candidate: engine.candidateOf(at),
  }));
  const options = {
    halfWidthsMm: rules.halfWidthsMm,
    places: rimPlaceList(record, opening),
    confidence: rules.confidence,
  };
  const next = nextMeasurements(
    opening,
    judged.map(({ judgement }) => judgement),
    options,
  );
  return {
    format: 'fit report',
    version: 1,
    opening: opening.label,
    confidence: rules.confidence,
    stacksJudged: engine.stacksJudged,
    measureNext: next.map(toNext),
    candidates: judged.map(({ at, judgement, candidate }) => {
      const { best } = engine.rankedSpeaker(at);
      const { speaker, layers } = candidate;
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
        costMinor: best.costMinor,
        chance: judgement.chance === null ? null : tidy(judgement.chance),
        checks: judgement.checks.map(
          ({ id, verdict: each, countsFor, isJudged, sentence, margin, nearest, missing }) => ({
            id,
            verdict: each,
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
          }),
        ),
        measureNext: candidateMeasurements(opening, judgement, options).slice(0, MOST_NEXT).map(toNext),
      };
    }),
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
