/**
 * Joining wires where nothing plugs in: which way suits the place, how far the ends are stripped, and how far one joint of a pair lies behind the
 * other so that they cannot touch. The ways, and no hot iron inside a dash, are the trade's common practice, no source; so are the lengths, which
 * are from memory and give way to the sheet of what is used.
 */

/** What a shop prefers where nothing plugs in. */
export type JointSchool = 'solder' | 'crimp' | 'plugIn';

export const JOINT_WAYS = ['butt', 'sealedButt', 'solder', 'blades'] as const;
export type JointWay = (typeof JOINT_WAYS)[number];

type Joint = {
  /** "butt connector"; one for each joint. */
  readonly piece: string;
  readonly pieces: string;
  readonly stripMm: number;
  /** From end to end with what covers it, mm. */
  readonly lengthMm: number;
  readonly how: string;
};

export const JOINTS: Readonly<Record<JointWay, Joint>> = {
  butt: {
    piece: 'butt connector',
    pieces: 'butt connectors',
    stripMm: 7,
    lengthMm: 25,
    how: 'crimped on each side of its middle, each side tugged',
  },
  sealedButt: {
    piece: 'butt connector with a sleeve that seals',
    pieces: 'butt connectors with sleeves that seal',
    stripMm: 7,
    lengthMm: 35,
    how: 'crimped on each side of its middle, tugged, then shrunk: water comes into a door',
  },
  solder: {
    piece: 'heat-shrink sleeve over a soldered joint',
    pieces: 'heat-shrink sleeves over soldered joints',
    stripMm: 13,
    lengthMm: 40,
    how: 'the sleeve on the wire first, twisted, soldered, tugged when cold, then shrunk',
  },
  blades: {
    piece: 'blade and its receptacle, both insulated',
    pieces: 'blades and their receptacles, all insulated',
    stripMm: 6,
    lengthMm: 45,
    how: 'one crimped to each wire, tugged, pushed together; it comes apart again',
  },
};

/** What lies between two joints of a pair, so that they cannot touch, mm. */
const BETWEEN_MM = 10;

/** How far one joint of a pair lies behind the other, mm: so much longer is one wire cut than the other. */
export function staggerMm(way: JointWay): number {
  return JOINTS[way].lengthMm + BETWEEN_MM;
}

export type JointSpot = 'dash' | 'door' | 'other' | 'bench';

function heeded(way: JointWay, spot: JointSpot): string | null {
  if (way === 'solder' && spot === 'dash')
    return 'A hot iron inside a dash: cover what lies around it, or make the joint outside.';
  if (spot === 'door' && way === 'butt') return 'Water comes into a door, and this lets it in: it has to lie dry.';
  return null;
}

/**
 * @param decided what somebody decided for this very place; null where it is left to the shop's school
 * @returns the way, and why it is not what the shop prefers, with what to heed of what was decided; null where there is nothing to say
 */
export function jointWayFor(
  school: JointSchool,
  spot: JointSpot,
  decided: JointWay | null = null,
): { readonly way: JointWay; readonly instead: string | null } {
  if (decided)
    return { way: decided, instead: ['Decided for this place.', heeded(decided, spot)].filter(Boolean).join(' ') };
  const crimped = spot === 'door' ? 'sealedButt' : 'butt';
  if (school === 'plugIn') return { way: 'blades', instead: null };
  if (school === 'crimp') return { way: crimped, instead: null };
  if (spot === 'dash') return { way: crimped, instead: 'Not soldered: no hot iron inside a dash.' };
  return { way: 'solder', instead: null };
}
