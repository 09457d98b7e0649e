import { describe, expect, test } from '@jest/globals';
import { bracket, candidate, circlePattern, exact, opening } from '../testing/shapes';
import type { BoltJoint } from './boltJoint';
import { bracketPlaces, composeMount, mountOf, type NamedJoint, turnBetween } from './mount';

/** A joint of which only the turn counts. */
const turned = (angleRad: number): NamedJoint => ({
  between: 'bracket',
  joint: { rotation: { angleRad } } as BoltJoint,
});
const QUARTER = Math.PI / 2;

describe('a chain of brackets', () => {
  const lower = bracket({ offsetXMm: 4, height: exact(6), notchRad: 0.1 });
  const upper = bracket({ offsetXMm: 3, offsetYMm: 1, height: exact(5), notchRad: 2 });

  test('turns add up, and each offset turns with its bracket', () => {
    const places = bracketPlaces([lower, upper], [turned(QUARTER), turned(QUARTER)]);
    expect(places[0]?.xMm).toBeCloseTo(0, 12);
    expect(places[0]?.yMm).toBeCloseTo(4, 12);
    // Half a turn by now: 3 to the right and 1 up become 3 to the left and 1 down.
    expect(places[1]?.xMm).toBeCloseTo(-3, 12);
    expect(places[1]?.yMm).toBeCloseTo(3, 12);
  });

  test('the speaker sits on the last of them, turned by its own joint, as high as all together', () => {
    const { pose, notchRad } = composeMount(candidate({ brackets: [lower, upper] }), [
      turned(QUARTER),
      turned(QUARTER),
      turned(QUARTER),
    ]);
    expect(pose).toMatchObject({ raisedMm: 11 });
    expect(pose.angleRad).toBeCloseTo(3 * QUARTER, 12);
    expect(pose.xMm).toBeCloseTo(-3, 12);
    // The notch of the first bracket that has one.
    expect(notchRad).toBeCloseTo(QUARTER + 0.1, 12);
  });

  test('no bracket, no offset and no notch; a full turn is none', () => {
    expect(composeMount(candidate(), [turned(2 * Math.PI - 1e-12)])).toMatchObject({
      notchRad: null,
      pose: { xMm: 0, yMm: 0, angleRad: 0, raisedMm: 0 },
    });
  });
});

test('unknown screws give no joints, and the speaker sits unturned', () => {
  expect(mountOf(opening({ bolts: null }), candidate({ brackets: [bracket()] })).joints).toEqual([]);
});

test('an oval bracket goes on in two ways only, whatever its screws would allow', () => {
  const oval = bracket({
    vehicleBolts: circlePattern(4, exact(156), 5),
    throat: { kind: 'oval', length: exact(150), width: exact(140) },
  });
  const screws = circlePattern(4, exact(156), 4);
  const aside = opening({ bolts: { ...screws, shape: { ...screws.shape, firstAngleRad: 0 } as typeof screws.shape } });
  const [joint] = mountOf(aside, candidate({ brackets: [oval] })).joints;
  expect([0, Math.PI]).toContain(joint?.joint.rotation.angleRad);
  expect(joint?.joint.rotation.landed).toBe(0);
});

test('the lesser angle between two directions', () => {
  expect(turnBetween(0.1, 2 * Math.PI - 0.1)).toBeCloseTo(0.2, 12);
  expect(turnBetween(0, Math.PI)).toBeCloseTo(Math.PI, 12);
  expect(turnBetween(7 * Math.PI, 0)).toBeCloseTo(Math.PI, 12);
});
