import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { toFitCatalogue } from '../catalogue';
import { judgeCandidate } from '../fit/judgeCandidate';
import { fromSide } from '../model/fromSide';
import { readingHalfWidthsMm } from '../model/settings';
import { toFitOpening } from '../model/toFitOpening';
import { fuzzed } from '../testing/fuzzed';
import { offered } from '../testing/offers';
import { fitReport, fitReportSchema, fitReportText } from './fitReport';
import { JSON_SCHEMAS } from './jsonSchemas';
import { openingFileSchema } from './openingFile';
import { MOST_PARTS, partsFileSchema } from './partsFile';
import { explainFileFailure, readFile } from './readFile';

// Seeded: what a run finds must be found again by the next one.
const ROOT = new URL('../../../../', import.meta.url);
const text = (path: string) => readFileSync(new URL(path, ROOT), 'utf8');
const OPENING = text('samples/formats/oval-door.opening.json');
const PARTS = text('samples/formats/oval.parts.json');

function read() {
  const opening = readFile(OPENING, openingFileSchema);
  const parts = readFile(PARTS, partsFileSchema);
  if (!opening.ok || !parts.ok) throw new Error('expected the samples to be readable');
  return { opening: opening.value, parts: parts.value };
}

describe('the samples', () => {
  test('are the same behind a byte-order mark', () => {
    expect(readFile(`\uFEFF${OPENING}`, openingFileSchema)).toEqual(readFile(OPENING, openingFileSchema));
    // One only: a second is no part of a file in UTF-8.
    expect(readFile(`\uFEFF\uFEFF${OPENING}`, openingFileSchema).ok).toBe(false);
  });

  test('give a report that keeps to its own schema, with the numbers of the core', () => {
    const { opening, parts } = read();
    const report = fitReport(opening, parts);
    expect(fitReportSchema.parse(JSON.parse(JSON.stringify(report)))).toEqual(report);
    // Told candidate by candidate it is the same text.
    expect([...fitReportText(opening, parts)].join('')).toBe(`${JSON.stringify(report, null, 2)}\n`);
    expect(report.candidates).toHaveLength(3);
    const catalogue = toFitCatalogue(parts.parts);
    const at = toFitOpening(opening.opening, readingHalfWidthsMm(opening.rules), (id) => id);
    for (const { speakerId, chain, checks } of report.candidates) {
      if (chain.layers.length > 1 || chain.layers.some(({ made, kind }) => made || kind === 'bracket')) continue;
      const [speaker] = catalogue.speakers.filter(({ id }) => id === speakerId);
      if (!speaker) throw new Error('expected the speaker');
      const layers = catalogue.spacers.filter(({ id }) => id === chain.layers[0]?.id);
      const judged = judgeCandidate(at, { speaker, layers }, catalogue.adapters, opening.rules);
      judged.checks.forEach(({ margin }, index) => {
        if (margin) expect(checks[index]?.marginMm).toBeCloseTo(margin.valueMm, 5);
        else expect(checks[index]?.marginMm).toBeNull();
      });
    }
  });

  test('an instrument that reads off coarsely makes the interval of the report as wide as that of the screen', () => {
    const { opening, parts } = read();
    const taken = {
      readingsMm: [62],
      source: 'depthStick',
      entered: '62',
      takenBy: 'Jory',
      takenAt: '2026-03-02T10:00:00Z',
    } as const;
    const coarse = {
      ...opening,
      opening: { ...opening.opening, dimensions: { ...opening.opening.dimensions, depthBehind: taken } },
      rules: { ...opening.rules, resolutionsMm: { depthStick: 8 } },
    };
    const file = openingFileSchema.parse(coarse);
    const widthOf = (rules: typeof opening.rules) => {
      const [first] = fitReport({ ...file, rules }, parts).candidates;
      return first?.checks.find(({ id }) => id === 'depth')?.expandedMm ?? 0;
    };
    // As the screen takes them: the reading off counted into each half-width.
    const asOnScreen = { ...file.rules, halfWidthsMm: readingHalfWidthsMm(file.rules), resolutionsMm: {} };
    expect(fitReport(file, parts).candidates).toEqual(fitReport({ ...file, rules: asOnScreen }, parts).candidates);
    expect(widthOf(file.rules)).toBeGreaterThan(widthOf(opening.rules) + 0.5);
  });

  test('the same files give the same report, to the letter', () => {
    const { opening, parts } = read();
    expect(JSON.stringify(fitReport(opening, parts))).toBe(JSON.stringify(fitReport(opening, parts)));
  });
});

