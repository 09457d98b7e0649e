/** What of a line lies put aside, and what could be. */
import type { OrderAnswer, OrderLineAnswer } from '@low-quarry/core/contracts/orders';
import { lotCode, lotWords } from '@low-quarry/core/model';
import { Link } from 'react-router';
import { useMay } from '../../api/me';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { problemSentence } from '../../ui/problemFields';
import { usePutAside, usePutLot } from '../shelf/shelfQueries';

export function FromShelf({ line, jobId }: { readonly line: OrderLineAnswer; readonly jobId: string }) {
  const aside = usePutAside(jobId);
  const mayPut = useMay('shelf');
  const { lots, pieces } = line;
  const missing = pieces - line.aside;
  return (
    <>
      {lots
        .filter((lot) => lot.jobId !== null)
        .map((lot) => (
          <span key={lot.id} className="block text-[13px] leading-4 font-semibold">
            From the shelf: {lotWords(lot)}, {lotCode(lot.number)}, put aside for this job.
          </span>
        ))}
      {missing > 0 &&
        lots
          .filter((lot) => lot.jobId === null && lot.pieces > 0)
          .map((lot) => (
            <span key={lot.id} className="flex flex-wrap items-center gap-x-3 text-[13px] leading-4">
              Free on the shelf: {lotWords(lot)}, {lotCode(lot.number)}.
              {mayPut && (
                <Button
                  kind="quiet"
                  disabled={aside.isPending}
                  onClick={() => aside.mutate({ lot, pieces: Math.min(lot.pieces, missing) })}
                >
                  Put {Math.min(lot.pieces, missing)} aside
                </Button>
              )}
            </span>
          ))}
      <FormError>{problemSentence(aside.error)}</FormError>
    </>
  );
}

type TooMany = OrderAnswer['asideTooMany'];

export function AsideTooMany({ tooMany }: { readonly tooMany: TooMany }) {
  if (tooMany.length === 0) return null;
  return (
    <section aria-label="Put aside and not needed">
      <h2>Put aside, and not needed</h2>
      <ul className="border-t border-ink">
        {tooMany.map((each) => (
          <OneTooMany key={each.lot.id} {...each} />
        ))}
      </ul>
    </section>
  );
}

function OneTooMany({ lot, label, tooMany }: TooMany[number]) {
  const put = usePutLot(lot.id);
  const mayPut = useMay('shelf');
  const { version, place, pieces, from } = lot;
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-b border-hairline py-1">
      <span className="font-semibold text-measure">
        {tooMany} of {lotWords(lot)}, {lotCode(lot.number)}: {label}.
      </span>
      {tooMany < pieces || !mayPut ? (
        <Link to={`/shelf?find=${lotCode(lot.number)}`} className="text-action underline underline-offset-2">
          See it on the shelf
        </Link>
      ) : (
        <Button
          kind="quiet"
          disabled={put.isPending}
          onClick={() => put.mutate({ version, place, pieces, from, jobId: null })}
        >
          Give {lotCode(lot.number)} back
        </Button>
      )}
      <FormError>{problemSentence(put.error)}</FormError>
    </li>
  );
}
