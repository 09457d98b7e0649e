/** All kinds of records that a form saves whole. */
import type { SavedKind, SavedName } from './SavedKind';
import { savedAmplifierPlan } from './savedAmplifierPlan';
import { savedBaseline } from './savedBaseline';
import { savedBay } from './savedBay';
import { savedCrossovers } from './savedCrossovers';
import { savedFound } from './savedFound';
import { savedIntake } from './savedIntake';
import { savedQuieted } from './savedQuieted';
import { savedStowed } from './savedStowed';
import { savedVehicle } from './savedVehicle';

/* The names are in `entrySchema`: what is kept is read before this file is here. */
const SAVED = {
  vehicle: savedVehicle,
  intake: savedIntake,
  baseline: savedBaseline,
  found: savedFound,
  amplifierPlan: savedAmplifierPlan,
  crossovers: savedCrossovers,
  stowed: savedStowed,
  bay: savedBay,
  quieted: savedQuieted,
} as const satisfies Readonly<Record<SavedName, unknown>>;

/** Of whatever kind: an entry of the outbox says only at run time which. */
export function savedKind(name: SavedName): SavedKind<unknown, unknown> {
  return SAVED[name] as unknown as SavedKind<unknown, unknown>;
}
