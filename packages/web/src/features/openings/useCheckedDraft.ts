/** A draft as the record that can be saved, or what keeps it from that. */
import { helpfulDimensions, type OpeningRecord, openingRecordSchema, wantedDimensions } from '@low-quarry/core/model';
import { useState } from 'react';
import { useMe } from '../../api/me';
import type { FieldProblem } from '../../ui/problemFields';
import { type MountedFields, useUnreadFields } from '../../ui/unreadNumbers';
import { type OpeningDraft, toRecord } from './openingDraft';

export function useCheckedDraft(draft: OpeningDraft): {
  /** The fields that are on the screen. */
  readonly mounted: MountedFields;
  /** Those of figures that need another one: what no field can know alone. */
  readonly problems: readonly FieldProblem[];
  /** Whether a field kept it from being saved when that was asked last. */
  readonly hasErrors: boolean;
  /** The record; null where something is to be put right first, which is focused then. */
  readonly check: () => OpeningRecord | null;
} {
  const { name: takenBy } = useMe();
  const [refused, setRefused] = useState(false);
  const [unread, setUnread] = useState(false);
  const [problems, setProblems] = useState<readonly FieldProblem[]>([]);
  const unreadFields = useUnreadFields(draft.unread);
  const wanted = [...wantedDimensions(draft.facts), ...helpfulDimensions(draft.facts)];
  const check = () => {
    setUnread(unreadFields.isAny());
    if (unreadFields.isAny()) {
      document.querySelector<HTMLElement>('[data-number][aria-invalid="true"]')?.focus();
      return null;
    }
    const record = toRecord(draft, { takenBy, now: new Date() });
    setRefused(!record.ok);
    if (!record.ok) {
      document.querySelector<HTMLElement>('[data-dimension] [aria-invalid="true"]')?.focus();
      return null;
    }
    const checked = openingRecordSchema.safeParse(record.value);
    setProblems(checked.error?.issues.map(toProblem) ?? []);
    return checked.success ? record.value : null;
  };
  const hasErrors =
    unread || problems.length > 0 || (refused && wanted.some((key) => draft.fields[key].error !== null));
  return { mounted: unreadFields.mounted, problems, hasErrors, check };
}

/** As the server names the places of a request. */
function toProblem({
  path,
  message,
}: {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}): FieldProblem {
  return { path: ['record', ...path].join('.'), message };
}
