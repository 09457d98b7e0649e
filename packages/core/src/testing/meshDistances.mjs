/**
 * Distances between triangle meshes by three-mesh-bvh. As a worker it answers one message of mesh pairs with their
 * distances, so that a test can have them at full speed; the benchmark imports the function itself.
 */
import { isMainThread, parentPort } from 'node:worker_threads';
import { BufferAttribute, BufferGeometry, Matrix4, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';

const IDENTITY = new Matrix4();

export function toTree({ points, faces }) {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(points, 3));
  geometry.setIndex(new BufferAttribute(faces, 1));
  geometry.boundsTree = new MeshBVH(geometry);
  return geometry.boundsTree;
}

/** @returns the least distance between two meshes in mm, 0 where they cross */
export function meshDistance(treeA, treeB) {
  // What the nearest corner is away bounds it, so that most pairs of faces need no look.
  const bound = nearestCorner(treeA, treeB);
  const target = { point: new Vector3(), distance: 0 };
  const found = treeA.closestPointToGeometry(treeB.geometry, IDENTITY, target, {}, 0, bound + ROUNDING_MM);
  return found ? Math.min(bound, found.distance) : bound;
}

const ROUNDING_MM = 1e-9;

function nearestCorner(tree, { geometry }) {
  const corners = geometry.attributes.position;
  const [corner, target] = [new Vector3(), { point: new Vector3(), distance: 0 }];
  let least = Number.POSITIVE_INFINITY;
  for (let at = 0; at < corners.count; at++) {
    const found = tree.closestPointToPoint(corner.fromBufferAttribute(corners, at), target, 0, least);
    if (found) least = Math.min(least, found.distance);
  }
  return least;
}

if (!isMainThread && parentPort) {
  parentPort.on('message', (pairs) => {
    parentPort.postMessage(pairs.map(([a, b]) => meshDistance(toTree(a), toTree(b))));
  });
}