test('the schemas in docs/schemas are those that the readers use', () => {
  const written = Object.fromEntries(
    readdirSync(new URL('docs/schemas/', ROOT)).map((name) => [
      name.replace('.schema.json', ''),
      JSON.parse(text(`docs/schemas/${name}`)),
    ]),
  );
  expect(written).toEqual(JSON.parse(JSON.stringify(JSON_SCHEMAS)));
});

describe('a bad file is answered with the place, what stood there, and what is expected', () => {
  const broken = (change: (file: { opening: Record<string, unknown> }) => void) => {
    const file = JSON.parse(OPENING);
    change(file);
    const result = readFile(JSON.stringify(file), openingFileSchema);
    if (result.ok) throw new Error('expected a failure');
    return explainFileFailure('door.json', result.failure);
  };

  test.each<[string, (file: { opening: Record<string, unknown> }) => void, RegExp]>([
    [
      'a word that nobody knows',
      (file) => Object.assign(file.opening, { place: 'roof' }),
      /^door\.json at opening\.place: found "roof"; .*"frontDoorLow"/,
    ],
    [
      'a depth of 9 metres',
      (file) =>
        Object.assign(file.opening.dimensions as object, {
          depthBehind: { readingsMm: [9000], source: 'depthStick', entered: '9000', takenBy: null, takenAt: null },
        }),
      /at opening\.dimensions\.depthBehind\.readingsMm\.0: found 9000; .*expected 8 mm to 400 mm/,
    ],
    [
      'an obstacle without a depth',
      (file) => Object.assign(file.opening, { obstacles: [{ id: 'a', label: 'a', kind: 'beam', xMm: 0, yMm: 0 }] }),
      /at opening\.obstacles\.0\.depth: found nothing/,
    ],
    [
      'a field that nobody knows',
      (file) => Object.assign(file.opening, { colour: 'red' }),
      /Unrecognized key: "colour"/,
    ],
  ])('%s', (_, change, says) => {
    expect(broken(change)).toMatch(says);
  });

  test('text that is no JSON, and an id that stands twice', () => {
    const noJson = readFile('{ "format": ', openingFileSchema);
    expect(noJson.ok || noJson.failure.expected).toMatch(/^JSON/);
    const file = JSON.parse(PARTS);
    file.parts.push(file.parts[0]);
    const twice = readFile(JSON.stringify(file), partsFileSchema);
    expect(twice.ok || twice.failure).toMatchObject({ path: 'parts.5.id', found: '"spk-deep"' });
  });
});

describe('fuzz', () => {
  const anything = fc.jsonValue({ maxDepth: 4 });

  test('no JSON value makes a reader throw', () => {
    fc.assert(
      fc.property(anything, fc.constantFrom(openingFileSchema, partsFileSchema), (value, schema) => {
        const result = readFile(JSON.stringify(value), schema);
        if (!result.ok) expect(explainFileFailure('f', result.failure).length).toBeLessThan(2000);
      }),
      fuzzed(100),
    );
  });

  test('no text makes a reader throw', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (any) => void readFile(any, openingFileSchema)),
      fuzzed(100),
    );
  });

  test('one value of a good file replaced by anything: refused with a place, or a report without NaN', () => {
    const paths = placesOf(JSON.parse(OPENING));
    const { parts } = read();
    fc.assert(
      fc.property(
        fc.constantFrom(...paths),
        fc.oneof(anything, fc.double(), fc.constantFrom(0, -1, 1e9, '', null, [])),
        (path, value) => {
          const file = JSON.parse(OPENING);
          replaceAt(file, path, value);
          const result = readFile(JSON.stringify(file), openingFileSchema);
          if (!result.ok) {
            expect(result.failure.expected).not.toBe('');
            return;
          }
          const report = JSON.stringify(fitReport(result.value, parts));
          expect(fitReportSchema.safeParse(JSON.parse(report)).success).toBe(true);
        },
      ),
      fuzzed(120),
    );
  });
});

