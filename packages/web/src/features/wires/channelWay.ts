/** What lies on the signal's way to each speaker of a channel, in its order, and where a press on it leads. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { hasEarlier, placeLabel } from '@low-quarry/core/model';
import type { ChannelLoad } from '@low-quarry/core/sound';
import type { ChannelSheet, JointLine } from '@low-quarry/core/stations';
import { addressOf } from '../../stations/addressOf';

export type WayPart = {
  readonly kind: 'crossover' | 'plug' | 'unknownPlug' | 'joint' | 'filter' | 'capacitor' | 'notLooked' | 'driver';
  /** Said where it is pressed, such as "Plug of Front door, left". */
  readonly words: string;
  /** Another screen, or a part of this one. */
  readonly to: { readonly address: string } | { readonly part: string };
};

/** Parts of this screen that a press leads to. */
export const CROSSOVERS_PART = 'crossovers';
export const JOINTS_PART = 'joints';
export const openingPart = (openingId: string) => `opening-${openingId}`;

/**
 * @param lines how the wires of the car's openings are joined
 * @returns the parts from the source to the speaker, the speaker last; only the speaker where the car has no such opening
 */
export function channelWay(
  job: Pick<Job, 'id' | 'vehicle'>,
  { crossed, record: { wire } }: ChannelSheet,
  load: ChannelLoad,
  openings: readonly OpeningWithState[],
  lines: readonly JointLine[],
): readonly WayPart[] {
  const { label, crossover, line, before } = load;
  const opening = openings.find(({ record }) => placeLabel(record) === label);
  if (!opening) return [{ kind: 'driver', words: label, to: { address: vehicleAddress(job) } }];
  const ids = { jobId: job.id, openingId: opening.id };
  const measure = { address: addressOf('measure', ids) };
  const isNewWire = crossed.find(({ place }) => place === label)?.output.lead === 'new' || wire === 'new';
  const end = isNewWire ? null : plugOf(opening, lines);
  return [
    ...(crossover ? [part('crossover', `Crossover before ${label}`, { part: CROSSOVERS_PART })] : []),
    ...(end === 'joint' ? [part(end, `Joints at ${label}`, { part: JOINTS_PART })] : []),
    ...(end === 'plug' ? [part(end, `Plug of ${label}`, measure)] : []),
    ...(end === 'unknownPlug' ? [part(end, `Plug of ${label}, not known`, measure)] : []),
    ...(line ? [part('filter', `Filter in the line of ${label}`, { part: openingPart(opening.id) })] : []),
    ...(before.kind === 'nothing'
      ? []
      : [part(BEFORE[before.kind].kind, `${BEFORE[before.kind].words} ${label}`, measure)]),
    part('driver', `Speaker at ${label}`, { address: addressOf('match', ids) }),
  ];
}

export function vehicleAddress({ vehicle }: Pick<Job, 'vehicle'>): string {
  return `/vehicles/${encodeURIComponent(vehicle.id)}`;
}

const BEFORE = {
  capacitor: { kind: 'capacitor', words: 'Capacitor before' },
  filter: { kind: 'filter', words: 'Filter in the lead of' },
  notLooked: { kind: 'notLooked', words: 'What is before, not looked at:' },
} as const;

/** Of the car's own wire, as it meets what is there or goes in; null where nothing plugs, as at an empty place. */
function plugOf({ id, record, state }: OpeningWithState, lines: readonly JointLine[]): WayPart['kind'] | null {
  const { wiring } = record;
  const line = lines.find((each) => each.id === `plug ${id}` || each.id === `connector ${id}`);
  if (state.kind === 'chosen' && line) {
    if (line.count === null) return 'unknownPlug';
    return line.count > 0 ? 'joint' : 'plug';
  }
  if (hasEarlier(record, 'plugCut')) return 'joint';
  if (wiring.kind === 'connector') return 'plug';
  return wiring.kind === 'noWires' ? null : 'unknownPlug';
}

function part(kind: WayPart['kind'], words: string, to: WayPart['to']): WayPart {
  return { kind, words, to };
}
