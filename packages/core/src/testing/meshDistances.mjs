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
  const found = treeA.closestPointToGeometry(treeB.geometry, IDENTITY, { point: new Vector3(), distance: 0 });
  return found ? found.distance : Number.POSITIVE_INFINITY;
}

if (!isMainThread && parentPort) {
  parentPort.on('message', (pairs) => {
    parentPort.postMessage(pairs.map(([a, b]) => meshDistance(toTree(a), toTree(b))));
  });
}
