/** The cards of what is said in passing, and taking it back from there. */
import { useQuery } from '@tanstack/react-query';
import { Toast as Radix } from 'radix-ui';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { dropToast, type Toast } from '../../ui/toast';
import { undoQuery, useUndo } from '../history/historyQueries';

/** Long enough to read it, look at the list and reach for the button with a glove on; it waits while it is pointed at or has the focus. */
const SHOWN_MS = 12_000;

export function ToastCards({ toasts }: { readonly toasts: readonly Toast[] }) {
  return (
    <Radix.Provider duration={SHOWN_MS} label="Said in passing" swipeDirection="down">
      {toasts.map((toast) => (
        <Radix.Root
          key={toast.id}
          onOpenChange={(open) => !open && dropToast(toast.id)}
          className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-2 border-ink bg-paper px-4 py-1"
        >
          <Radix.Description className="py-2 font-semibold">{toast.words}</Radix.Description>
          <span className="flex gap-2">
            {toast.canUndo && <Undo onDone={() => dropToast(toast.id)} />}
            <Radix.Close asChild>
              <Button kind="quiet">Close</Button>
            </Radix.Close>
          </span>
        </Radix.Root>
      ))}
      <Radix.Viewport
        label="Said in passing ({hotkey})"
        className="only-screen fixed inset-x-0 bottom-0 z-30 mx-auto flex w-full max-w-xl flex-col gap-2 p-2"
      />
    </Radix.Provider>
  );
}

/** What it would take back is asked for now: the person may have done something else since. */
function Undo({ onDone }: { readonly onDone: () => void }) {
  const { data, isFetchedAfterMount } = useQuery({ ...undoQuery, staleTime: 0 });
  const undo = useUndo();
  const changes = (isFetchedAfterMount && data?.changes) || [];
  if (changes.length === 0) return null;
  return (
    <>
      <FormError>{undo.error?.message ?? null}</FormError>
      <Radix.Action asChild altText="Take it back on the page History and undo">
        <Button
          kind="quiet"
          disabled={undo.isPending}
          onClick={(event) => {
            // It stays until it is done, or says why it is not.
            event.preventDefault();
            undo.mutate(
              changes.map(({ id }) => id),
              { onSuccess: onDone },
            );
          }}
        >
          Undo it
        </Button>
      </Radix.Action>
    </>
  );
}
