/** The types of `meshDistances.mjs`. */
import type { Mesh } from './meshReferee';

export type MeshTree = object;
export function toTree(mesh: Mesh): MeshTree;
export function meshDistance(a: MeshTree | undefined, b: MeshTree | undefined): number;
