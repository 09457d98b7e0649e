/** Room, ways and channels of a vehicle as they are typed. */
import {
  BANDS,
  CHANNEL_WIRES,
  type Channel,
  channelsSchema,
  devicePlugsSchema,
  FED_BY,
  GRADES,
  JOINED,
  PLUG_CARRIES,
  PLUG_OF,
  routesSchema,
  spacesSchema,
  type VehicleRecord,
} from '@low-quarry/core/model';
import type { Control } from 'react-hook-form';
import { z } from 'zod';
import { lengthTyped, numberText, ohmTyped } from './typedNumber';
import { powerOf, powerRead, powerTyped, toPowerTyped } from './typedPower';

const grade = z.enum(GRADES);
const space = {
  name: z.string(),
  lengthMm: z.string(),
  widthMm: z.string(),
  heightMm: z.string(),
  note: z.string(),
  grade,
};
const route = { from: z.string(), to: z.string(), through: z.string(), lengthMm: z.string(), note: z.string(), grade };
const channel = {
  ...{ name: z.string(), places: z.array(z.string()), feeds: z.string(), joined: z.enum(JOINED) },
  ...{
    band: z.enum(BANDS).nullable(),
    fedBy: z.enum(FED_BY).nullable(),
    leastOhm: z.string(),
    wire: z.enum(CHANNEL_WIRES).nullable(),
  },
  ...{ ...powerTyped, note: z.string(), grade },
};

const devicePlug = {
  ...{ of: z.enum(PLUG_OF), name: z.string(), carries: z.array(z.enum(PLUG_CARRIES)), note: z.string(), grade },
};

const aroundTypedSchema = z.object({
  spaces: z.array(z.object(space)),
  isSpacesLooked: z.boolean(),
  routes: z.array(z.object(route)),
  isRoutesLooked: z.boolean(),
  channels: z.array(z.object(channel)),
  isChannelsLooked: z.boolean(),
  devicePlugs: z.array(z.object(devicePlug)),
  isDevicePlugsLooked: z.boolean(),
});
/** As it is kept on the device; an earlier page asked for no plugs. */
export const aroundKeptSchema = aroundTypedSchema.extend({
  devicePlugs: aroundTypedSchema.shape.devicePlugs.default([]),
  isDevicePlugsLooked: aroundTypedSchema.shape.isDevicePlugsLooked.default(false),
});
export type AroundTyped = z.output<typeof aroundTypedSchema>;
export type Around = Pick<VehicleRecord, 'spaces' | 'routes' | 'channels' | 'devicePlugs'>;
export type AroundControl = Control<AroundTyped, unknown, Around>;

const told = z.object({
  ...{ spaces: spacesSchema, routes: routesSchema, channels: channelsSchema, devicePlugs: devicePlugsSchema },
});
const read = aroundTypedSchema.extend({
  spaces: z.array(z.object({ ...space, lengthMm: lengthTyped, widthMm: lengthTyped, heightMm: lengthTyped })),
  routes: z.array(z.object({ ...route, lengthMm: lengthTyped })),
  channels: z.array(
    z
      .object({ ...channel, leastOhm: ohmTyped, ...powerRead })
      .transform(({ watt, rating, atOhm, ...each }, context) => {
        const power = powerOf({ watt, rating, atOhm }, context);
        return power === undefined ? z.NEVER : { ...each, power };
      }),
  ),
});

/** What is typed, as the shop takes it. */
export const readAroundSchema: z.ZodType<Around, AroundTyped> = read.transform((typed, context) => {
  const listOf = <Each>(list: readonly Each[], isLooked: boolean) => (isLooked || list.length > 0 ? list : null);
  const around = told.safeParse({
    spaces: listOf(typed.spaces, typed.isSpacesLooked),
    routes: listOf(typed.routes, typed.isRoutesLooked),
    channels: listOf(typed.channels, typed.isChannelsLooked),
    devicePlugs: listOf(typed.devicePlugs, typed.isDevicePlugsLooked),
  });
  for (const { path, message } of around.error?.issues ?? [])
    context.addIssue({ code: 'custom', path: [...path], message });
  return around.success ? around.data : z.NEVER;
});

export function toAroundTyped({ spaces, routes, channels, devicePlugs }: Around): AroundTyped {
  return {
    spaces: (spaces ?? []).map(({ lengthMm, widthMm, heightMm, ...each }) => ({
      ...each,
      lengthMm: numberText(lengthMm),
      widthMm: numberText(widthMm),
      heightMm: numberText(heightMm),
    })),
    isSpacesLooked: spaces !== null,
    routes: (routes ?? []).map(({ lengthMm, ...each }) => ({ ...each, lengthMm: numberText(lengthMm) })),
    isRoutesLooked: routes !== null,
    channels: (channels ?? []).map(toChannelTyped),
    isChannelsLooked: channels !== null,
    devicePlugs: [...(devicePlugs ?? [])],
    isDevicePlugsLooked: devicePlugs !== null,
  };
}

export function toChannelTyped({ leastOhm, power, ...each }: Channel): AroundTyped['channels'][number] {
  return {
    ...each,
    leastOhm: numberText(leastOhm),
    ...toPowerTyped(power),
  };
}
