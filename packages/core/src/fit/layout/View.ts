/**
 * One stack in one opening at one placement, as the checks see it: where every layer lies, how high the speaker stands, and
 * what each length depends on. Written over and over while a catalogue runs through it.
 */

import type { Pose } from '../../geometry';
import { PlacedBody } from '../../geometry';
import type { HarnessAdapter } from '../../wiring';
import { Doubts } from '../margins/Doubts';
import type { Joint } from '../mates/Joint';
import type { LayerPlace, Placement } from '../mates/placements';
import type { Candidate, FitLayer, FitOpening, FitSpeaker } from '../shapes';
import { type PlacedBox, placedBoxes } from './bodyBoxes';
import { type LayerShape, layerName, layerShape } from './LayerShape';
import { type OpeningShape, openingShape } from './OpeningShape';
import { type SpeakerShape, speakerShape } from './SpeakerShape';
import { LAYER, LAYER_SLOTS, layerAt, MOST_LAYERS, OPENING_AT, SPEAKER_SLOTS } from './slots';

const NO_BOXES: readonly PlacedBox[] = [];
const CENTRE: LayerPlace = { xMm: 0, yMm: 0, angleRad: 0 };
/** More dimensions than any opening's record can hold. */
const MOST_SLOTS = 256;

export class View {
  readonly doubts = new Doubts(MOST_SLOTS);
  readonly body = new PlacedBody();
  layers: readonly LayerShape[] = [];
  joints: readonly Joint[] = [];
  /** Height of the underside of each layer above the metal, and of the flange's, mm. */
  readonly belowMm = new Float64Array(MOST_LAYERS + 1);
  harness: readonly HarnessAdapter[] | null = null;
  private openingNow: OpeningShape | null = null;
  private speakerNow: SpeakerShape | null = null;
  private placementNow: Placement | null = null;
  private poseNow: Pose | null = null;
  private boxesNow: readonly PlacedBox[] | null = null;

  setOpening(opening: FitOpening): void {
    const shape = openingShape(opening);
    if (shape === this.openingNow) return;
    this.openingNow = shape;
    shape.fill(this.doubts);
  }

  /** @param shape of the speaker; looked up when left out */
  setSpeaker(speaker: FitSpeaker, shape: SpeakerShape = speakerShape(speaker)): void {
    if (shape === this.speakerNow) return;
    this.speakerNow = shape;
    for (let slot = 0; slot < SPEAKER_SLOTS; slot++) this.doubts.set(slot, shape.dimensions[slot] ?? null);
    this.boxesNow = null;
  }

  /**
   * @param layers from the metal to the speaker
   * @param joints of their brackets and of the speaker, as `placementsOf`
   */
  setStack(layers: readonly FitLayer[], joints: readonly Joint[]): void {
    this.setShapes(layers.map(layerShape), joints);
  }

  /** The same with the shapes of the layers. */
  setShapes(shapes: readonly LayerShape[], joints: readonly Joint[]): void {
    this.joints = joints;
    if (shapes === this.layers) return;
    for (let at = 0; at < shapes.length; at++) {
      const shape = shapes[at] as LayerShape;
      if (shape === this.layers[at]) continue;
      const first = layerAt(at);
      for (let slot = 0; slot < LAYER_SLOTS; slot++) this.doubts.set(first + slot, shape.dimensions[slot] ?? null);
    }
    this.layers = shapes;
    let below = 0;
    for (let at = 0; at < shapes.length; at++) {
      this.belowMm[at] = below;
      below += (shapes[at] as LayerShape).heightMm;
    }
    this.belowMm[shapes.length] = below;
    this.boxesNow = null;
  }

  setPlacement(placement: Placement): void {
    this.placementNow = placement;
    this.boxesNow = null;
    const { speaker } = this;
    const { xMm, yMm, angleRad } = placement.at;
    this.poseNow = { xMm, yMm, angleRad, raisedMm: this.raisedMm };
    this.body.set(speaker.ringsMm, speaker.pieces, this.poseNow);
  }

  get opening(): OpeningShape {
    return must(this.openingNow);
  }

  get speaker(): SpeakerShape {
    return must(this.speakerNow);
  }

  get placement(): Placement {
    return must(this.placementNow);
  }

  get candidate(): Candidate {
    return { speaker: this.speaker.speaker, layers: this.layers.map(({ layer }) => layer) };
  }

  /** How far the flange's underside stands in front of the metal, mm. */
  get raisedMm(): number {
    return this.belowMm[this.layers.length] as number;
  }

  get pose(): Pose {
    return must(this.poseNow);
  }

  /** Where a layer lies: a bracket as its joint is turned, a ring as what is under it. */
  placeOf(layer: number): LayerPlace {
    let bracket = -1;
    for (let at = 0; at <= layer; at++) if (this.layers[at]?.layer.kind === 'bracket') bracket++;
    return this.placement.places[bracket] ?? CENTRE;
  }

  get boxes(): readonly PlacedBox[] {
    if (this.speaker.speaker.boxes.length === 0) return NO_BOXES;
    this.boxesNow ??= placedBoxes(this.speaker.speaker, this.pose, this.plugMm ?? 0);
    return this.boxesNow;
  }

  /** How far the plug that goes on the terminals stands out beyond them, mm; null where nobody knows, or nothing leads there. */
  get plugMm(): number | null {
    const { harness } = this;
    return harness?.[harness.length - 1]?.plugMm ?? null;
  }

  /** What the heights of the layers from one on add to a length; all of them from 0. */
  addHeights(by: number, from = 0): void {
    for (let at = from; at < this.layers.length; at++) this.doubts.add(layerAt(at) + LAYER.height, by);
  }

  /** The name in a margin of the dimension in a slot. */
  nameOf(slot: number): string {
    if (slot < SPEAKER_SLOTS) return this.speaker.names[slot] as string;
    if (slot >= OPENING_AT) return this.opening.names[slot - OPENING_AT] as string;
    const at = Math.floor((slot - SPEAKER_SLOTS) / LAYER_SLOTS);
    return layerName(this.candidate.layers, at, (slot - SPEAKER_SLOTS) % LAYER_SLOTS);
  }

  dimensionOf(slot: number) {
    if (slot < SPEAKER_SLOTS) return must(this.speaker.dimensions[slot] ?? null);
    if (slot >= OPENING_AT) return must(this.opening.dimensions[slot - OPENING_AT] ?? null);
    const at = Math.floor((slot - SPEAKER_SLOTS) / LAYER_SLOTS);
    return must(this.layers[at]?.dimensions[(slot - SPEAKER_SLOTS) % LAYER_SLOTS] ?? null);
  }
}

function must<Value>(value: Value | null): Value {
  if (value === null) throw new Error('View: expected opening, speaker and placement to be set');
  return value;
}
