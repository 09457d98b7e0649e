/**
 * Times of the fit, side by side in one run: a ranking cold and warm, a step of the slider, the rotation against a plain
 * scan, and the growth with the catalogue. Prints a table and a last line of JSON.
 */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { judgeCandidate } from '@low-quarry/core/fit/judgeCandidate';
import { rankCandidates } from '@low-quarry/core/fit/rankCandidates';
import type { FitCatalogue } from '@low-quarry/core/fit/shapes';
import { patternHoles } from '@low-quarry/core/geometry/BoltPattern';
import { bestRotation, rotationAt } from '@low-quarry/core/geometry/bestRotation';
import { toFitOpening } from '@low-quarry/core/model/opening';
import { type PartRecord, partSchema, toFitCatalogue } from '@low-quarry/core/model/parts';
import { shopSchema, toFitRules } from '@low-quarry/core/model/shop';
import { vehicleSchema } from '@low-quarry/core/model/vehicle';
import { z } from 'zod';

const demoDir = process.env.LQ_DEMO_DIR ?? 'demo';
const read = (name: string) => JSON.parse(readFileSync(path.join(demoDir, name), 'utf8'));

const parts = ['speakers', 'brackets', 'spacers', 'harness-adapters'].flatMap((name) =>
  z.array(partSchema).parse(read(`${name}.json`)),
);
const shop = shopSchema.parse(read('shop.json'));
const rules = toFitRules(shop);
const openings = z
  .array(vehicleSchema)
  .parse(read('vehicles.json'))
  .flatMap(({ openings: records }) => records.map((record) => toFitOpening(record, shop.halfWidthsMm, String)));

const REPEATS = 9;
const STEPS = 2000;
const SCAN_STEPS = 3600;

function timeMs(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

function median(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;
}

function repeated(work: () => void): number {
  return median(Array.from({ length: REPEATS }, () => timeMs(work)));
}

/** The same shop with every speaker several times over, each with identities of its own. */
function enlarged(times: number): FitCatalogue {
  const copies = Array.from({ length: times }, (_, copy) =>
    parts.map((part): PartRecord => (part.kind === 'speaker' ? { ...part, id: `${part.id}-${copy}` } : part)),
  );
  const speakers = copies.flatMap((list) => list.filter((part) => part.kind === 'speaker'));
  return toFitCatalogue([...speakers, ...parts.filter((part) => part.kind !== 'speaker')]);
}

const [opening] = openings;
if (!opening) throw new Error('fitBench: expected an opening in the demo vehicles');
const catalogue = toFitCatalogue(parts);
const candidates = rankCandidates(opening, catalogue, rules).candidatesJudged;

const coldMs = median(
  Array.from({ length: 3 }, () => timeMs(() => rankCandidates(opening, toFitCatalogue(parts), rules))),
);
const warmMs = repeated(() => rankCandidates(opening, catalogue, rules));
const shopMs = repeated(() => {
  for (const each of openings) rankCandidates(each, catalogue, rules);
});

const [speaker] = catalogue.speakers;
if (!speaker) throw new Error('fitBench: expected a speaker in the demo shop');
const stepUs =
  (repeated(() => {
    for (let step = 0; step < STEPS; step++) {
      for (const check of judgeCandidate(opening, { speaker, bracket: null, spacer: null }, catalogue.adapters, rules)
        .checks) {
        if (check.sentence === '') throw new Error('fitBench: expected a sentence');
      }
    }
  }) /
    STEPS) *
  1000;

const { bolts } = opening;
if (!bolts) throw new Error('fitBench: expected an opening with bolts');
const screws = patternHoles(bolts);
const patterns = catalogue.speakers.map((each) => patternHoles(each.bolts));
const rotationMs = repeated(() => {
  for (const holes of patterns) bestRotation(screws, holes, { toleranceMm: 0.5 });
});
const scanMs = repeated(() => {
  for (const holes of patterns) {
    for (let step = 0; step < SCAN_STEPS; step++) rotationAt(screws, holes, (step / SCAN_STEPS) * 2 * Math.PI, 0.5);
  }
});

const sizes = [1, 2, 4, 8].map((times) => {
  const large = enlarged(times);
  rankCandidates(opening, large, rules);
  return { speakers: large.speakers.length, ms: repeated(() => rankCandidates(opening, large, rules)) };
});
const [least, most] = [sizes[0], sizes.at(-1)];
const growthExponent =
  least && most ? Math.log(most.ms / least.ms) / Math.log(most.speakers / least.speakers) : Number.NaN;

const rows: readonly (readonly [string, string])[] = [
  [`rank ${candidates} candidates, patterns not met before`, `${coldMs.toFixed(0)} ms`],
  [`rank ${candidates} candidates again`, `${warmMs.toFixed(0)} ms, ${(coldMs / warmMs).toFixed(1)} times quicker`],
  [`rank all ${openings.length} openings of the demo vehicles`, `${shopMs.toFixed(0)} ms`],
  ['one step of the slider: seven checks with sentences', `${stepUs.toFixed(1)} µs`],
  ['best rotation against a scan in steps of 0.1°', `${(scanMs / rotationMs).toFixed(1)} times quicker`],
  ...sizes.map(({ speakers, ms }) => [`rank with ${speakers} speakers`, `${ms.toFixed(0)} ms`] as const),
  ['growth: time as speakers to the power of', growthExponent.toFixed(2)],
];
for (const [what, figure] of rows) process.stdout.write(`${what.padEnd(56)} ${figure}\n`);
const round = (value: number, places: number) => Number(value.toFixed(places));
process.stdout.write(
  `${JSON.stringify({
    candidates,
    coldMs: round(coldMs, 1),
    warmMs: round(warmMs, 1),
    openings: openings.length,
    shopMs: round(shopMs, 1),
    stepUs: round(stepUs, 2),
    rotationSpeedup: round(scanMs / rotationMs, 2),
    growthExponent: round(growthExponent, 3),
  })}\n`,
);
