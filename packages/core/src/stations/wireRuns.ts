/**
 * What is to be run new on a car: the pairs to its speakers, the feed of an amplifier that is added, and what goes into a line. Each with its
 * length, its arithmetic and what nobody measured.
 */
import { type Channel, isInDoor, placeLabel, type Route, type SmallNeed, type VehicleRecord } from '../model';
import { FUSE_WITHIN_CM, gaugeOfArea, powerFeed, signalWire } from '../wiring';
import { type ChannelJob, type ChannelOpening, type ChannelSheet, channelSheets } from './channelSheets';

export type WireRun = {
  readonly id: string;
  /** Such as "Front door, left". */
  readonly what: string;
  /** What is to be cut from the drum; null where the way is not known. */
  readonly need: SmallNeed | null;
  readonly sentence: string;
  /** The one thing to measure; null where nothing is open. */
  readonly next: string | null;
};

/** What of a job its new wires follow from. */
export type WiredJob = { readonly vehicle: Pick<VehicleRecord, 'routes'> };

const USUAL_OHM = 4;

export function wireRuns(
  { vehicle: { routes } }: WiredJob,
  sheets: readonly ChannelSheet[],
  openings: readonly ChannelOpening[],
): readonly WireRun[] {
  const byLabel = new Map(openings.map((opening) => [placeLabel(opening.record), opening]));
  return [
    ...sheets.flatMap((sheet) =>
      sheet.record.wire !== 'new'
        ? []
        : sheet.channel.loads.flatMap((load) => {
            const opening = byLabel.get(load.label);
            return opening && load.isNew ? [speakerRun(load, opening, routes ?? [])] : [];
          }),
    ),
    ...feedRun(
      sheets.map(({ record }) => record),
      routes ?? [],
    ),
  ];
}

/** What of new wire has to be at hand for openings that something is ordered for, as far as its length is known. */
export function wireNeeds(
  job: WiredJob & ChannelJob,
  openings: readonly ChannelOpening[],
  included: readonly ChannelOpening[],
  confidence: number,
): readonly SmallNeed[] {
  const channels = channelSheets(job, openings, confidence);
  if (channels.kind === 'notLooked') return [];
  return wireRuns(job, channels.sheets, included).flatMap(({ need }) => need ?? []);
}

function speakerRun(
  { label, kind, electrics: { nominalOhm } }: ChannelSheet['channel']['loads'][number],
  { record: { place } }: ChannelOpening,
  routes: readonly Route[],
): WireRun {
  const id = `pair ${label}`;
  const wayM = wayTo(routes, label);
  if (wayM === null)
    return {
      ...{ id, what: label, need: null },
      sentence: 'A new pair is to be run, and nobody measured its way.',
      next: `Lay a string along the car’s own loom, and note it with the vehicle as a way that ends at “${label}”.`,
    };
  const ohm = nominalOhm ?? USUAL_OHM;
  const { lengthM, areaMm2, lossDb } = signalWire(wayM, ohm, {
    isInDoor: isInDoor(place),
    isTweeter: kind === 'tweeter',
  });
  const wire = `${areaMm2} mm² (${gaugeOfArea(areaMm2)})`;
  return {
    ...{ id, what: label },
    need: {
      what: `${metres(lengthM)} of pair, ${wire}`,
      why: `${label}: ${metres(wayM)} of way, the rest slack at hinge and radio.`,
    },
    sentence: `${metres(lengthM)} of ${wire}: ${metres(wayM)} of way and slack. It takes ${lossDb.toFixed(1)} dB${nominalOhm === null ? ` at the ${USUAL_OHM} Ω that are usual` : ''}.`,
    next: null,
  };
}

/** One feed for whatever was added: how many amplifiers it is nobody is asked. */
function feedRun(channels: readonly Channel[], routes: readonly Route[]): readonly WireRun[] {
  const added = channels.filter(({ fedBy }) => fedBy === 'addedAmplifier');
  if (added.length === 0) return [];
  const [id, what] = ['feed', 'The added amplifier’s feed'];
  const unrated = added.filter(({ power }) => power?.rating !== 'RMS');
  if (unrated.length > 0)
    return [
      {
        ...{ id, what, need: null },
        sentence: `Cable and fuse follow from the RMS power of all of its channels, and nobody says that of ${unrated.map(({ name }) => name).join(', ')}.`,
        next: 'Look at the amplifier’s sheet: its fuses and the cable that it asks for stand there too, and go before.',
      },
    ];
  const watt = added.reduce((sum, { power }) => sum + (power?.watt ?? 0), 0);
  const way = routes.find(({ from }) => isSame(from, 'battery'));
  if (!way?.lengthMm)
    return [
      {
        ...{ id, what, need: null },
        sentence: `${watt} W RMS come from the battery, and nobody measured the way there.`,
        next: 'Lay a string from the battery to where the amplifier goes, and note it with the vehicle as a way that begins at “battery”.',
      },
    ];
  const lengthM = way.lengthMm / 1000;
  const feed = powerFeed(watt, lengthM);
  if (!feed)
    return [
      {
        ...{ id, what, need: null },
        sentence: `${watt} W RMS over ${metres(lengthM)} are more than one cable carries.`,
        next: 'Follow the amplifiers’ own sheets: one main to a distributor, a fuse wherever the gauge drops.',
      },
    ];
  const { ampere, areaMm2, fuseA, dropV } = feed;
  const cable = `${areaMm2} mm² (${gaugeOfArea(areaMm2)}) of copper`;
  return [
    {
      ...{ id, what },
      need: {
        what: `${metres(lengthM)} of cable, ${cable}, and a fuse of ${fuseA} A with its holder`,
        why: `${what}: ${watt} W RMS from the battery to ${way.to}.`,
      },
      sentence: `${watt} W RMS take about ${Math.round(ampere)} A: ${cable} from battery to ${way.to}, ${metres(lengthM)}, loses ${dropV.toFixed(2)} V; a fuse of ${fuseA} A within ${FUSE_WITHIN_CM} cm of the battery protects the cable.`,
      next: 'The amplifier’s own sheet goes before: its fuse, its cable, its earth. Copper-clad aluminium carries less.',
    },
  ];
}

/** From the radio or an amplifier to a place, m; null where nobody measured it. */
function wayTo(routes: readonly Route[], label: string): number | null {
  const way = routes.find(({ from, to }) => isSame(to, label) && !isSame(from, 'battery'));
  return way?.lengthMm ? way.lengthMm / 1000 : null;
}

function isSame(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.toLowerCase();
}

/** A cable is cut too long rather than too short: rounded up to a decimetre. */
function metres(m: number): string {
  return `${(Math.ceil(m * 10 - 1e-6) / 10).toFixed(1)} m`;
}
