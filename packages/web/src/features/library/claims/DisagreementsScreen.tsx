/** Where do claim, catalogue and tape disagree, the dearest part first? */
import { CLAIM_WORDS } from '@low-quarry/core/catalogue';
import { type Disagreements, disagreements, MOST_DISAGREEMENTS } from '@low-quarry/core/contracts/disagreements';
import { checkLabel } from '@low-quarry/core/fit';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { call } from '../../../api/call';
import { shopSettingsQuery } from '../../../api/settingsQuery';
import { printCost } from '../../../text/money';
import { shopDay } from '../../../text/shopDays';
import { VERDICT_WORDS } from '../../../text/words';
import { Shell } from '../../../ui/Shell';
import { Answered, Empty } from '../../../ui/states';
import { TakeOut } from '../../../ui/TakeOut';
import { VerdictMark, verdictColour } from '../../../ui/VerdictMark';

/** Of whatever was measured or corrected since, the answer is another: it is asked for each time. */
const disagreementsQuery = queryOptions({
  queryKey: ['library', 'disagreements'],
  queryFn: ({ signal }) => call(disagreements, { params: {}, signal }),
  staleTime: 0,
});
const TITLE = 'Where they disagree';

export function DisagreementsScreen() {
  const found = useQuery(disagreementsQuery);
  const shop = useQuery(shopSettingsQuery);
  return (
    <Shell
      title={TITLE}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: '/disagreements', label: TITLE },
      ]}
    >
      <p className="max-w-2xl">
        What somebody claims, what a catalogue says and what was measured, where they do not go together; the dearest
        part first. The tape counts until somebody shows that it was read wrong.
      </p>
      <Answered query={found} what="every claim judged">
        {(answer) => (
          <Answered query={shop} what="the shop’s settings">
            {({ currency }) => (
              <>
                <Found {...answer} currency={currency} />
                {answer.claimed.length + answer.read.length > 0 && <TakeOut list="disagreements" />}
              </>
            )}
          </Answered>
        )}
      </Answered>
    </Shell>
  );
}

type FoundProps = Disagreements & { readonly currency: string };
type Priced = { readonly costMinor: number | null; readonly currency: string };

function Found({ claimed, read, counts, unreadable, currency }: FoundProps) {
  const { against, open, agrees, figures } = counts;
  return (
    <>
      <section aria-label="Claims" className="flex flex-col gap-1">
        <h2>Claim and geometry</h2>
        <p>
          The geometry contradicts {against}, cannot tell of {open}, and agrees with {agrees}.
          {unreadable > 0 && ` ${unreadable} records could not be read, and are not judged.`}
          {against + open > MOST_DISAGREEMENTS && ` The first ${MOST_DISAGREEMENTS} are here.`}
        </p>
        {claimed.length === 0 ? (
          <Empty>No claim is contradicted or open.</Empty>
        ) : (
          <ul className="border-t border-ink">
            {claimed.map((each) => (
              <Claimed
                key={`${each.partId} ${each.vehicleId} ${each.opening} ${each.by} ${each.says}`}
                {...each}
                currency={currency}
              />
            ))}
          </ul>
        )}
      </section>
      <section aria-label="Readings" className="flex flex-col gap-1">
        <h2>Catalogue and calliper</h2>
        {read.length === 0 ? (
          <Empty>No figure is farther from its catalogue than reading and rounding explain.</Empty>
        ) : (
          <>
            <p>
              {figures} {figures === 1 ? 'figure lies' : 'figures lie'} farther from the catalogue than reading and
              rounding explain.
            </p>
            <ul className="border-t border-ink">
              {read.map(({ partId, part, figure, listedMm, measuredMm, withinMm, costMinor }) => (
                <li
                  key={`${partId} ${figure}`}
                  className="flex flex-wrap justify-between gap-x-4 border-b border-hairline py-1.5"
                >
                  <span>
                    <PartLink id={partId}>{part}</PartLink>: {figure.toLowerCase()} {listedMm} mm in the catalogue,{' '}
                    {measuredMm.toFixed(1)} mm in the hand; ± {withinMm.toFixed(1)} mm would be explained
                  </span>
                  <Cost costMinor={costMinor} currency={currency} />
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
    </>
  );
}

function Claimed(claim: Disagreements['claimed'][number] & Priced) {
  const { partId, part, says, by, on, vehicleId, car, opening, finding, verdict, lacks, costMinor, currency } = claim;
  return (
    <li className="grid grid-cols-[16px_1fr_auto] gap-x-3 border-b border-hairline py-1.5">
      <span className="pt-1">{verdict && <VerdictMark verdict={verdict} />}</span>
      <span>
        <strong className={finding === 'against' ? 'text-hits' : 'text-measure'}>
          {finding === 'against' ? 'Contradicted: ' : 'Open: '}
        </strong>
        <PartLink id={partId}>{part}</PartLink>, {by} says {CLAIM_WORDS[says]} ({shopDay(on)}):{' '}
        <Link to={`/vehicles/${vehicleId}`} className="text-action underline underline-offset-2">
          {car}
        </Link>
        {opening !== null &&
          (claim.isAnywhere ? `; nobody said where, at best ${opening.toLowerCase()}` : `, ${opening}`)}
        <span className="block text-[13px] leading-4 text-muted">{lacks ?? decidedWords(claim)}</span>
      </span>
      <span className="text-right">
        {verdict && <span className={verdictColour(verdict)}>{VERDICT_WORDS[verdict]}</span>}
        <span className="block">
          <Cost costMinor={costMinor} currency={currency} />
        </span>
      </span>
    </li>
  );
}

function decidedWords({ verdict, decidedBy, behind }: Disagreements['claimed'][number]): string {
  if (verdict === 'hits' || decidedBy === null || behind === null)
    return 'It hits with every bracket and ring of the shop.';
  return `At the best stack of the shop it is decided by: ${checkLabel(decidedBy, behind).toLowerCase()}.`;
}

function PartLink({ id, children }: { readonly id: string; readonly children: string }) {
  return (
    <Link to={`/parts/${id}`} className="text-action underline underline-offset-2">
      {children}
    </Link>
  );
}

function Cost({ costMinor, currency }: Priced) {
  return (
    <span className="text-muted">{costMinor === null ? 'no price' : `${printCost(costMinor, currency)} a piece`}</span>
  );
}
