/** A car's channels as they will be fed, once it is decided whether the maker's amplifier stays. */
import type { AmplifierPlan, Bypass, Channel, PlanSource } from '../model';

export function isOnMakersAmplifier({ fedBy }: Pick<Channel, 'fedBy'>): boolean {
  return fedBy === 'factoryAmplifier';
}

/**
 * Past the amplifier a channel carries everything, whatever the amplifier let through, and loads what feeds it now. Those that it did not feed
 * stay as they are.
 */
export function plannedChannel(channel: Channel, plan: AmplifierPlan): Channel {
  return plan?.kind === 'bypass' && isOnMakersAmplifier(channel) ? bypassed(channel, plan) : channel;
}

function bypassed(channel: Channel, { by, leads, leastOhm, power }: Bypass): Channel {
  return {
    ...channel,
    fedBy: FED_BY[by],
    band: 'full',
    leastOhm,
    power,
    wire: leads === 'new' ? 'new' : (channel.wire ?? 'factory'),
  };
}

const FED_BY: Readonly<Record<PlanSource, NonNullable<Channel['fedBy']>>> = {
  newRadio: 'radio',
  addedAmplifier: 'addedAmplifier',
};
