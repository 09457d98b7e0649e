/** What pressing and setting does to the face of a plug that is being noted. */
import { MOST_POSITIONS, type PinPair, type PlugFace } from '@low-quarry/core/model';

/** More positions than a hand counts at a glance lie in two rows mostly; common practice, no source. */
const ONE_ROW = 4;

/** A plug nobody has looked into yet. */
export function faceOf(ways: number | null): PlugFace {
  const positions = withinBounds(ways ?? 2);
  return { rows: positions > ONE_ROW ? 2 : 1, positions, pairs: [], empty: [] };
}

/** A pair takes two. */
function withinBounds(positions: number): number {
  return Math.min(Math.max(positions, 2), MOST_POSITIONS);
}

/** With two pins as a pair, of which nobody said yet what it carries. */
export function paired(face: PlugFace, one: number, other: number): PlugFace {
  const pins: [number, number] = one < other ? [one, other] : [other, one];
  const pairs = [...face.pairs, newPair(pins)];
  return { ...face, pairs, empty: face.empty.filter((pin) => !pins.includes(pin)) };
}

function newPair(pins: [number, number]): PinPair {
  return { pins, colours: ['', ''], carries: 'notKnown', grade: 'seenHere' };
}

export function takenApart(face: PlugFace, at: number): PlugFace {
  return { ...face, pairs: face.pairs.filter((_, index) => index !== at) };
}

export function withEmpty(face: PlugFace, pins: readonly number[]): PlugFace {
  return { ...face, empty: [...new Set([...face.empty, ...pins])].sort((a, b) => a - b) };
}

/** With other positions or rows; what was said of positions that are no more goes with them. */
export function withPositions(face: PlugFace, change: Partial<Pick<PlugFace, 'rows' | 'positions'>>): PlugFace {
  const { rows } = { ...face, ...change };
  const positions = withinBounds(change.positions ?? face.positions);
  const isThere = (pin: number) => pin <= positions;
  return {
    rows: Math.min(rows, positions),
    positions,
    pairs: face.pairs.filter(({ pins }) => pins.every(isThere)),
    empty: face.empty.filter(isThere),
  };
}
