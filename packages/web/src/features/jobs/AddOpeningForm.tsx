import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { newOpening, notedOpeningSchema, placeLabel } from '@low-quarry/core/model';
import { useMemo, useSyncExternalStore } from 'react';
import type { z } from 'zod';
import { isAway, subscribeToConnection } from '../../api/connection';
import { useSent } from '../../outbox/useSent';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { areSaid } from '../../ui/problemFields';
import { NotedFields } from '../openings/NotedFields';
import { FIRST_NOTED, type NotedOpening } from '../openings/notedOpening';

export function AddOpeningForm({
  jobId,
  openings,
  onDone,
}: {
  readonly jobId: string;
  readonly openings: readonly OpeningWithState[];
  readonly onDone: () => void;
}) {
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  const { isSending, refusal, problems, send } = useSent(onDone);
  // As the form names them.
  const fields = useMemo(
    () => problems.map((each) => ({ ...each, path: each.path.replace(/^record\./, '') })),
    [problems],
  );
  const schema = notedOpeningSchema as z.ZodType<NotedOpening, NotedOpening>;
  const { control, handleSubmit, watch } = useCheckedForm(schema, FIRST_NOTED, fields);
  const label = placeLabel(watch());
  const isDouble = openings.some(({ record }) => placeLabel(record) === label);
  return (
    <form
      onSubmit={handleSubmit((noted) => send({ kind: 'addOpening', label, jobId, record: newOpening(noted) }))}
      className="flex flex-col gap-3"
      noValidate
    >
      <p className="text-muted">
        It begins as is usual, and nobody has looked at it: no dimension is known, and no plug. Every opening that
        exists is noted, worked on or not.
      </p>
      <NotedFields control={control} />
      {isDouble && (
        <p className="font-semibold text-measure">
          {label} is there already: give this one a name of its own, such as “upper” or “woofer”.
        </p>
      )}
      <FormError>{refusal && !areSaid(fields, FIRST_NOTED) ? `Not added: ${refusal.message}` : null}</FormError>
      {isSending && away && (
        <p role="status" className="font-semibold text-measure">
          The server does not answer. The place is added as soon as it is back, once; you can close this.
        </p>
      )}
      <Button kind="main" type="submit" disabled={isSending || isDouble}>
        {isSending ? 'Adding …' : `Add ${label.toLowerCase()}`}
      </Button>
    </form>
  );
}
