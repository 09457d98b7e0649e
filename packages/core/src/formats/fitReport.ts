/**
 * A fit report: every speaker of a parts pack in one opening, best first, with its chain and every check. The same core
 * and the same numbers as on the screen.
 */
import { z } from 'zod';
import { CHECK_IDS } from '../fit/Check';
import { CatalogueIndex } from '../fit/engine/CatalogueIndex';
import { FitEngine } from '../fit/engine/FitEngine';
import { nextMeasurements } from '../fit/nextMeasurement';
import { CHANCE_DEFAULTS, wholeChance } from '../fit/wholeChance';
import { rimPlaceList, toFitOpening } from '../model/opening';
import { toFitCatalogue } from '../model/parts';
import type { OpeningFile } from './openingFile';
import type { PartsFile } from './partsFile';

const point = z.tuple([z.number(), z.number(), z.number()]);
const verdict = z.enum(['clears', 'measure', 'hits', 'hold']);

const checkSchema = z.strictObject({
  id: z.enum(CHECK_IDS),
  verdict,
  /** False where it is left to the fitter's eye. */
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

export const fitReportSchema = z.strictObject({
  format: z.literal('fit report'),
  version: z.literal(1),
  opening: z.string(),
  confidence: z.number(),
  stacksJudged: z.int(),
  /** What to measure next, best first: how many open candidates it is expected to settle. */
  measureNext: z.array(
    z.strictObject({ dimension: z.string(), instrument: z.string(), settled: z.number(), open: z.int() }),
  ),
  candidates: z.array(
    z.strictObject({
      speakerId: z.string(),
      speaker: z.string(),
      verdict,
      decidedBy: z.enum(CHECK_IDS),
      chain: z.strictObject({
        brackets: z.array(z.strictObject({ id: z.string(), name: z.string() })),
        spacer: z.strictObject({ id: z.string(), name: z.string(), made: z.boolean() }).nullable(),
        harness: z.array(z.strictObject({ id: z.string(), name: z.string() })),
      }),
      addedParts: z.int(),
      costMinor: z.int(),
      /** That everything clears at once; null where a dimension is missing, or where it was not asked for. */
      chance: z.number().nullable(),
      checks: z.array(checkSchema),
    }),
  ),
});
export type FitReport = z.infer<typeof fitReportSchema>;

export type ReportOptions = {
  /** The whole chance is worked out for so many of the best; it costs some 50 ms each. */
  readonly chancesFor: number;
};
export const REPORT_DEFAULTS: ReportOptions = { chancesFor: 20 };

export function fitReport(
  { opening: record, rules }: OpeningFile,
  { parts, connectors }: PartsFile,
  { chancesFor }: ReportOptions = REPORT_DEFAULTS,
): FitReport {
  const names = new Map(connectors.map(({ id, name }) => [id, name]));
  const opening = toFitOpening(record, rules.halfWidthsMm, (id) => names.get(id) ?? id);
  const engine = new FitEngine(new CatalogueIndex(toFitCatalogue(parts)), rules);
  engine.rank(opening);
  const judged = Array.from(engine.order, (at) => ({
    at,
    judgement: engine.judgementOf(at),
    candidate: engine.candidateOf(at),
  }));
  const next = nextMeasurements(
    opening,
    judged.map(({ judgement }) => judgement),
    { halfWidthsMm: rules.halfWidthsMm, places: rimPlaceList(record, opening), confidence: rules.confidence },
  );
  return {
    format: 'fit report',
    version: 1,
    opening: opening.label,
    confidence: rules.confidence,
    stacksJudged: judged.reduce((sum, { at }) => sum + engine.rankedSpeaker(at).stacksJudged, 0),
    measureNext: next.map(({ action, settled, open }) => ({
      dimension: action.key,
      instrument: action.instrument,
      settled: tidy(settled),
      open,
    })),
    candidates: judged.map(({ at, judgement, candidate }, rank) => {
      const { best } = engine.rankedSpeaker(at);
      const { speaker, brackets, spacer } = candidate;
      const whole = rank < chancesFor ? wholeChance(opening, candidate, judgement, rules, CHANCE_DEFAULTS) : null;
      return {
        speakerId: speaker.id,
        speaker: speaker.name,
        verdict: judgement.verdict,
        decidedBy: judgement.decidedBy,
        chain: {
          brackets: brackets.map(({ id, name }) => ({ id, name })),
          spacer: spacer && { id: spacer.id, name: spacer.name, made: spacer.made },
          harness: judgement.harness.map(({ id, name }) => ({ id, name })),
        },
        addedParts: best.addedParts,
        costMinor: best.costMinor,
        chance: whole && tidy(whole.chance),
        checks: judgement.checks.map(({ id, verdict: each, isJudged, sentence, margin, nearest, missing }) => ({
          id,
          verdict: each,
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
        })),
      };
    }),
  };
}

/** A micrometre and less is noise of the arithmetic, and would make every report differ. */
function tidy(value: number): number {
  const rounded = Math.round(value * 1e6) / 1e6;
  return rounded === 0 ? 0 : rounded;
}
