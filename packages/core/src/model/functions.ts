/**
 * What a car can do besides carrying speakers: each window, lock, handle and lamp, and what of the radio is tried by hand. It is tried
 * before the work and again after it, so that nobody is blamed for what was broken before. Which things are tried is common practice, no source.
 */
import { z } from 'zod';

const SPOT_LABELS = {
  frontLeft: 'front left',
  frontRight: 'front right',
  rearLeft: 'rear left',
  rearRight: 'rear right',
} as const;
type Spot = keyof typeof SPOT_LABELS;
const SPOTS = Object.keys(SPOT_LABELS) as readonly Spot[];
const FRONT_SPOTS = SPOTS.slice(0, 2);

export const FUNCTION_GROUP_LABELS = { doors: 'Doors', car: 'The car', sound: 'Radio and sound' } as const;
export type FunctionGroup = keyof typeof FUNCTION_GROUP_LABELS;
export const FUNCTION_GROUPS = Object.keys(FUNCTION_GROUP_LABELS) as readonly FunctionGroup[];

const KINDS = {
  window: { label: 'Window', group: 'doors', at: 'eachDoor' },
  lock: { label: 'Lock', group: 'doors', at: 'eachDoor' },
  outerHandle: { label: 'Outer handle', group: 'doors', at: 'eachDoor' },
  innerHandle: { label: 'Inner handle', group: 'doors', at: 'eachDoor' },
  doorLamp: { label: 'Door lamp', group: 'doors', at: 'eachDoor' },
  mirror: { label: 'Mirror', group: 'doors', at: 'frontDoors' },
  tailgate: { label: 'Tailgate or boot lid', group: 'car', at: 'once' },
  roofLamps: { label: 'Roof lamps', group: 'car', at: 'once' },
  camera: { label: 'Camera', group: 'car', at: 'once' },
  warningLamps: { label: 'Warning lamps', group: 'car', at: 'once' },
  warningSounds: { label: 'Warning sounds', group: 'car', at: 'once' },
  radio: { label: 'Radio, each source', group: 'sound', at: 'once' },
  wheelButtons: { label: 'Buttons on the steering wheel', group: 'sound', at: 'once' },
  microphone: { label: 'Microphone', group: 'sound', at: 'once' },
  fader: { label: 'Fader', group: 'sound', at: 'once' },
  balance: { label: 'Balance', group: 'sound', at: 'once' },
} as const satisfies Readonly<
  Record<
    string,
    { readonly label: string; readonly group: FunctionGroup; readonly at: 'eachDoor' | 'frontDoors' | 'once' }
  >
>;
type FunctionKind = keyof typeof KINDS;

/** What no table knows is called by a name of its own: `other.Tow bar socket`. */
const OTHER = 'other.';
const MOST_NAME = 40;
/** So many of a car. */
export const MOST_FUNCTIONS = 80;

/**
 * A function of a car, such as `window.frontLeft`, `camera` or `other.Tow bar socket`. What a later program wrote is read too: it is called
 * by what is written.
 */
export const functionKeySchema = z
  .string()
  .regex(/^[A-Za-z]+(\.[^\n]{1,40})?$/, `Type what it is in at most ${MOST_NAME} letters.`);

/** @param name as somebody calls it, at most 40 letters */
export function otherFunction(name: string): string {
  return `${OTHER}${name.trim()}`;
}

/** "Window, front left"; "Tow bar socket". */
export function functionLabel(key: string): string {
  if (key.startsWith(OTHER)) return key.slice(OTHER.length);
  const [kind = '', spot] = key.split('.');
  const label = isKind(kind) ? KINDS[kind].label : kind;
  return spot ? `${label}, ${SPOT_LABELS[spot as Spot] ?? spot}` : label;
}

export function functionGroup(key: string): FunctionGroup {
  const [kind = ''] = key.split('.');
  return isKind(kind) ? KINDS[kind].group : 'car';
}

/** What says nothing about a speaker before each was heard by itself: with one dead the others play on. */
export function needsEverySpeaker(key: string): boolean {
  return key === 'fader' || key === 'balance';
}

/** Of a car what its usual functions follow from. */
type FunctionsCar = { readonly doors: number; readonly body: string };

function isKind(kind: string): kind is FunctionKind {
  return Object.hasOwn(KINDS, kind);
}

/**
 * What is usual for a body, where nobody has written down what this one has: a class default. Doors are counted as the trade does: the
 * tailgate makes three of two and five of four.
 */
export function usualFunctions({ doors, body }: FunctionsCar): readonly string[] {
  const kinds = (Object.keys(KINDS) as readonly FunctionKind[]).filter(
    (kind) => kind !== 'tailgate' || body !== 'lorry',
  );
  const at = (where: (typeof KINDS)[FunctionKind]['at']) => kinds.filter((kind) => KINDS[kind].at === where);
  const spots = doors >= 4 ? SPOTS : FRONT_SPOTS;
  // Door by door, as one walks around the car.
  const doorByDoor = spots.flatMap((spot) =>
    [...at('eachDoor'), ...(FRONT_SPOTS.includes(spot) ? at('frontDoors') : [])].map((kind) => `${kind}.${spot}`),
  );
  return [...doorByDoor, ...at('once')];
}

/** As somebody wrote them down, or as is usual. */
export function functionsOf(
  vehicle: FunctionsCar & { readonly functions: readonly string[] | null },
): readonly string[] {
  return vehicle.functions ?? usualFunctions(vehicle);
}
