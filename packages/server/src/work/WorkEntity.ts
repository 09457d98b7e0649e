import type { WorkKind, WorkState } from '@low-quarry/core/contracts/work';
import { EntitySchema } from 'typeorm';

export type WorkRow = {
  id: string;
  /** In the order in which they were asked for, whatever the clock said. */
  number: number;
  kind: WorkKind;
  /** Of what: a kind that is about nothing has one piece open at the most. */
  about: string | null;
  asked_by: string | null;
  asked_at: Date;
  state: WorkState;
  is_stopping: boolean;
  step: string;
  share: number | null;
  tries: number;
  started_at: Date | null;
  ended_at: Date | null;
  next_try_at: Date | null;
  fault: string | null;
  result: string | null;
};

const OPEN_ONCE = `"state" IN ('waiting', 'running') AND "about" IS NULL`;

export const WorkEntity = new EntitySchema<WorkRow>({
  name: 'work',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_work' },
    number: { type: 'integer', generated: 'increment' },
    kind: { type: 'text' },
    about: { type: 'uuid', nullable: true },
    asked_by: { type: 'text', nullable: true },
    asked_at: { type: 'timestamptz' },
    state: { type: 'text' },
    is_stopping: { type: 'boolean', default: false },
    step: { type: 'text', default: '' },
    share: { type: 'double precision', nullable: true },
    tries: { type: 'integer', default: 0 },
    started_at: { type: 'timestamptz', nullable: true },
    ended_at: { type: 'timestamptz', nullable: true },
    next_try_at: { type: 'timestamptz', nullable: true },
    fault: { type: 'text', nullable: true },
    result: { type: 'text', nullable: true },
  },
  uniques: [{ name: 'work_number', columns: ['number'] }],
  checks: [
    { name: 'known_work_state', expression: `"state" IN ('waiting', 'running', 'done', 'failed', 'stopped')` },
    { name: 'ended_work_has_day', expression: `("state" IN ('waiting', 'running')) = ("ended_at" IS NULL)` },
  ],
  indices: [{ name: 'open_work_once', columns: ['kind'], unique: true, where: OPEN_ONCE }],
});
