/**
 * What is to be run new on a car: the pairs to its speakers and to its crossovers, the feed of amplifiers that are added, and what goes into a
 * line. Each with its length, its arithmetic and what nobody measured.
 */
import { type Crossover, isBehindHinge, type JobFacts, placeLabel, type Route, type VehicleRecord } from '../model';
import { gaugeOfArea, signalWire } from '../wiring';
import type { ChannelOpening, ChannelSheet } from './channelSheets';
import { feedRuns } from './feedRuns';
import type { CrossedPlace } from './plannedChannels';
import type { WireRun } from './WireRun';
import { metres, wayBetween, wayTo } from './ways';

/** What of a job its new wires follow from. */
export type WiredJob = Pick<JobFacts, 'stowed'> & { readonly vehicle: Pick<VehicleRecord, 'routes'> };

const USUAL_OHM = 4;

/** @param worked those that something is done at; all, where nobody says otherwise */
export function wireRuns(
  { stowed, vehicle: { routes } }: WiredJob,
  sheets: readonly ChannelSheet[],
  openings: readonly ChannelOpening[],
  worked: readonly ChannelOpening[] = openings,
): readonly WireRun[] {
  const all = byLabelOf(openings);
  const workedOn = byLabelOf(worked);
  // Past the amplifier every channel of it is fed anew, whatever hangs on it: what stays would be silent.
  const bypassed = worked.length > 0 ? sheets.filter(({ isBypassed }) => isBypassed) : [];
  return [
    ...sheets
      .filter(({ record }) => record.wire === 'new')
      .flatMap((sheet) =>
        sheet.channel.loads.flatMap((load) => {
          // Its pair ends at the crossover.
          if (load.crossover) return [];
          const opening = bypassed.includes(sheet) ? all.get(load.label) : load.isNew && workedOn.get(load.label);
          return opening ? [speakerRun(load, opening, routes ?? [])] : [];
        }),
      ),
    ...sheets.flatMap((sheet) => crossoverRuns(sheet, all, workedOn, routes ?? [])),
    ...plugRun(
      bypassed.filter(({ record }) => record.wire !== 'new'),
      routes ?? [],
    ),
    ...feedRuns(sheets, new Set(workedOn.keys()), routes ?? [], stowed),
  ];
}

function byLabelOf(openings: readonly ChannelOpening[]): ReadonlyMap<string, ChannelOpening> {
  return new Map(openings.map((opening) => [placeLabel(opening.record), opening]));
}

type Load = ChannelSheet['channel']['loads'][number];

/** To each crossover that something new hangs on, where the wire of its channel is new, and on from it to each speaker that gets a wire of its own, also to one that stays. */
function crossoverRuns(
  { crossed, record, channel: { loads } }: ChannelSheet,
  all: ReadonlyMap<string, ChannelOpening>,
  workedOn: ReadonlyMap<string, ChannelOpening>,
  routes: readonly Route[],
): readonly WireRun[] {
  const worked = crossed.filter(
    ({ place }) => workedOn.has(place) && loads.some(({ label, isNew }) => isNew && label === place),
  );
  const boxes = [...new Set(worked.map(({ crossover }) => crossover))];
  return [
    ...boxes.filter(({ at }) => record.wire === 'new' && at !== 'amplifier').map((box) => boxRun(box, routes)),
    ...crossed
      .filter(({ crossover, output }) => boxes.includes(crossover) && output.lead === 'new')
      .flatMap((from) => {
        const load = loads.find(({ label }) => label === from.place);
        const opening = all.get(from.place);
        return load && opening ? [outputRun(from, load, opening, routes)] : [];
      }),
  ];
}

function boxRun({ name, space, at }: Crossover, routes: readonly Route[]): WireRun {
  const what = `Crossover ${name}`;
  const wayM = space === '' ? null : wayTo(routes, space);
  return pairRun(`crossover ${name}`, what, wayM, { isInDoor: at === 'door', isTweeter: false }, USUAL_OHM, {
    open: 'A new pair is to be run to it, and nobody measured its way.',
    next:
      space === ''
        ? 'Say in which of the vehicle’s spaces it lies; the way that ends there is measured with a string.'
        : `Lay a string along the car’s own loom, and note it with the vehicle as a way that ends at “${space}”.`,
  });
}

