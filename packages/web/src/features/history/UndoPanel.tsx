/** What I did last, and taking it back. */
import { changeHeadline, changeSentences } from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import { whenWords } from '../../text/whenWords';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { undoQuery, useUndo } from './historyQueries';

export function UndoPanel() {
  const { data } = useQuery(undoQuery);
  const undo = useUndo();
  const changes = data?.changes ?? [];
  const [first] = changes;
  if (!first)
    return undo.isSuccess ? <p role="status">Taken back. There is nothing more of today to take back.</p> : null;
  return (
    <section aria-label="My last action" className="flex flex-col gap-2 border-l-4 border-action bg-paper px-3 py-2">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <p className="text-muted">My last action, {whenWords(first.at, new Date())}</p>
          {changes.map((change) => (
            <p key={change.id}>
              <strong>I {changeHeadline(change)}</strong> {changeSentences(change).join('; ')}
            </p>
          ))}
        </div>
        <Button disabled={undo.isPending} onClick={() => undo.mutate(changes.map(({ id }) => id))}>
          Undo it
        </Button>
      </div>
      <FormError>{undo.error?.message ?? null}</FormError>
      <p role="status" className="sr-only">
        {undo.isSuccess ? 'Taken back.' : ''}
      </p>
    </section>
  );
}
