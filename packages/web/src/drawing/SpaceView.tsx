/**
 * Opening, glass, beam and body in space, to be turned by hand: for the cases where section and face do not convince. The
 * same rings, sheet and solids as the distances are worked out from. Loaded only when it is opened.
 */

import type { Candidate, FitOpening, Mount, Nearest } from '@low-quarry/core/fit';
import { obstacleBox, obstacleRod, sheetFit, speakerShape } from '@low-quarry/core/fit';
import { outlineMm, outlineRadiusMm, RING_STRIDE, sheetDepthMm } from '@low-quarry/core/geometry';
import { useEffect, useRef } from 'react';
import {
  AmbientLight,
  BoxGeometry,
  BufferGeometry,
  CylinderGeometry,
  DirectionalLight,
  DoubleSide,
  ExtrudeGeometry,
  Float32BufferAttribute,
  Line,
  LineBasicMaterial,
  Matrix4,
  Mesh,
  MeshStandardMaterial,
  Path,
  PerspectiveCamera,
  Quaternion,
  Scene,
  Shape,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

type SpaceViewProps = {
  readonly opening: FitOpening;
  readonly candidate: Candidate;
  readonly mount: Mount;
  readonly nearest: Nearest | null;
  readonly label: string;
};

const HEIGHT_PX = 380;
const PLATE_HALF_MM = 130;
const CORNERS = 96;
const SHEET_HALF_MM = 140;
const SHEET_STEPS = 16;
const ROD_MM = 320;

export default function SpaceView({ opening, candidate, mount, nearest, label }: SpaceViewProps) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const host = box.current;
    if (!host) return;
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string, fallback: string) => style.getPropertyValue(name).trim() || fallback;
    const scene = new Scene();
    const add = (geometry: BufferGeometry, token: string, fallback: string, opacity = 1) => {
      const material = new MeshStandardMaterial({
        color: colour(token, fallback),
        side: DoubleSide,
        transparent: opacity < 1,
        opacity,
        roughness: 0.8,
      });
      scene.add(new Mesh(geometry, material));
    };
    add(wall(opening), '--color-muted', '#575D57', 0.75);
    add(body(candidate, mount), '--color-paper', '#F8F6F1');
    const sheet = sheetFit(opening);
    if (sheet) add(glass(sheet.sheet), '--color-action', '#1F4E79', 0.35);
    for (const obstacle of opening.obstacles) {
      const solid = obstacle.shape.kind === 'rod' ? rodMesh(obstacle) : boxMesh(obstacle);
      add(solid, '--color-measure', '#7D5200');
    }
    if (nearest) {
      const line = new BufferGeometry().setFromPoints([toScene(nearest.onPart), toScene(nearest.onOther)]);
      scene.add(new Line(line, new LineBasicMaterial({ color: colour('--color-hits', '#9C281E') })));
    }
    scene.add(new AmbientLight(0xffffff, 1.6));
    const sun = new DirectionalLight(0xffffff, 2.2);
    sun.position.set(-200, 260, -120);
    scene.add(sun);

    const camera = new PerspectiveCamera(35, 1, 1, 4000);
    camera.position.set(-330, 190, 330);
    const renderer = new WebGLRenderer({ antialias: true, alpha: true });
    renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
    host.append(renderer.domElement);
    const controls = new OrbitControls(camera, renderer.domElement);
    controls.target.set(0, 0, -30);
    const draw = () => renderer.render(scene, camera);
    controls.addEventListener('change', draw);
    const resize = () => {
      const width = host.clientWidth;
      renderer.setSize(width, HEIGHT_PX);
      camera.aspect = width / HEIGHT_PX;
      camera.updateProjectionMatrix();
      draw();
    };
    const observer = new ResizeObserver(resize);
    observer.observe(host);
    controls.update();
    resize();
    return () => {
      observer.disconnect();
      controls.dispose();
      scene.traverse((each) => {
        if (!(each instanceof Mesh || each instanceof Line)) return;
        each.geometry.dispose();
        const { material } = each;
        for (const one of Array.isArray(material) ? material : [material]) one.dispose();
      });
      renderer.dispose();
      renderer.domElement.remove();
    };
  }, [opening, candidate, mount, nearest]);
  return (
    <figure className="m-0">
      <div
        ref={box}
        role="img"
        aria-label={label}
        className="w-full border border-hairline"
        style={{ height: HEIGHT_PX }}
      />
      <figcaption className="text-[13px] leading-4 text-muted">
        In space: drag to turn, wheel or pinch to come nearer. Cabin towards you.
      </figcaption>
    </figure>
  );
}

/** The scene looks from the cabin: its z runs towards the viewer, the opening's into the door. */
function toScene([x, y, z]: readonly [number, number, number]): Vector3 {
  return new Vector3(x, y, -z);
}

function fromTriangles(points: readonly Vector3[], faces: readonly number[]): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute(
    'position',
    new Float32BufferAttribute(
      points.flatMap(({ x, y, z }) => [x, y, z]),
      3,
    ),
  );
  geometry.setIndex([...faces]);
  geometry.computeVertexNormals();
  return geometry;
}

