/**
 * An opening's record on another car than the one it was taken on: what was measured there is carried over, and nobody here took it.
 * Readings from a catalogue, a class default or a guess are what they were.
 */
import type { OpeningRecord } from './opening';
import { carriedFace } from './plugFace';
import { carriedPolarity } from './polarity';
import { SOURCES, type SourceId } from './source';

export function asCarried(record: OpeningRecord): OpeningRecord {
  return {
    ...record,
    // What is in, and was done to, another car says nothing of this one.
    oldSpeaker: null,
    earlier: null,
    build: [],
    plugFaces: record.plugFaces.map(carriedFace),
    polarity: carriedPolarity(record.polarity),
    lineFilter: null,
    tweeterSeat: null,
    housing: null,
    jointWay: null,
    trace: record.trace && { ...record.trace, source: carriedSource(record.trace.source) },
    recess: record.recess && { ...record.recess, source: carriedSource(record.recess.source) },
    bolts:
      record.bolts.kind === 'free' ? { ...record.bolts, source: carriedSource(record.bolts.source) } : record.bolts,
    bore: record.bore && { depth: carried(record.bore.depth), inside: carried(record.bore.inside) },
    dimensions: Object.fromEntries(Object.entries(record.dimensions).map(([key, taken]) => [key, carried(taken)])),
    faces: {
      keptRing: record.faces.keptRing && carried(record.faces.keptRing),
      oldMount: record.faces.oldMount && carried(record.faces.oldMount),
    },
    depthReadings: record.depthReadings.map((each) => ({ ...each, measurement: carried(each.measurement) })),
    obstacles: record.obstacles.map((each) => ({ ...each, depth: carried(each.depth) })),
    proud: record.proud.map((each) => ({ ...each, height: carried(each.height) })),
    front: record.front.map((each) => ({
      ...each,
      gap: carried(each.gap),
      inside: each.inside && carried(each.inside),
    })),
  };
}

type Taken = { readonly source: SourceId; readonly takenBy: string | null; readonly takenAt: string | null };

function carried<Reading extends Taken>(reading: Reading): Reading {
  if (SOURCES[reading.source].origin !== 'takenHere') return reading;
  return { ...reading, source: 'carriedOver', takenBy: null, takenAt: null };
}

function carriedSource(source: SourceId): SourceId {
  return SOURCES[source].origin === 'takenHere' ? 'carriedOver' : source;
}
