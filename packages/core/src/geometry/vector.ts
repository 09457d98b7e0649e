/** Vectors as triples, for the places where a drawing or a solid needs a point in space. */
export type Vec3 = readonly [number, number, number];

export function add([ax, ay, az]: Vec3, [bx, by, bz]: Vec3): Vec3 {
  return [ax + bx, ay + by, az + bz];
}

export function subtract([ax, ay, az]: Vec3, [bx, by, bz]: Vec3): Vec3 {
  return [ax - bx, ay - by, az - bz];
}

export function scale([x, y, z]: Vec3, by: number): Vec3 {
  return [x * by, y * by, z * by];
}

export function dot([ax, ay, az]: Vec3, [bx, by, bz]: Vec3): number {
  return ax * bx + ay * by + az * bz;
}

export function cross([ax, ay, az]: Vec3, [bx, by, bz]: Vec3): Vec3 {
  return [ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx];
}

export function length(v: Vec3): number {
  return Math.sqrt(dot(v, v));
}

/** @throws when the vector has no direction: the calling code has built a degenerate solid */
export function unit(v: Vec3): Vec3 {
  const by = length(v);
  if (!(by > 0)) throw new Error(`unit: expected a vector with a direction, got ${v.join(', ')}`);
  return scale(v, 1 / by);
}
