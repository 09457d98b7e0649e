/**
 * What of a variant is neither opening nor panel: room for what is added, ways for wires, and the channels that feed its speakers. Null where
 * nobody looked, an empty list where somebody did and there is none.
 */
import { z } from 'zod';
import { gradeSchema } from './grade';

const text = (most: number) => z.string().trim().max(most, `Type at most ${most} characters.`);
const lengthSchema = z.number().positive('Type a length above 0.').max(10_000, 'Type at most 10,000 mm.').nullable();

/** Room for a crossover, an amplifier, a box. */
export const spaceSchema = z.strictObject({
  name: text(60).min(1, 'Type where it is, such as “under the left seat”.'),
  lengthMm: lengthSchema,
  widthMm: lengthSchema,
  heightMm: lengthSchema,
  note: text(200),
  grade: gradeSchema,
});
export type Space = z.infer<typeof spaceSchema>;

/** A way for wires. */
export const routeSchema = z.strictObject({
  from: text(60).min(1, 'Type where it begins, such as “battery”.'),
  to: text(60).min(1, 'Type where it ends, such as “front door, left”.'),
  /** What it goes through: a boot, a grommet, a sill. */
  through: text(120),
  lengthMm: lengthSchema,
  note: text(200),
  grade: gradeSchema,
});
export type Route = z.infer<typeof routeSchema>;

export const BAND_LABELS = {
  full: 'Everything',
  bass: 'Bass only',
  treble: 'Treble only',
  voices: 'Voices and sounds only',
} as const;
export type Band = keyof typeof BAND_LABELS;
export const BANDS = Object.keys(BAND_LABELS) as [Band, ...Band[]];

export const FED_BY_LABELS = {
  radio: 'The radio itself',
  factoryAmplifier: 'The maker’s separate amplifier',
  addedAmplifier: 'An amplifier that was added',
} as const;
export type FedBy = keyof typeof FED_BY_LABELS;
export const FED_BY = Object.keys(FED_BY_LABELS) as [FedBy, ...FedBy[]];

export const JOINED_LABELS = { parallel: 'Side by side (parallel)', series: 'One after the other (series)' } as const;
export type JoinedKey = keyof typeof JOINED_LABELS;
export const JOINED = Object.keys(JOINED_LABELS) as [JoinedKey, ...JoinedKey[]];

export const POWER_RATING_LABELS = {
  RMS: 'RMS',
  peak: 'Peak',
  range: 'Top of a range',
  unstated: 'Nobody states',
} as const;
export type PowerRatingKey = keyof typeof POWER_RATING_LABELS;
export const POWER_RATINGS = Object.keys(POWER_RATING_LABELS) as [PowerRatingKey, ...PowerRatingKey[]];

export const CHANNEL_WIRE_LABELS = { factory: 'The car’s own wire', new: 'New wire' } as const;
export type ChannelWire = keyof typeof CHANNEL_WIRE_LABELS;
export const CHANNEL_WIRES = Object.keys(CHANNEL_WIRE_LABELS) as [ChannelWire, ...ChannelWire[]];

/** Nominal, of a load; null where nobody says. */
export const ohmSchema = z.number().positive('Type ohms above 0.').max(32, 'Type at most 32 Ω.').nullable();

/** What one channel gives; null where nobody says. */
export const channelPowerSchema = z
  .strictObject({
    watt: z.number('Type the power in W.').positive('Type a power above 0 W.').max(5000, 'Type at most 5,000 W.'),
    rating: z.enum(POWER_RATINGS),
    atOhm: ohmSchema,
  })
  .nullable();

/** What plays together, and what its source gives and stands. */
export const channelSchema = z.strictObject({
  name: text(40).min(1, 'Type what it is called, such as “front left”.'),
  /** The openings that hang on it, as they are called: "Front door, left". */
  places: z.array(text(100).min(1)).max(12, 'Keep to 12 places.').default([]),
  /** What else hangs on it, in words. */
  feeds: text(120),
  joined: z.enum(JOINED).default('parallel'),
  /** Null where nobody looked: a band that is missing is silent in whatever is fitted there. */
  band: z.enum(BANDS).nullable(),
  fedBy: z.enum(FED_BY).nullable(),
  /** The least load that its source is sold for; null where nobody says. */
  leastOhm: ohmSchema.default(null),
  power: channelPowerSchema.default(null),
  /** What leads to its speakers; null where nobody decided. */
  wire: z.enum(CHANNEL_WIRES).nullable().default(null),
  note: text(200),
  grade: gradeSchema,
});
export type Channel = z.infer<typeof channelSchema>;

