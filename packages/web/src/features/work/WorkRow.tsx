/** One piece of work: what it is, how far, and what can be done about it. */
import type { Work } from '@low-quarry/core/contracts/work';
import { useMay } from '../../api/me';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { useRetryWork, useStopWork } from './workQueries';
import { workView } from './workView';

const TONES = { plain: '', good: 'text-clears', bad: 'text-hits' } as const;

export function WorkRow({ work }: { readonly work: Work }) {
  const mayStop = useMay('stopWork');
  const mayAsk = useMay('backup');
  const stop = useStopWork();
  const retry = useRetryWork();
  const view = workView(work, new Date());
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-6 gap-y-1 border-b border-hairline py-2">
      <div className="flex min-w-0 max-w-2xl flex-1 basis-80 flex-col gap-1">
        <p>
          <strong>{view.title}</strong>, <span className="text-muted">{view.asked}</span>
        </p>
        <p className={`break-words font-semibold ${TONES[view.tone]}`}>{view.state}</p>
        {view.percent !== null && (
          <p className="flex items-center gap-3">
            <progress
              aria-label={`${view.title}, done`}
              max={100}
              value={view.percent}
              className="h-3 w-48 border border-ink [&::-moz-progress-bar]:bg-action [&::-webkit-progress-bar]:bg-paper [&::-webkit-progress-value]:bg-action"
            />
            <span className="tabular-nums">{view.percent} %</span>
          </p>
        )}
        <FormError>{stop.error?.message ?? retry.error?.message ?? null}</FormError>
      </div>
      {mayStop && view.mayStop && (
        <Button disabled={stop.isPending} onClick={() => stop.mutate(work.id)}>
          Stop<span className="sr-only"> the {view.title.toLowerCase()}</span>
        </Button>
      )}
      {mayAsk && view.mayAskAgain && (
        <Button disabled={retry.isPending} onClick={() => retry.mutate(work.id)}>
          Ask again<span className="sr-only"> for the {view.title.toLowerCase()}</span>
        </Button>
      )}
    </li>
  );
}
