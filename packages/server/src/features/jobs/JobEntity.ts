import { JOB_FACT_KEYS, type JobEnd, type JobFactKey, type JobFacts } from '@low-quarry/core/model';
import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import type { VehicleRow } from '../vehicles/VehicleEntity';

export type JobRow = {
  id: string;
  number: number;
  vehicle_id: string;
  created_at: Date;
  version: number;
  ended_as: JobEnd | null;
  ended_at: Date | null;
  /** In the bin since; null for a job that is not. */
  deleted_at: Date | null;
  deleted_by: string | null;
  vehicle?: VehicleRow;
} & JobFacts;

/** One for each fact: a fact without a column does not compile. */
const FACT_COLUMNS: Readonly<Record<JobFactKey, EntitySchemaColumnOptions & { readonly name: string }>> = {
  customer: { name: 'customer', type: 'text' },
  registration: { name: 'registration', type: 'text' },
  wants: { name: 'wants', type: 'text' },
  dueOn: { name: 'due_on', type: 'date', nullable: true },
  contact: { name: 'contact', type: 'text' },
  ownership: { name: 'ownership', type: 'jsonb' },
  goals: { name: 'goals', type: 'jsonb', nullable: true },
  keeps: { name: 'keeps', type: 'jsonb', nullable: true },
  budgetMinor: { name: 'budget_minor', type: 'integer', nullable: true },
  later: { name: 'later', type: 'jsonb', nullable: true },
  doneBefore: { name: 'done_before', type: 'text', nullable: true },
  lostWithoutSupply: { name: 'lost_without_supply', type: 'text', nullable: true },
  consents: { name: 'consents', type: 'jsonb' },
  expectations: { name: 'expectations', type: 'jsonb' },
  questions: { name: 'questions', type: 'jsonb' },
  found: { name: 'found', type: 'jsonb' },
  amplifierPlan: { name: 'amplifier_plan', type: 'jsonb', nullable: true },
  crossovers: { name: 'crossovers', type: 'jsonb' },
  stowed: { name: 'stowed', type: 'jsonb' },
  baseline: { name: 'baseline', type: 'jsonb' },
  bay: { name: 'bay', type: 'jsonb' },
  booked: { name: 'booked', type: 'jsonb' },
  smallParts: { name: 'small_parts', type: 'jsonb' },
  quieted: { name: 'quieted', type: 'jsonb' },
};

/** The facts by their columns, for statements that the entity manager does not write. */
export function factColumnsOf(facts: JobFacts): Readonly<Record<string, unknown>> {
  return Object.fromEntries(JOB_FACT_KEYS.map((key) => [FACT_COLUMNS[key].name, facts[key]]));
}

/** The columns of the facts for a SELECT that the entity manager does not write; days as text. */
export const FACTS_SELECTED = JOB_FACT_KEYS.map((key) => {
  const { name, type } = FACT_COLUMNS[key];
  return `"job"."${name}"${type === 'date' ? '::text' : ''} AS "${key}"`;
}).join(', ');

export const JobEntity = new EntitySchema<JobRow>({
  name: 'job',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_job' },
    number: { type: 'integer', generated: 'increment' },
    vehicle_id: { type: 'text' },
    ...FACT_COLUMNS,
    created_at: { type: 'timestamptz', default: () => 'now()' },
    version: { type: 'integer', default: 1 },
    ended_as: { type: 'text', nullable: true },
    ended_at: { type: 'timestamptz', nullable: true },
    deleted_at: { type: 'timestamptz', nullable: true },
    deleted_by: { type: 'text', nullable: true },
  },
  uniques: [{ name: 'job_number', columns: ['number'] }],
  checks: [{ name: 'job_end_has_day', expression: '("ended_as" IS NULL) = ("ended_at" IS NULL)' }],
  indices: [
    { name: 'open_job_by_day', columns: ['dueOn', 'number'], synchronize: false },
    { name: 'job_by_vehicle', columns: ['vehicle_id', 'created_at'], synchronize: false },
    { name: 'ended_job_by_day', columns: ['ended_at', 'number'], synchronize: false },
  ],
  relations: {
    vehicle: {
      type: 'many-to-one',
      target: 'vehicle',
      nullable: false,
      joinColumn: { name: 'vehicle_id', foreignKeyConstraintName: 'job_of_vehicle' },
    },
  },
});
