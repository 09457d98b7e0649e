/** A vehicle of the library: one model in one trim, with what is known of its openings before anybody measured. */
import { z } from 'zod';
import { openingRecordSchema } from './opening';

export const BODIES = ['hatchback', 'estate', 'minibus', 'pickup', 'coupe'] as const;

export const vehicleSchema = z.strictObject({
  id: z.string().min(1).max(80),
  make: z.string().min(1).max(60),
  model: z.string().min(1).max(60),
  years: z.string().min(4).max(20),
  body: z.enum(BODIES),
  doors: z.int().min(2).max(6),
  trim: z.string().min(1).max(60),
  audioPackage: z.string().min(1).max(80),
  steeringSide: z.enum(['left', 'right']),
  openings: z.array(openingRecordSchema).max(24),
});

export type VehicleRecord = z.infer<typeof vehicleSchema>;
export type Body = (typeof BODIES)[number];

export function vehicleName({ make, model }: Pick<VehicleRecord, 'make' | 'model'>): string {
  return `${make} ${model}`;
}

/** With the years and the trim, which tell it from others of its name. */
export function vehicleLabel(vehicle: Pick<VehicleRecord, 'make' | 'model' | 'years' | 'trim'>): string {
  return `${vehicleName(vehicle)}, ${vehicle.years}, ${vehicle.trim}`;
}
