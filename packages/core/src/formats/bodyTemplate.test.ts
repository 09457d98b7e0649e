import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { openingRecordSchema, SOURCES } from '../model';
import { bodyTemplateSchema, openingsOfTemplate } from './bodyTemplate';
import { readFile } from './readFile';

const BODIES = path.resolve(import.meta.dirname, '../../../../starter/bodies');
const files = readdirSync(BODIES);
const ESTATE = JSON.parse(readFileSync(path.join(BODIES, 'estate.json'), 'utf8'));

describe('the bodies that come with the program', () => {
  test.each(files)('%s is read, and nothing of it counts as looked at', (name) => {
    const read = readFile(readFileSync(path.join(BODIES, name), 'utf8'), bodyTemplateSchema);
    if (!read.ok) throw new Error(JSON.stringify(read.failure));
    const openings = openingsOfTemplate(read.value);
    expect(openings.length).toBeGreaterThanOrEqual(4);
    for (const opening of openings) {
      expect(openingRecordSchema.parse(opening)).toEqual(opening);
      expect(opening).toMatchObject({
        presence: 'notLooked',
        obstaclesLooked: false,
        proudLooked: false,
        airbag: 'notLooked',
      });
      for (const { source } of Object.values(opening.dimensions)) expect(SOURCES[source].origin).toBe('classDefault');
    }
  });
});

test('an opening on both sides is two, each on its own', () => {
  const [left, right] = openingsOfTemplate(bodyTemplateSchema.parse(ESTATE));
  expect(left).toEqual({ ...right, side: 'left' });
});

test.each([
  ['a length out of its range', { lengthsMm: { holeDiameter: 1450 } }, 'openings.0.lengthsMm.holeDiameter', '320'],
  ['another place without a name', { place: 'other' }, 'openings.0.name', 'called'],
  ['a side that is none', { sides: ['front'] }, 'openings.0.sides.0', 'left'],
  ['a length that is none', { lengthsMm: { depth: 60 } }, 'openings.0.lengthsMm', 'depth'],
  ['no side', { sides: [] }, 'openings.0.sides', '1'],
])('%s is refused with its place', (_, change, at, expected) => {
  const [first, ...others] = ESTATE.openings;
  const text = JSON.stringify({ ...ESTATE, openings: [{ ...first, ...change }, ...others] });
  const read = readFile(text, bodyTemplateSchema);
  if (read.ok) throw new Error('expected a failure');
  expect(read.failure.path).toBe(at);
  expect(read.failure.expected).toContain(expected);
});

test('whatever stands in the place of a value, it is read or refused, and never thrown', () => {
  const places = pathsOf(ESTATE);
  fc.assert(
    fc.property(fc.constantFrom(...places), fc.jsonValue({ maxDepth: 2 }), (at, value) => {
      const read = readFile(JSON.stringify(replaced(ESTATE, at, value)), bodyTemplateSchema);
      if (read.ok) for (const opening of openingsOfTemplate(read.value)) openingRecordSchema.parse(opening);
      else expect(read.failure.expected).not.toBe('');
    }),
  );
});

type Path = readonly (string | number)[];

function pathsOf(value: unknown, above: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [above];
  const keys = Array.isArray(value) ? value.map((_, at) => at) : Object.keys(value);
  return [above, ...keys.flatMap((key) => pathsOf((value as Record<string, unknown>)[key], [...above, key]))];
}

function replaced(value: unknown, [key, ...rest]: Path, by: unknown): unknown {
  if (key === undefined) return by;
  const inside = replaced((value as Record<string, unknown>)[key], rest, by);
  if (Array.isArray(value)) return value.with(Number(key), inside);
  return { ...(value as object), [key]: inside };
}