/** From the box on; beside the amplifier it begins where the amplifier's own pairs do. */
function outputRun(
  { place, crossover: { name, space, at } }: CrossedPlace,
  { kind, electrics: { nominalOhm } }: Load,
  opening: ChannelOpening,
  routes: readonly Route[],
): WireRun {
  const isTweeter = kind === 'tweeter';
  const isPastHinge = isBehindHinge(opening.record.place) !== (at === 'door');
  const wayM = at === 'amplifier' ? wayTo(routes, place) : space === '' ? null : wayBetween(routes, space, place);
  const from = at === 'amplifier' ? `a way that ends at “${place}”` : `a way from “${space}” to “${place}”`;
  return pairRun(
    `output ${place}`,
    `${place}, from crossover ${name}`,
    wayM,
    { isInDoor: isPastHinge, isTweeter },
    nominalOhm,
    {
      open: 'A wire of its own is to be run, and nobody measured its way.',
      next:
        space === '' && at !== 'amplifier'
          ? 'Say in which of the vehicle’s spaces the crossover lies; from there on the way is measured with a string.'
          : `Lay a string, and note it with the vehicle as ${from}.`,
    },
  );
}

function speakerRun(
  { label, kind, electrics: { nominalOhm } }: Load,
  { record: { place } }: ChannelOpening,
  routes: readonly Route[],
): WireRun {
  const made = { isInDoor: isBehindHinge(place), isTweeter: kind === 'tweeter' };
  return pairRun(`pair ${label}`, label, wayTo(routes, label), made, nominalOhm, {
    open: 'A new pair is to be run, and nobody measured its way.',
    next: `Lay a string along the car’s own loom, and note it with the vehicle as a way that ends at “${label}”.`,
  });
}

/**
 * @param wayM null where nobody measured it
 * @param unmeasured what is said then
 */
function pairRun(
  id: string,
  what: string,
  wayM: number | null,
  made: Parameters<typeof signalWire>[2],
  nominalOhm: number | null,
  unmeasured: { readonly open: string; readonly next: string },
): WireRun {
  if (wayM === null) return { ...{ id, what, need: null }, sentence: unmeasured.open, next: unmeasured.next };
  const { lengthM, areaMm2, lossDb } = signalWire(wayM, nominalOhm ?? USUAL_OHM, made);
  const wire = `${areaMm2} mm² (${gaugeOfArea(areaMm2)})`;
  return {
    ...{ id, what },
    need: {
      what: `${metres(lengthM)} of pair, ${wire}`,
      why: `${what}: ${metres(wayM)} of way, the rest slack at hinge and radio.`,
    },
    sentence: `${metres(lengthM)} of ${wire}: ${metres(wayM)} of way and slack. It takes ${lossDb.toFixed(1)} dB${nominalOhm === null ? ` at the ${USUAL_OHM} Ω that are usual` : ''}.`,
    next: null,
  };
}

/** Where a way ends that leads to the maker's amplifier. */
const AT_AMPLIFIER = 'amplifier';

/** From what feeds them now to the plug of the amplifier that is bypassed: a pair for each of its channels. */
function plugRun(sheets: readonly ChannelSheet[], routes: readonly Route[]): readonly WireRun[] {
  const [first] = sheets;
  if (!first) return [];
  const from = first.record.fedBy === 'radio' ? 'the new radio' : 'the added amplifier';
  const [id, what] = ['bypass', 'Past the maker’s amplifier'];
  const leads = sheets.map(({ record: { name, places, feeds } }) => {
    const speakers = [...places, feeds].filter(Boolean).join(' and ');
    return `${name} to ${speakers === '' ? 'speakers that nobody noted' : speakers}`;
  });
  const said = `A pair from ${from} to the amplifier’s plug for each of its channels, joined there to what leads on: ${leads.join('; ')}.`;
  const wayM = wayTo(routes, AT_AMPLIFIER);
  if (wayM === null)
    return [
      {
        ...{ id, what, need: null },
        sentence: `${said} Nobody measured the way there.`,
        next: `Lay a string from radio to amplifier along the car’s own loom, and note it with the vehicle as a way that ends at “${AT_AMPLIFIER}”.`,
      },
    ];
  const { lengthM, areaMm2 } = signalWire(wayM, USUAL_OHM, { isInDoor: false, isTweeter: false });
  const wire = `${areaMm2} mm² (${gaugeOfArea(areaMm2)})`;
  return [
    {
      ...{ id, what },
      need: {
        what: `${sheets.length} times ${metres(lengthM)} of pair, ${wire}`,
        why: `${what}: ${from} to the amplifier’s plug, ${metres(wayM)} of way and slack.`,
      },
      sentence: `${said} ${sheets.length} times ${metres(lengthM)} of ${wire}.`,
      next: null,
    },
  ];
}
