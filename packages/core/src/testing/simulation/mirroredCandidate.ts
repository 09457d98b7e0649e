/** A candidate seen in a mirror at the upright: what is on the right is on the left. */

import type { Candidate, FitBracket } from '../../fit/shapes';
import type { BoltPattern } from '../../geometry/BoltPattern';

export function mirroredCandidate({ speaker, layers }: Candidate): Candidate {
  return {
    speaker: {
      ...speaker,
      bolts: mirroredPattern(speaker.bolts),
      boxes: speaker.boxes.map((box) => ({ ...box, angleRad: Math.PI - box.angleRad })),
    },
    layers: layers.map((layer) => (layer.kind === 'bracket' ? mirroredBracket(layer) : layer)),
  };
}

function mirroredBracket(bracket: FitBracket): FitBracket {
  return {
    ...bracket,
    vehicleBolts: mirroredPattern(bracket.vehicleBolts),
    speakerBolts: mirroredPattern(bracket.speakerBolts),
    offsetXMm: -bracket.offsetXMm,
    notchRad: bracket.notchRad === null ? null : Math.PI - bracket.notchRad,
  };
}

function mirroredPattern(pattern: BoltPattern): BoltPattern {
  const { shape } = pattern;
  switch (shape.kind) {
    case 'circle':
      return { ...pattern, shape: { ...shape, firstAngleRad: Math.PI - shape.firstAngleRad } };
    case 'rectangle':
      return pattern;
    case 'free':
      return { ...pattern, shape: { ...shape, holes: shape.holes.map((hole) => ({ ...hole, xMm: -hole.xMm })) } };
  }
}
