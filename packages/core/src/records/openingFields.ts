/** The fields of an opening's record: each dimension, and each fact. Its place is its identity and no field. */

import { type Housing, housingWords } from '../housing';
import type {
  Build,
  Earlier,
  Measurement,
  OldSpeaker,
  OpeningLineFilter,
  OpeningRecord,
  PlugFace,
  Polarity,
  TweeterSeat,
} from '../model';
import {
  buildWords,
  earlierWords,
  FACE_NAMES,
  lineFilterWords,
  OPENING_DIMENSION_KEYS,
  OPENING_DIMENSIONS,
  oldSpeakerWords,
  plugFaceWords,
  polarityWords,
  SOURCES,
  tweeterSeatWords,
} from '../model';
import { JOINTS, type JointWay } from '../wiring';
import { type Field, keyField, plainWords } from './Field';

const FACT_LABELS = {
  name: 'Called',
  presence: 'What is there',
  assumed: 'Taken as usual, not looked at',
  oldSpeaker: 'Old speaker',
  nominalSize: 'Nominal size',
  holeKind: 'Shape of the hole',
  cornerRadiusMm: 'Radius of the corners',
  holeDeg: 'Long axis of the hole at',
  trace: 'Corners of the hole',
  bolts: 'Screw holes',
  fixing: 'Fixing',
  behind: 'Behind it',
  wiring: 'Connector',
  secondPlug: 'Second plug',
  plugFaces: 'Pins of its plugs',
  polarity: 'Positive wire',
  lineFilter: 'Filter in its line',
  jointWay: 'Its wires are joined by',
  tweeterSeat: 'Seat of its tweeter',
  housing: 'Pod, wedge or cup that is built',
  airbag: 'Airbag at the cover',
  depthReadings: 'Depths at other places',
  obstacles: 'Beams, rails and wires',
  obstaclesLooked: 'Looked for beams, rails and wires',
  plugDeg: 'Plug comes from',
  material: 'Screwed to',
  wallMm: 'Thickness of it',
  recess: 'Recess',
  bore: 'Seat or housing behind the hole',
  proud: 'Proud around the hole',
  proudLooked: 'Looked around the hole',
  front: 'Card, grille and cloth in front',
  faces: 'Read from in front of the metal',
  earlier: 'Done to it before',
  build: 'Work done',
  note: 'Note',
} as const satisfies Readonly<Record<Exclude<keyof OpeningRecord, 'place' | 'side' | 'dimensions'>, string>>;

const WORDS: Readonly<Record<string, (value: unknown) => string>> = {
  oldSpeaker: (old) => oldSpeakerWords(old as OldSpeaker | null),
  earlier: (earlier) => earlierWords(earlier as Earlier),
  plugFaces: (faces) => (faces as readonly PlugFace[]).map(plugFaceWords).join(' | ') || 'nobody looked',
  polarity: (polarity) => polarityWords(polarity as Polarity),
  lineFilter: (filter) => lineFilterWords(filter as OpeningLineFilter | null),
  tweeterSeat: (seat) => tweeterSeatWords(seat as TweeterSeat | null),
  housing: (housing) => housingWords(housing as Housing | null),
  jointWay: (way) => (way === null ? 'as the shop joins wires' : JOINTS[way as JointWay].pieces),
  build: (build) => buildWords(build as Build),
};

export const OPENING_FIELDS: readonly Field<OpeningRecord>[] = [
  ...OPENING_DIMENSION_KEYS.map(
    (key): Field<OpeningRecord> => ({
      path: `dimensions.${key}`,
      label: OPENING_DIMENSIONS[key].label,
      read: (record) => record.dimensions[key],
      write: (record, value) => {
        const { [key]: _, ...others } = record.dimensions;
        return { ...record, dimensions: value ? { ...others, [key]: value as Measurement } : others };
      },
      words: (value) => measurementWords(value as Measurement | undefined),
    }),
  ),
  ...Object.entries(FACT_LABELS).map(([key, label]) =>
    keyField<OpeningRecord>(key as keyof typeof FACT_LABELS, label, WORDS[key] ?? factWords),
  ),
];

function measurementWords(measurement: Measurement | undefined): string {
  if (!measurement) return 'not taken';
  const { readingsMm, source, takenBy, from = 'metal' } = measurement;
  const figures = readingsMm.map((each) => Math.round(each * 100) / 100).join('; ');
  const face = from === 'metal' ? '' : ` from the ${FACE_NAMES[from]}`;
  return `${figures} mm${face}, ${SOURCES[source].label.toLowerCase()}${takenBy ? `, ${takenBy}` : ''}`;
}

function factWords(fact: unknown): string {
  if (Array.isArray(fact)) return fact.length === 0 ? 'nothing' : fact.map(factWords).join(' | ');
  if (typeof fact !== 'object' || fact === null) return plainWords(fact);
  if ('readingsMm' in fact) return measurementWords(fact as Measurement);
  return Object.entries(fact)
    .map(([name, value]) => `${name} ${factWords(value)}`)
    .join(', ');
}
