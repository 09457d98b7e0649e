/** What the parts of a margin's budget are called. */
import { FACE_NAMES, FRONT_FACES, SOURCE_IDS, SOURCES } from '@low-quarry/core/model';
import { instrumentName } from '@low-quarry/core/uncertainty';

const WORDS: Readonly<Record<string, string>> = {
  'opening.holeDiameter': 'Hole diameter',
  'opening.holeLength': 'Hole length',
  'opening.holeWidth': 'Hole width',
  'opening.boltCircle': 'Bolt circle of the vehicle',
  'opening.boltWidth': 'Bolt width of the vehicle',
  'opening.boltHeight': 'Bolt height of the vehicle',
  'opening.depthBehind': 'Depth behind',
  'opening.depthTop': 'Depth at the top',
  'opening.depthBottom': 'Depth at the bottom',
  'opening.depthFront': 'Depth at the front',
  'opening.depthRear': 'Depth at the rear',
  'opening.lean': 'Lean of the glass, upwards',
  'opening.sideLean': 'Lean of the glass, sideways',
  'opening.curvature': 'Curvature of the glass',
  'opening.lowerEdge': 'Lower edge of the glass',
  'opening.holeEdgeOffset': 'Trace of the hole',
  'opening.boltPosition': 'Trace of the screws',
  'opening.recessDiameter': 'Recess diameter',
  'opening.bore.depth': 'Depth of the bore behind the hole',
  'opening.made.face': 'Face of what is built',
  'opening.bore.inside': 'Diameter of the bore behind the hole',
  'opening.frontGap': 'Front gap',
  'speaker.flangeDiameter': 'Flange diameter',
  'speaker.flangeLength': 'Flange length',
  'speaker.flangeWidth': 'Flange width',
  'bracket.plateDiameter': 'Plate of the bracket',
  'bracket.plateLength': 'Plate length of the bracket',
  'bracket.plateWidth': 'Plate width of the bracket',
  'speaker.magnetDiameter': 'Magnet diameter',
  'speaker.profile': 'Shoulders of the body',
  'speaker.widths': 'Widths of the body',
  'speaker.boltPosition': 'Hole places of the speaker',
  'speaker.basketDiameter': 'Basket diameter',
  'speaker.basketLength': 'Basket length',
  'speaker.basketWidth': 'Basket width',
  'speaker.boltCircle': 'Bolt circle of the speaker',
  'speaker.boltWidth': 'Bolt width of the speaker',
  'speaker.boltHeight': 'Bolt height of the speaker',
  'speaker.mountingDepth': 'Mounting depth',
  'speaker.flangeThickness': 'Flange thickness',
  'speaker.depthDatum': 'Depth from top or underside of the flange: not stated',
  'speaker.frontHeight': 'Front height',
  'bracket.height': 'Bracket height',
  'bracket.throatDiameter': 'Throat of the bracket',
  'bracket.throatLength': 'Throat length of the bracket',
  'bracket.throatWidth': 'Throat width of the bracket',
  'bracket.vehicle.boltCircle': 'Bolt circle of the bracket, vehicle side',
  'bracket.vehicle.boltWidth': 'Bolt width of the bracket, vehicle side',
  'bracket.vehicle.boltHeight': 'Bolt height of the bracket, vehicle side',
  'bracket.speaker.boltCircle': 'Bolt circle of the bracket, speaker side',
  'bracket.speaker.boltWidth': 'Bolt width of the bracket, speaker side',
  'bracket.speaker.boltHeight': 'Bolt height of the bracket, speaker side',
  'spacer.height': 'Spacer height',
  'spacer.innerDiameter': 'Hole of the spacer',
  'spacer.innerLength': 'Hole length of the spacer',
  'spacer.innerWidth': 'Hole width of the spacer',
  'spacer.outerDiameter': 'Outside of the spacer',
  'spacer.outerLength': 'Outer length of the spacer',
  'spacer.outerWidth': 'Outer width of the spacer',
  'speaker.boxes': 'Terminals and plugs',
  'speaker.screws': 'Screws of the speaker’s box',
  'bracket.screws': 'Screws of the bracket’s box',
  'bracket.ears': 'Bracket under the heads of its screws',
  'bracket.vehicle.boltPosition': 'Hole places of the bracket, vehicle side',
  'bracket.speaker.boltPosition': 'Screw places of the bracket, speaker side',
};

/** @returns the name itself where nobody has words for it */
export function termWords(name: string): string {
  const known = WORDS[name];
  if (known) return known;
  const obstacle = /^opening\.(?:obstacle|proud)\.(.+)\.(depth|height|placeX|placeY)$/.exec(name);
  if (obstacle) {
    const words = (obstacle[1] ?? '').replaceAll('-', ' ');
    const of = { depth: 'Depth to', height: 'Height of', placeX: 'Place, sideways, of', placeY: 'Place, upwards, of' }[
      obstacle[2] ?? ''
    ];
    return `${of} the ${words}`;
  }
  const layer = /^opening\.front\.(.+)\.(gap|inside)$/.exec(name);
  if (layer) {
    const words = (layer[1] ?? '').replaceAll('-', ' ');
    return layer[2] === 'gap' ? `Gap to the ${words}` : `Inside of the ${words}`;
  }
  const reading = /^opening\.depth(\d+)$/.exec(name);
  if (reading) return `Depth reading ${reading[1]}`;
  const face = FRONT_FACES.find((each) => name === `face.${each}`);
  if (face) return `How far the ${FACE_NAMES[face]} stands in front`;
  const source = SOURCE_IDS.find((id) => instrumentName(id) === name);
  if (source) return `Error that readings share: ${SOURCES[source].label.toLowerCase()}`;
  const second = /^(bracket|spacer)2\./.exec(name);
  return second ? `${termWords(name.replace('2.', '.'))}, second` : name;
}
