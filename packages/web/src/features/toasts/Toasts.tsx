/** Where what is said in passing stands: below, out of the way of the hands, read out, and gone by itself. */
import { useSyncExternalStore } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { late } from '../../ui/late';
import { currentToasts, subscribeToToasts } from '../../ui/toast';

const ToastCards = late(
  () => import('./ToastCards').then((code) => code.ToastCards),
  () => null,
);

export function Toasts() {
  const toasts = useSyncExternalStore(subscribeToToasts, currentToasts);
  if (toasts.length === 0) return null;
  return (
    // What cannot be said in passing is in the history.
    <ErrorBoundary fallback={null}>
      <ToastCards toasts={toasts} />
    </ErrorBoundary>
  );
}