export const PLUG_OF_LABELS = { radio: 'The radio', amplifier: 'The maker’s separate amplifier' } as const;
export type PlugOf = keyof typeof PLUG_OF_LABELS;
export const PLUG_OF = Object.keys(PLUG_OF_LABELS) as [PlugOf, ...PlugOf[]];

export const PLUG_CARRIES_LABELS = {
  music: 'Music',
  warnings: 'Warning sounds',
  camera: 'Camera',
  microphone: 'Microphone',
  aerial: 'Aerial',
  remote: 'Wake-up (remote)',
  supply: 'Supply',
} as const;
export type PlugCarries = keyof typeof PLUG_CARRIES_LABELS;
export const PLUG_CARRIES = Object.keys(PLUG_CARRIES_LABELS) as [PlugCarries, ...PlugCarries[]];

/** A plug of the radio or of the maker's amplifier. */
export const devicePlugSchema = z.strictObject({
  of: z.enum(PLUG_OF),
  name: text(60).min(1, 'Type what it looks like, such as “grey, 16 positions”.'),
  /** All that it carries; empty where nobody knows. */
  carries: z.array(z.enum(PLUG_CARRIES)).max(PLUG_CARRIES.length),
  note: text(200),
  grade: gradeSchema,
});
export type DevicePlug = z.infer<typeof devicePlugSchema>;

const MOST = 24;
export const spacesSchema = z.array(spaceSchema).max(MOST, `Keep to ${MOST} spaces.`).nullable();
export const routesSchema = z.array(routeSchema).max(MOST, `Keep to ${MOST} ways.`).nullable();
export const devicePlugsSchema = z.array(devicePlugSchema).max(MOST, `Keep to ${MOST} plugs.`).nullable();
export const channelsSchema = z.array(channelSchema).max(MOST, `Keep to ${MOST} channels.`).nullable();

/** "under the left seat, 320 × 210 × 70 mm". */
export function spaceWords({ name, lengthMm, widthMm, heightMm, note }: Space): string {
  const sizes = [lengthMm, widthMm, heightMm];
  const size = sizes.every((each) => each === null)
    ? 'size not known'
    : `${sizes.map((each) => each ?? '?').join(' × ')} mm`;
  return [name, size, note].filter(Boolean).join(', ');
}

/** "battery to front door, left, through the boot, 2.4 m". */
export function routeWords({ from, to, through, lengthMm, note }: Route): string {
  const length = lengthMm === null ? '' : `${(lengthMm / 1000).toFixed(1)} m`;
  return [`${from} to ${to}`, through && `through ${through}`, length, note].filter(Boolean).join(', ');
}

/** "The radio: grey, 16 positions; music, camera". */
export function devicePlugWords({ of, name, carries, note }: DevicePlug): string {
  const what =
    carries.length === 0
      ? 'nobody knows what it carries'
      : carries.map((each) => PLUG_CARRIES_LABELS[each].toLowerCase()).join(', ');
  return [`${PLUG_OF_LABELS[of]}: ${name}`, what, note].filter(Boolean).join('; ');
}

/** "front left: Front door, left; everything; the radio itself; stands 4 Ω; 20 W RMS into 4 Ω". */
export function channelWords(channel: Channel): string {
  const { name, places, feeds, joined, band, fedBy, leastOhm, power, wire, note } = channel;
  const said = [
    ...places,
    feeds,
    places.length > 1 && joined === 'series' ? 'in series' : '',
    band === null ? 'band not looked at' : BAND_LABELS[band].toLowerCase(),
    fedBy === null ? 'nobody looked what feeds it' : FED_BY_LABELS[fedBy].toLowerCase(),
    leastOhm === null ? '' : `stands ${leastOhm} Ω`,
    power === null ? '' : channelPowerWords(power),
    wire === null ? '' : CHANNEL_WIRE_LABELS[wire].toLowerCase(),
    note,
  ];
  return `${name}: ${said.filter(Boolean).join('; ')}`;
}

/** "20 W RMS into 4 Ω". */
export function channelPowerWords({ watt, rating, atOhm }: NonNullable<Channel['power']>): string {
  const kind = rating === 'RMS' ? 'RMS' : `(${POWER_RATING_LABELS[rating].toLowerCase()})`;
  return `${watt} W ${kind}${atOhm === null ? '' : ` into ${atOhm} Ω`}`;
}
