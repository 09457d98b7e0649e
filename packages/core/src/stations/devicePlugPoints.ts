/** What the plugs of the radio and of the maker's amplifier carry, asked before either is taken out of the signal's way. */

import { listed } from '../listed';
import { PLUG_OF_LABELS, type PlugOf } from '../model';
import { lowerFirst } from '../order';
import type { OpenPoint, PointJob } from './point';

/** Who of them is unplugged by what is decided for this car. */
function unplugged({ amplifierPlan: plan }: Pick<PointJob, 'amplifierPlan'>): readonly PlugOf[] {
  if (plan?.kind !== 'bypass') return [];
  return plan.by === 'newRadio' ? ['radio', 'amplifier'] : ['amplifier'];
}

/** One that is not known holds the work, and hand-over with it: what was on it is missed when the car is gone. */
export function devicePlugPoints(job: Pick<PointJob, 'amplifierPlan'> & DeviceVehicle): readonly OpenPoint[] {
  return unplugged(job).flatMap((of) => {
    const words = lookAt(of, job);
    if (words === null) return [];
    const point = {
      words,
      stake:
        'Camera, microphone, aerial and wake-up hang on them as well as music: what is not plugged in again is found by the customer.',
      settledAt: { kind: 'vehicle' },
      isHeld: true,
    } as const;
    return [
      { ...point, id: `plugs of ${of}`, station: 'build', askedAt: 'panelOff' },
      { ...point, id: `plugs of ${of} at hand-over`, station: 'handOver', askedAt: 'handOver' },
    ];
  });
}

type DeviceVehicle = { readonly vehicle: Pick<PointJob['vehicle'], 'devicePlugs'> };

/** Null where each is noted with what it carries. */
function lookAt(of: PlugOf, { vehicle: { devicePlugs } }: DeviceVehicle): string | null {
  const device = lowerFirst(PLUG_OF_LABELS[of]);
  const plugs = (devicePlugs ?? []).filter((plug) => plug.of === of);
  if (plugs.length === 0) return `Note each plug of ${device}, and what it carries, before it is unplugged.`;
  const unknown = plugs.filter(({ carries }) => carries.length === 0).map(({ name }) => `“${name}”`);
  if (unknown.length === 0) return null;
  return `Find out what ${listed(unknown)} of ${device} ${unknown.length === 1 ? 'carries' : 'carry'} before it is unplugged.`;
}
