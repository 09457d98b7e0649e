import type { Verdict } from '@low-quarry/core/fit/Check';
import { EntitySchema } from 'typeorm';
import type { OpeningRow } from '../openings/OpeningEntity';
import type { PartRow } from '../parts/PartEntity';

export type ChoiceRow = {
  opening_id: string;
  speaker_id: string;
  bracket_id: string | null;
  spacer_id: string | null;
  reason: string | null;
  verdict_when_chosen: Verdict;
  chosen_at: Date;
  opening?: OpeningRow;
  speaker?: PartRow;
  bracket?: PartRow;
  spacer?: PartRow;
};

export const ChoiceEntity = new EntitySchema<ChoiceRow>({
  name: 'choice',
  columns: {
    opening_id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_choice' },
    speaker_id: { type: 'text' },
    bracket_id: { type: 'text', nullable: true },
    spacer_id: { type: 'text', nullable: true },
    reason: { type: 'text', nullable: true },
    verdict_when_chosen: { type: 'text' },
    chosen_at: { type: 'timestamptz' },
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
    bracket: {
      type: 'many-to-one',
      target: 'part',
      joinColumn: { name: 'bracket_id', foreignKeyConstraintName: 'choice_bracket' },
    },
    spacer: {
      type: 'many-to-one',
      target: 'part',
      joinColumn: { name: 'spacer_id', foreignKeyConstraintName: 'choice_spacer' },
    },
  },
});