type Path = readonly (string | number)[];

function placesOf(value: unknown, at: Path = []): readonly Path[] {
  if (value === null || typeof value !== 'object') return [at];
  return Object.entries(value).flatMap(([key, inner]) =>
    placesOf(inner, [...at, Array.isArray(value) ? Number(key) : key]),
  );
}

function replaceAt(value: unknown, path: Path, by: unknown): void {
  let at = value as Record<string | number, unknown>;
  for (const step of path.slice(0, -1)) at = at[step] as Record<string | number, unknown>;
  at[path.at(-1) ?? ''] = by;
}

describe('the other side', () => {
  test('mirrored twice is where it was', () => {
    const { opening } = read();
    const there = fromSide(opening.opening);
    expect(there.side).toBe('right');
    expect(fromSide(there)).toEqual(opening.opening);
  });

  test('judges alike: what is mirrored everywhere leaves every margin as it was', () => {
    const { opening: plainDoor, parts } = read();
    const stud = {
      id: 'stud',
      label: 'stud',
      xMm: 118,
      yMm: 12,
      placeHalfWidthMm: 2,
      diameterMm: 8,
      height: { readingsMm: [3], source: 'calliper' as const, entered: '3', takenBy: null, takenAt: null },
    };
    const opening: typeof plainDoor = { ...plainDoor, opening: { ...plainDoor.opening, proud: [stud] } };
    const mirrored = { ...opening, opening: { ...fromSide(opening.opening), plugDeg: null } };
    const here = { ...opening, opening: { ...opening.opening, plugDeg: null } };
    const plain = {
      ...parts,
      parts: parts.parts.map((part) => (part.kind === 'speaker' ? { ...part, boxes: [] } : part)),
    };
    const margins = (file: typeof opening) =>
      fitReport(file, plain).candidates.map(({ speakerId, checks }) => [
        speakerId,
        ...checks.map(({ marginMm }) => marginMm?.toFixed(4) ?? null),
      ]);
    expect(margins(mirrored)).toEqual(margins(here));
  });

  test('what stands on one side only is not carried over', () => {
    const { opening } = read();
    const [beam] = opening.opening.obstacles;
    if (!beam) throw new Error('expected a beam');
    expect(fromSide({ ...opening.opening, obstacles: [{ ...beam, thisSideOnly: true }] }).obstacles).toEqual([]);
  });
});

test('a pack of the first version is read: its one supplier is its offer, and nobody is one where none was chosen', () => {
  const ring = {
    ...{ kind: 'spacer', id: 'ring', maker: 'M', name: 'Ring', heightMm: 6 },
    inner: { kind: 'circle', diameterMm: 140 },
    outer: { kind: 'circle', diameterMm: 170 },
  };
  const sold = { ...ring, supplier: 'Quayside', packSize: 2, packPriceMinor: 901 };
  const unsold = { ...ring, id: 'ring-2', supplier: 'not chosen yet', packSize: 1, packPriceMinor: 0 };
  const pack = partsFileSchema.parse({ format: 'parts', version: 1, parts: [sold, unsold] });
  expect(pack.parts.map(({ offers }) => offers)).toEqual([offered(2, 901, { supplier: 'Quayside' }), []]);
  const wrong = readFile(
    JSON.stringify({ format: 'parts', version: 1, parts: [{ ...sold, packSize: 0 }] }),
    partsFileSchema,
  );
  if (wrong.ok) throw new Error('expected a refusal');
  expect(wrong.failure).toMatchObject({ path: 'parts.0.offers.0.packSize', expected: 'A pack has at least 1 piece.' });
});

test('a pack of more parts than are read is refused with what was found, cut short', () => {
  const parts = Array.from({ length: MOST_PARTS + 1 }, () => 'x');
  const result = readFile(JSON.stringify({ format: 'parts', version: 1, parts }), partsFileSchema);
  if (result.ok) throw new Error('expected a refusal');
  expect(explainFileFailure('big.json', result.failure)).toMatch(/^big\.json at parts(\.\d+)?: found .{1,61};/);
});
