/** Lots as rows: the number on its label, where it lies, how many, for whom, when it was counted. */
import type { ListedLot } from '@low-quarry/core/contracts/shelf';
import { lotCode } from '@low-quarry/core/model';
import { useState } from 'react';
import { Link } from 'react-router';
import { useMay } from '../../api/me';
import { addressOf } from '../../stations/addressOf';
import { shopDay } from '../../text/shopDays';
import { Button } from '../../ui/Button';
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';

const LotForm = late(
  () => import('./LotForm').then((code) => code.LotForm),
  () => <Loading what="the lot" />,
);

/** @param showPart where they are not all of one part */
export function Lots({ lots, showPart }: { readonly lots: readonly ListedLot[]; readonly showPart: boolean }) {
  const [open, setOpen] = useState<string | null>(null);
  const mayCount = useMay('shelf');
  return (
    <ul className="border-t border-ink">
      {lots.map((lot) => (
        <li key={lot.id} className="flex flex-col gap-2 border-b border-hairline py-1.5">
          <div className="flex flex-wrap items-center gap-x-4">
            <span className="w-16 shrink-0 font-semibold">{lotCode(lot.number)}</span>
            <span className="min-w-48 flex-1">
              <strong>
                {lot.pieces} {lot.pieces === 1 ? 'piece' : 'pieces'} at {lot.place}
              </strong>
              {showPart && (
                <>
                  {' '}
                  <Link to={`/parts/${lot.partId}`} className="text-action underline underline-offset-2">
                    {lot.label}
                  </Link>
                </>
              )}
              <ForJob lot={lot} />
              <span className="block text-[13px] leading-4 text-muted">
                {lot.from === '' ? 'From which order nobody wrote down' : `From: ${lot.from}`}. Counted by{' '}
                {lot.countedBy}, {shopDay(lot.countedAt.slice(0, 10))}.
              </span>
            </span>
            {mayCount && open !== lot.id && (
              <Link
                to={`/labels?of=lots&id=${lot.id}`}
                className="inline-flex min-h-12 items-center text-action underline underline-offset-2"
                aria-label={`Label of ${lotCode(lot.number)}`}
              >
                Label
              </Link>
            )}
            {mayCount && open !== lot.id && (
              <Button onClick={() => setOpen(lot.id)} aria-label={`Count or move ${lotCode(lot.number)}`}>
                Count or move
              </Button>
            )}
          </div>
          {open === lot.id && <LotForm lot={lot} onDone={() => setOpen(null)} />}
        </li>
      ))}
    </ul>
  );
}

function ForJob({ lot: { job, jobId } }: { readonly lot: ListedLot }) {
  if (job === null || jobId === null) return null;
  const name = `job ${job.number}${job.registration && `, ${job.registration}`}`;
  return (
    <span className={`block font-semibold ${job.isOver ? 'text-measure' : ''}`}>
      Put aside for{' '}
      {job.isOver ? (
        `${name}, which is over: give it back, or take it off`
      ) : (
        <Link to={addressOf('order', { jobId })} className="text-action underline underline-offset-2">
          {name}
        </Link>
      )}
    </span>
  );
}
