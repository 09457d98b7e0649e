/** In which open jobs is this part chosen, and is it judged there as when it was? */
import { chosenParts, isJudgedOtherwise, type PartUse } from '@low-quarry/core/contracts/chosenParts';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { addressOf } from '../../stations/addressOf';
import { VERDICT_WORDS } from '../../text/words';
import { Answered } from '../../ui/states';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';

/** Of whatever was corrected since, the answer is another: it is asked for each time. */
const chosenQuery = (part: string | null) =>
  queryOptions({
    queryKey: ['library', 'chosen', part],
    queryFn: ({ signal }) => call(chosenParts, { params: part === null ? {} : { part }, signal }),
    staleTime: 0,
  });

export function WhereChosen({ partId }: { readonly partId: string }) {
  const chosen = useQuery(chosenQuery(partId));
  return (
    <section aria-label="Where it is chosen" className="flex flex-col gap-1">
      <h2>Where it is chosen</h2>
      <Answered query={chosen} what="the jobs it is chosen in">
        {({ uses, counts: { open, otherwise }, ended }) => (
          <>
            <p>
              {open === 0 ? 'In no open job.' : `In ${open} ${open === 1 ? 'opening' : 'openings'} of open jobs.`}
              {ended > 0 && ` In ${ended} of jobs that are over.`}
              {otherwise > 0 && (
                <strong className="text-hits"> {otherwise} judged otherwise than when it was chosen.</strong>
              )}
            </p>
            <Uses uses={uses} />
          </>
        )}
      </Answered>
    </section>
  );
}

/** After many parts came in: the openings of open jobs that are judged otherwise than when something was chosen there. */
export function JudgedOtherwise() {
  const chosen = useQuery(chosenQuery(null));
  return (
    <section aria-label="Judged otherwise" className="flex flex-col gap-1">
      <h2>What it changes in open jobs</h2>
      <Answered query={chosen} what="the choices of open jobs">
        {({ uses, counts: { open, otherwise } }) => (
          <>
            <p>
              {otherwise === 0
                ? `All ${open} choices of open jobs are judged as when they were made.`
                : `${otherwise} of ${open} choices of open jobs are judged otherwise than when they were made:`}
            </p>
            <Uses uses={uses.filter(isJudgedOtherwise)} />
          </>
        )}
      </Answered>
    </section>
  );
}

function Uses({ uses }: { readonly uses: readonly PartUse[] }) {
  if (uses.length === 0) return null;
  return (
    <ul className="border-t border-ink">
      {uses.map(({ jobId, openingId, registration, opening, speaker, was, is, heldBack }) => (
        <li key={openingId} className="grid grid-cols-[16px_1fr_auto] gap-x-3 border-b border-hairline py-1.5">
          <span className="pt-1">{is && <VerdictMark verdict={is} />}</span>
          <span>
            <Link to={addressOf('match', { jobId, openingId })} className="text-action underline underline-offset-2">
              {registration}, {opening.toLowerCase()}
            </Link>
            : {speaker}
            {heldBack !== null && <span className="block text-[13px] leading-4 text-muted">Held back: {heldBack}</span>}
          </span>
          <span className="text-right">
            {is === null ? (
              <span className="font-semibold text-measure">Cannot be judged</span>
            ) : (
              <span className={verdictColour(is)}>{VERDICT_WORDS[is]}</span>
            )}
            {was !== null && was !== is && (
              <span className="block text-[13px] leading-4 text-muted">
                when it was chosen: {VERDICT_WORDS[was].toLowerCase()}
              </span>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}
