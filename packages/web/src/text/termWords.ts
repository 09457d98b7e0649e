/** What the parts of a margin's budget are called. */
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
  'bracket2.height': 'Height of the second bracket',
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
  'spacer.innerEdge': 'Hole of the spacer',
  'spacer.outerEdge': 'Outside of the spacer',
};

export function termWords(name: string): string {
  const known = WORDS[name];
  if (known) return known;
  const obstacle = /^opening\.obstacle\.(.+)\.(depth|place)$/.exec(name);
  if (obstacle) {
    const words = (obstacle[1] ?? '').replaceAll('-', ' ');
    return obstacle[2] === 'depth' ? `Depth to the ${words}` : `Place of the ${words}`;
  }
  const reading = /^opening\.depth(\d+)$/.exec(name);
  if (reading) return `Depth reading ${reading[1]}`;
  return name.startsWith('bracket2.') ? `${termWords(name.replace('bracket2.', 'bracket.'))}, second` : name;
}
