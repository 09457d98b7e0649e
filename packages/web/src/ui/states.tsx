/** The states every screen has besides filled: loading, failed, empty. Each says what to do next. */
import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import type { FallbackProps } from 'react-error-boundary';
import { Link } from 'react-router';
import { ProblemError } from '../api/call';
import { Button } from './Button';
import { NotLoadedError } from './late';

export function Loading({ what, slow = false }: { readonly what: string; readonly slow?: boolean }) {
  return (
    <p role="status" className="p-4 text-muted">
      {slow ? `Waiting for the server, to load ${what}. It is asked again every two seconds.` : `Loading ${what} …`}
    </p>
  );
}

export function Empty({ children }: { readonly children: ReactNode }) {
  return <div className="border-y border-hairline py-8 text-muted">{children}</div>;
}

function Failed({
  what,
  error,
  onRetry,
}: {
  readonly what: string;
  readonly error: Error;
  readonly onRetry: () => void;
}) {
  const missing = error instanceof ProblemError && error.problem.status === 404;
  return (
    <div role="alert" className="flex flex-col items-start gap-2 p-4">
      <h1>{missing ? 'There is no such page' : `Could not load ${what}`}</h1>
      <p>{missing ? 'It may have been removed, or the address is mistyped.' : error.message}</p>
      <div className="flex gap-4">
        {!missing && <Button onClick={onRetry}>Try again</Button>}
        <Link to="/" className="flex min-h-12 items-center text-action underline">
          All jobs
        </Link>
      </div>
    </div>
  );
}

/** Shows a query's answer, or its state in words. */
export function Answered<Answer>({
  query,
  what,
  progress = null,
  children,
}: {
  readonly query: UseQueryResult<Answer, Error>;
  readonly what: string;
  /** How far it is, while it is loading. */
  readonly progress?: ReactNode;
  readonly children: (answer: Answer) => ReactNode;
}) {
  if (query.data !== undefined) return children(query.data);
  if (query.isError) return <Failed what={what} error={query.error} onRetry={() => query.refetch()} />;
  return (
    <>
      <Loading what={what} slow={query.failureCount > 0} />
      {progress}
    </>
  );
}

/** Whatever a screen did not foresee. */
export function ScreenFault({ error, resetErrorBoundary }: FallbackProps) {
  if (error instanceof NotLoadedError)
    return (
      <main className="flex flex-col items-start gap-2 p-4" role="alert">
        <h1>This screen could not be loaded</h1>
        <p>It comes once the shop’s server answers. Nothing that was saved is lost, and what was typed is kept.</p>
        <Button onClick={resetErrorBoundary}>Try again</Button>
        <Link to="/" className="flex min-h-12 items-center text-action underline">
          All jobs
        </Link>
      </main>
    );
  return (
    <main className="flex flex-col items-start gap-2 p-4" role="alert">
      <h1>This screen failed</h1>
      <p>A fault of ours. Nothing that was saved is lost; reload the page, and what was typed comes back.</p>
      {error instanceof Error && <p className="text-muted">{error.message}</p>}
      <Link to="/" className="text-action underline">
        All jobs
      </Link>
    </main>
  );
}

export function NoSuchPage() {
  return (
    <main className="flex flex-col items-start gap-2 p-4" role="alert">
      <h1>There is no such page</h1>
      <p>The address is mistyped.</p>
      <Link to="/" className="text-action underline">
        All jobs
      </Link>
    </main>
  );
}
