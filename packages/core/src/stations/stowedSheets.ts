/** What else is put into a car: whether each box goes into its space, what wires it needs, and what of that is open. */
import type { JobFacts, Stowed, StowedKind, VehicleRecord } from '../model';
import { boxPlace, laidIn, type PlaceCheck } from './boxPlace';
import type { OpenPoint } from './point';

export type StowedSheet = {
  readonly record: Stowed;
  readonly place: PlaceCheck;
  /** What leads there, in words; the lengths are with the new wires. */
  readonly wires: string;
};

export type StowedJob = Pick<JobFacts, 'crossovers' | 'stowed'> & { readonly vehicle: Pick<VehicleRecord, 'spaces'> };

const WIRES: Readonly<Record<StowedKind, string>> = {
  amplifier:
    'Its feed with a fuse at the battery, an earth to bare metal close by (never a belt’s bolt), signal and wake-up from the radio, and a pair for each of its channels.',
  bassBox: 'A pair from the amplifier’s channel that drives it.',
  distributor:
    'The main from the battery, and a branch to each amplifier: a fuse in it wherever the cable gets thinner.',
  other: 'What its sheet asks for.',
};

/**
 * @param confidence one-sided, the shop's, between 0.5 and 1 exclusive
 * @returns in the order in which they are kept
 */
export function stowedSheets(job: StowedJob, confidence: number): readonly StowedSheet[] {
  const all = laidIn(job);
  return job.stowed.map((record) => ({
    record,
    wires: WIRES[record.kind],
    place:
      record.space === ''
        ? {
            verdict: 'measure',
            sentence: 'Nobody chose where it goes.',
            settledBy: 'Measure what is free, note it with the vehicle as a space, and choose it.',
            margin: null,
          }
        : boxPlace(record.space, all, job.vehicle.spaces, confidence),
  }));
}

/** Of what comes later its room is asked about, and holds nothing. */
export function stowedPoints(job: StowedJob, confidence: number): readonly OpenPoint[] {
  return stowedSheets(job, confidence).flatMap(({ record: { name, heldBy, isLater }, place }): OpenPoint[] => {
    const point = { station: 'wire', askedAt: null, settledAt: { kind: 'wires' } } as const;
    return [
      ...(place.verdict === 'clears'
        ? []
        : [
            {
              ...point,
              id: `box ${name} place`,
              words: `${name}: ${place.sentence}`,
              stake: [place.settledBy, 'What does not go in is found out with the car in pieces.']
                .filter(Boolean)
                .join(' '),
              isHeld: place.verdict === 'hits' && !isLater,
            },
          ]),
      ...(heldBy === '' && !isLater
        ? [
            {
              ...point,
              id: `box ${name} held`,
              words: `${name}: say what holds it.`,
              stake: 'What is heavy and loose in a car hurts whoever sits before it in a crash.',
              isHeld: false,
            },
          ]
        : []),
    ];
  });
}
