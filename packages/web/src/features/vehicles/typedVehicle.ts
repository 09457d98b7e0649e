/** A variant as somebody types it, and how it is read. */

import type { FoundVehicle } from '@low-quarry/core/contracts/findVehicles';
import { type NewVehicle, newVehicleSchema } from '@low-quarry/core/contracts/newVehicle';
import type { ListedTemplate } from '@low-quarry/core/contracts/vehicles';
import { capital } from '@low-quarry/core/firstLetter';
import { BODIES, CABS, type Variant, variantSchema } from '@low-quarry/core/model';
import { z } from 'zod';

const shape = {
  make: z.string(),
  model: z.string(),
  years: z.object({ from: z.string(), to: z.string() }),
  body: z.enum(BODIES),
  cab: z.enum(CABS).nullable(),
  doors: z.int(),
  trim: z.string(),
  audioPackage: z.string(),
  steeringSide: z.enum(['left', 'right']),
  market: z.string(),
  /** With commas between. */
  aliases: z.string(),
};

export const variantTypedSchema = z.object(shape);
export type VariantTyped = z.infer<typeof variantTypedSchema>;

export const newVehicleTypedSchema = z.object({ ...shape, from: newVehicleSchema.shape.from });
export type NewVehicleTyped = z.infer<typeof newVehicleTypedSchema>;

const yearTyped = z.string().transform((text, context) => {
  const typed = text.trim();
  if (typed === '') return null;
  if (/^\d{4}$/.test(typed)) return Number(typed);
  context.addIssue(`“${typed.slice(0, 20)}” was read. Type a year such as 2016, or leave it empty.`);
  return z.NEVER;
});
const namesTyped = z.string().transform((text) =>
  text
    .split(/[,;]/)
    .map((name) => name.trim())
    .filter(Boolean),
);
const read = { years: z.object({ from: yearTyped, to: yearTyped }), aliases: namesTyped };

const typedVariant = variantTypedSchema.extend(read);
const typedNewVehicle = newVehicleTypedSchema.extend(read);

/** What is typed, as the shop takes it; all of it is there, so that no default of the contract is asked for. */
export const readVariantSchema = typedVariant.pipe(
  variantSchema as unknown as z.ZodType<Variant, z.output<typeof typedVariant>>,
);
export const readNewVehicleSchema = typedNewVehicle.pipe(
  newVehicleSchema as unknown as z.ZodType<NewVehicle, z.output<typeof typedNewVehicle>>,
);

/** As far as they can be read. */
export function readYears({ from, to }: VariantTyped['years']): Variant['years'] {
  const read = (text: string) => yearTyped.safeParse(text).data ?? null;
  return { from: read(from), to: read(to) };
}

export function toVariantTyped({ years, aliases, ...rest }: Variant): VariantTyped {
  const text = (year: number | null) => (year === null ? '' : String(year));
  const { make, model, body, cab, doors, trim, audioPackage, steeringSide, market } = rest;
  return {
    ...{ make, model, body, cab, doors, trim, audioPackage, steeringSide, market },
    years: { from: text(years.from), to: text(years.to) },
    aliases: aliases.join(', '),
  };
}

/** Nothing of it known but what was typed to look for it: the first word is the make more often than not. */
export function emptyVehicle(lookedFor: string, steeringSide: Variant['steeringSide']): NewVehicleTyped {
  const years = lookedFor.match(/\b(?:19|20)\d\d\b/)?.[0] ?? '';
  const [make = '', ...model] = lookedFor.replace(years, ' ').split(/\s+/).filter(Boolean);
  return {
    ...{ make: capital(make), model: model.map(capital).join(' '), years: { from: years, to: '' } },
    ...{ body: 'hatchback', cab: null, doors: 5, trim: '', audioPackage: '', steeringSide, market: '', aliases: '' },
    from: { kind: 'template', templateId: '' },
  };
}

/** The same car in another trim: what the trim decides is asked anew. */
export function otherTrim(vehicle: Omit<FoundVehicle, 'jobs'>): NewVehicleTyped {
  return {
    ...toVariantTyped({ ...vehicle, trim: '', audioPackage: '' }),
    from: { kind: 'variant', vehicleId: vehicle.id },
  };
}

/** On this body: its doors and its cab come with it. */
export function onTemplate(typed: NewVehicleTyped, { id, template }: ListedTemplate): NewVehicleTyped {
  const { body, cab, doors } = template;
  return { ...typed, body, cab, doors, from: { kind: 'template', templateId: id } };
}