function wall(opening: FitOpening): BufferGeometry {
  const shape = new Shape();
  shape.moveTo(-PLATE_HALF_MM, -PLATE_HALF_MM);
  shape.lineTo(PLATE_HALF_MM, -PLATE_HALF_MM);
  shape.lineTo(PLATE_HALF_MM, PLATE_HALF_MM);
  shape.lineTo(-PLATE_HALF_MM, PLATE_HALF_MM);
  shape.closePath();
  const hole = outlineMm(opening.hole);
  if (hole) {
    const points = Array.from({ length: CORNERS }, (_, at) => {
      const angle = (2 * Math.PI * at) / CORNERS;
      const radius = outlineRadiusMm(hole, angle - opening.holeRad);
      return [radius * Math.cos(angle), radius * Math.sin(angle)] as const;
    });
    const path = new Path();
    points.forEach(([x, y], at) => {
      if (at === 0) path.moveTo(x, y);
      else path.lineTo(x, y);
    });
    path.closePath();
    shape.holes.push(path);
  }
  return new ExtrudeGeometry(shape, { depth: opening.wallMm, bevelEnabled: false }).applyMatrix4(
    new Matrix4().makeTranslation(0, 0, -opening.wallMm),
  );
}

function body(candidate: Candidate, { pose }: Mount): BufferGeometry {
  const { ringsMm } = speakerShape(candidate.speaker);
  const flange = candidate.speaker.flangeThickness.valueMm;
  const first = ringsMm.subarray(0, RING_STRIDE);
  const outer = candidate.speaker.flange;
  const [length, width] = outer.kind === 'circle' ? [outer.diameter, outer.diameter] : [outer.length, outer.width];
  const flangeRings = [-flange, 0].flatMap((z) => [z, length.valueMm / 2, width.valueMm / 2]);
  const rings = [...flangeRings, 0, ...first.slice(1), ...ringsMm.subarray(RING_STRIDE)];
  const count = rings.length / RING_STRIDE;
  const points: Vector3[] = [];
  for (let ring = 0; ring < count; ring++) {
    const [z = 0, a = 0, b = 0] = rings.slice(ring * RING_STRIDE, ring * RING_STRIDE + RING_STRIDE);
    for (let corner = 0; corner < CORNERS; corner++) {
      const angle = (2 * Math.PI * corner) / CORNERS;
      const [u, v] = [a * Math.cos(angle), b * Math.sin(angle)];
      const x = pose.xMm + u * Math.cos(pose.angleRad) - v * Math.sin(pose.angleRad);
      const y = pose.yMm + u * Math.sin(pose.angleRad) + v * Math.cos(pose.angleRad);
      points.push(toScene([x, y, z - pose.raisedMm]));
    }
  }
  const faces: number[] = [];
  for (let ring = 0; ring + 1 < count; ring++) {
    for (let corner = 0; corner < CORNERS; corner++) {
      const next = (corner + 1) % CORNERS;
      const [low, high] = [ring * CORNERS, (ring + 1) * CORNERS];
      faces.push(low + corner, high + corner, low + next, low + next, high + corner, high + next);
    }
  }
  for (const [ring, z] of [
    [0, -flange],
    [count - 1, rings[(count - 1) * RING_STRIDE] ?? 0],
  ] as const) {
    points.push(toScene([pose.xMm, pose.yMm, z - pose.raisedMm]));
    for (let corner = 0; corner < CORNERS; corner++) {
      faces.push(ring * CORNERS + corner, ring * CORNERS + ((corner + 1) % CORNERS), points.length - 1);
    }
  }
  return fromTriangles(points, faces);
}

function glass(sheet: Parameters<typeof sheetDepthMm>[0] & { readonly lowerEdgeMm: number | null }): BufferGeometry {
  const bottom = Math.max(-SHEET_HALF_MM, sheet.lowerEdgeMm ?? -SHEET_HALF_MM);
  const points: Vector3[] = [];
  const faces: number[] = [];
  for (let step = 0; step <= SHEET_STEPS; step++) {
    const y = bottom + ((SHEET_HALF_MM - bottom) * step) / SHEET_STEPS;
    for (const x of [-SHEET_HALF_MM, SHEET_HALF_MM]) points.push(toScene([x, y, sheetDepthMm(sheet, x, y)]));
    const at = step * 2;
    if (step > 0) faces.push(at - 2, at - 1, at, at - 1, at + 1, at);
  }
  return fromTriangles(points, faces);
}

function rodMesh(obstacle: FitOpening['obstacles'][number]): BufferGeometry {
  const { at, direction, radiusMm } = obstacleRod(obstacle);
  const turn = new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), toScene(direction).normalize());
  return new CylinderGeometry(radiusMm, radiusMm, ROD_MM, 48).applyMatrix4(
    new Matrix4().compose(toScene(at), turn, new Vector3(1, 1, 1)),
  );
}

function boxMesh(obstacle: FitOpening['obstacles'][number]): BufferGeometry {
  const {
    middle,
    axes: [e1, e2],
    halfSizeMm: [a, b, c],
  } = obstacleBox(obstacle);
  const [x, y] = [toScene(e1), toScene(e2)];
  const basis = new Matrix4().makeBasis(x, y, new Vector3().crossVectors(x, y)).setPosition(toScene(middle));
  return new BoxGeometry(2 * a, 2 * b, 2 * c).applyMatrix4(basis);
}
