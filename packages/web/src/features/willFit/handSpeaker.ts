/**
 * A speaker that the customer brings, typed in by hand: what a calliper finds on it in half a minute. Everything else is
 * what such a part usually has, and is not asked.
 */
import { NOMINAL_SIZES, type SpeakerRecord, speakerSchema, TERMINALS } from '@low-quarry/core/catalogue';
import { fail, ok, type Result } from '@low-quarry/core/result';
import { explainLengthFailure, type LengthUnit, parseLength } from '@low-quarry/core/units';
import { z } from 'zod';

export const HAND_LENGTHS = {
  cutoutMm: 'Cutout',
  mountingDepthMm: 'Mounting depth',
  magnetMm: 'Magnet diameter',
  flangeMm: 'Flange thickness',
  frontMm: 'Front height',
  boltCircleMm: 'Bolt circle',
} as const;
export type HandLength = keyof typeof HAND_LENGTHS;
export const HAND_KEYS = Object.keys(HAND_LENGTHS) as readonly HandLength[];

export type HandForm = Readonly<Record<HandLength, string>> & {
  readonly size: string;
  readonly holes: string;
  readonly terminals: string;
  readonly datum: 'underside' | 'top' | 'notStated';
};

/** As the device keeps it. */
export const handFormSchema: z.ZodType<HandForm> = z.object({
  ...(Object.fromEntries(HAND_KEYS.map((key) => [key, z.string()])) as Record<HandLength, z.ZodString>),
  size: z.string(),
  holes: z.string(),
  terminals: z.string(),
  datum: z.enum(['underside', 'top', 'notStated']),
});

export const EMPTY_HAND: HandForm = {
  cutoutMm: '',
  mountingDepthMm: '',
  magnetMm: '',
  flangeMm: '4',
  frontMm: '8',
  boltCircleMm: '',
  size: '6.5 in',
  holes: '4',
  terminals: TERMINALS[0],
  datum: 'underside',
};

export const HAND_ID = 'by-hand';
/** A calliper in the hand, mm. */
const HAND_HALF_WIDTH_MM = 0.3;
/** What a flange stands out over its cutout, and the holes in it (common practice, no source). */
const FLANGE_OVER_MM = 26;
const HOLE_MM = 5;
const SLOT_MM = 3;

/** @returns the record, or the message of each field that was not understood */
export function toHandSpeaker(
  form: HandForm,
  unit: LengthUnit,
): Result<SpeakerRecord, Readonly<Partial<Record<HandLength, string>>>> {
  const errors: Partial<Record<HandLength, string>> = {};
  const lengths = {} as Record<HandLength, number>;
  for (const key of HAND_KEYS) {
    const read = parseLength(form[key], unit);
    if (!read.ok) errors[key] = `${HAND_LENGTHS[key]}: ${explainLengthFailure(read.failure)}`;
    else if (read.value.valueMm < 0 || read.value.valueMm > 400 || (key !== 'frontMm' && read.value.valueMm === 0))
      errors[key] = `${HAND_LENGTHS[key]}: "${form[key].trim()}" was read; expected up to 400 mm.`;
    else lengths[key] = read.value.valueMm;
  }
  if (Object.keys(errors).length > 0) return fail(errors);
  const parsed = speakerSchema.safeParse({
    kind: 'speaker',
    id: HAND_ID,
    maker: 'By hand:',
    name: 'speaker brought along',
    roundingMm: HAND_HALF_WIDTH_MM,
    speakerKind: 'coaxial',
    nominalSize: NOMINAL_SIZES.find((size) => size === form.size) ?? '6.5 in',
    basket: { kind: 'circle', diameterMm: lengths.cutoutMm },
    flange: { kind: 'circle', diameterMm: lengths.cutoutMm + FLANGE_OVER_MM },
    flangeThicknessMm: lengths.flangeMm,
    mountingDepthMm: lengths.mountingDepthMm,
    depthDatum: form.datum,
    frontHeightMm: lengths.frontMm,
    magnetDiameterMm: Math.min(lengths.magnetMm, lengths.cutoutMm),
    bolts: {
      shape: { kind: 'circle', count: Number(form.holes), diameterMm: lengths.boltCircleMm, firstAngleDeg: 45 },
      holeDiameterMm: HOLE_MM,
      slotMm: SLOT_MM,
      slotRuns: 'radial',
    },
    terminals: form.terminals,
    impedanceOhm: null,
    rmsW: null,
    sensitivityDb: null,
  });
  if (parsed.success) return ok(parsed.data);
  return fail({ cutoutMm: parsed.error.issues[0]?.message ?? 'These figures are no speaker.' });
}
