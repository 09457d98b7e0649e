import type { Verdict, Work } from '@low-quarry/core/fit';
import type { Answer } from '@low-quarry/core/order';
import { EntitySchema } from 'typeorm';
import type { PartRow } from '../library/PartEntity';
import type { OpeningRow } from '../openings/OpeningEntity';

export type ChoiceRow = {
  opening_id: string;
  speaker_id: string;
  /** From the metal to the speaker; brackets in a snap-off state, and rings that are cut, are no rows of their own. */
  layer_ids: string[];
  /** What is changed by hand. */
  works: readonly Work[];
  answers: Answer[];
  earlier_reason: string | null;
  verdict_when_chosen: Verdict;
  chosen_at: Date;
  version: number;
  /** Every input of the verdict as it was; null for a choice from before they were kept. */
  snapshot: object | null;
  opening?: OpeningRow;
  speaker?: PartRow;
};

export const ChoiceEntity = new EntitySchema<ChoiceRow>({
  name: 'choice',
  columns: {
    opening_id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_choice' },
    speaker_id: { type: 'text' },
    layer_ids: { type: 'jsonb' },
    works: { type: 'jsonb' },
    answers: { type: 'jsonb' },
    earlier_reason: { type: 'text', nullable: true },
    verdict_when_chosen: { type: 'text' },
    chosen_at: { type: 'timestamptz' },
    version: { type: 'integer', default: 1 },
    snapshot: { type: 'jsonb', nullable: true },
  },
  relations: {
    opening: {
      type: 'one-to-one',
      target: 'opening',
      onDelete: 'CASCADE',
      joinColumn: { name: 'opening_id', foreignKeyConstraintName: 'choice_of_opening' },
    },
    speaker: {
      type: 'many-to-one',
      target: 'part',
      nullable: false,
      joinColumn: { name: 'speaker_id', foreignKeyConstraintName: 'choice_speaker' },
    },
  },
});
