/** What has to be ordered for this car, and what still holds it back? */
import { offerKey } from '@low-quarry/core/catalogue';
import {
  ORDER_CSV_PATH,
  ORDER_XLSX_PATH,
  type OrderAnswer,
  type OrderLineAnswer,
} from '@low-quarry/core/contracts/orders';
import { workWords } from '@low-quarry/core/fit';
import { jobTitle } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { fillPath } from '../../api/fillPath';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { printCost, printMoney } from '../../text/money';
import { leadWords, offererWords, otherOfferWords, packsWords } from '../../text/offerWords';
import { shopDay } from '../../text/shopDays';
import { verdictLine } from '../../text/verdictLine';
import { Button, DownloadLink, LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { MarginRail } from '../../ui/MarginRail';
import { OpenChecks } from '../../ui/OpenChecks';
import { Shell } from '../../ui/Shell';
import { useSettings } from '../../ui/settings';
import { Answered, Empty } from '../../ui/states';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { NoLongerMade } from '../library/NoLongerMade';
import { Rail } from '../rail/Rail';
import { AssumedLine } from './AssumedLine';
import { AsideTooMany, FromShelf } from './FromShelf';
import { LaterHeeds } from './LaterHeeds';
import { notInTotalWords } from './notInTotalWords';
import { orderQuery } from './orderQueries';
import { SmallNeeds } from './SmallNeeds';

/** On paper only: it comes behind the screen. */
const OrderSheet = late(
  () => import('./OrderSheet').then((code) => code.OrderSheet),
  () => <p className="only-print">The list for paper is still on its way here: print once more in a moment.</p>,
);

export function OrderScreen() {
  const { jobId = '' } = useParams();
  const order = useQuery(orderQuery(jobId));
  const shop = useQuery(shopSettingsQuery);
  const lines = order.data?.lines ?? [];
  return (
    <Shell
      title={titleOf(lines)}
      crumbs={crumbsTo('order', { jobId }, { job: order.data && jobTitle(order.data.job) })}
      rail={<Rail jobId={jobId} station="order" />}
      aside={
        lines.length > 0 && (
          <div className="flex flex-wrap gap-3">
            <DownloadLink href={fillPath(ORDER_CSV_PATH, { jobId })}>
              Download {count(lines.length, 'line')} as CSV
            </DownloadLink>
            <DownloadLink href={fillPath(ORDER_XLSX_PATH, { jobId })}>As XLSX</DownloadLink>
            <LinkButton to={`/labels?of=job&id=${jobId}`}>Labels for its bags</LinkButton>
            <Button kind="main" onClick={() => window.print()}>
              Print the sheet
            </Button>
          </div>
        )
      }
    >
      <Answered query={order} what="the order list">
        {(answer) => (
          <>
            <div className="only-screen flex flex-col gap-6">
              <Filled order={answer} jobId={jobId} />
            </div>
            {shop.data && <OrderSheet order={answer} shop={shop.data} />}
          </>
        )}
      </Answered>
    </Shell>
  );
}

function titleOf(lines: readonly OrderLineAnswer[]): string {
  if (lines.length === 0) return 'Order list';
  const suppliers = new Set(lines.flatMap(({ taken }) => taken?.offer.supplier ?? [])).size;
  const unoffered = lines.filter(isUnoffered).length;
  const lying = lines.filter(({ aside }) => aside > 0).length;
  const from = [
    suppliers > 0 && count(suppliers, 'supplier'),
    lying > 0 && (suppliers === 0 ? 'the shelf' : `${lying} from the shelf`),
    unoffered > 0 && `${unoffered} from nobody yet`,
  ];
  return `Order list: ${count(lines.length, 'line')} from ${from.filter(Boolean).join(', ')}`;
}

function Filled({ order, jobId }: { readonly order: OrderAnswer; readonly jobId: string }) {
  return (
    <>
      <HeldBack order={order} jobId={jobId} />
      <LaterHeeds later={order.job.later} />
      {order.lines.length === 0 ? (
        <Empty>
          Nothing is on the list yet. Choose a speaker for an opening, and what it needs appears here in packs.
        </Empty>
      ) : (
        <Lines order={order} jobId={jobId} />
      )}
      <AsideTooMany tooMany={order.asideTooMany} />
      <Included order={order} jobId={jobId} />
      <SmallNeeds needs={order.needs} tools={order.tools} job={order.job} />
    </>
  );
}

function HeldBack({ order: { heldBack }, jobId }: { readonly order: OrderAnswer; readonly jobId: string }) {
  if (heldBack.length === 0)
    return <p className="font-semibold text-clears">Every opening of this car is on the list.</p>;
  return (
    <section aria-label="Held back">
      <h2>{count(heldBack.length, 'opening')} not on the list</h2>
      <ul className="border-t border-ink">
        {heldBack.map(({ openingId, label, behind, why, hasChoice, open }) => (
          <li key={openingId} className="flex flex-wrap items-center gap-x-3 border-b border-hairline py-1">
            <Link
              to={addressOf('match', { jobId, openingId })}
              className="inline-flex min-h-8 items-center font-semibold text-action underline underline-offset-2"
            >
              {label}
            </Link>
            <span className={hasChoice ? 'font-semibold text-hits' : 'text-muted'}>
              {hasChoice && 'Held back: '}
              {why}
            </span>
            <div className="basis-full">
              <OpenChecks open={open} behind={behind} />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

const CELL = 'px-1 py-1.5 sm:px-2';
/** On a phone what a column would say stands under the part's name. */
const WIDE_ONLY = 'hidden sm:table-cell';

type LinesProps = { readonly order: OrderAnswer; readonly jobId: string };

function Lines({ order: { lines, currency, totalMinor, notInTotal }, jobId }: LinesProps) {
  return (
    <section aria-label="Lines">
      <table className="w-full text-left">
        <thead className="border-y border-ink align-bottom">
          <tr>
            <th className={CELL}>Part</th>
            <th className={`${CELL} ${WIDE_ONLY}`}>For</th>
            <th className={`${CELL} ${WIDE_ONLY} text-right`}>Needed</th>
            <th className={`${CELL} text-right`}>Packs</th>
            <th className={`${CELL} ${WIDE_ONLY} text-right`}>Left over</th>
            <th className={`${CELL} text-right`}>Cost</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <Line key={line.partId} line={line} currency={currency} jobId={jobId} />
          ))}
        </tbody>
      </table>
      <p className="flex justify-end gap-6 px-1 py-2 text-[17px] font-bold sm:px-2">
        <span>Total</span>
        <span>{printMoney(totalMinor, currency)}</span>
      </p>
      {notInTotal > 0 && (
        <p className="flex justify-end px-1 font-semibold text-measure sm:px-2">{notInTotalWords(notInTotal)}</p>
      )}
    </section>
  );
}

/** Whether something of it is to be bought, and nobody is known to sell it. */
function isUnoffered({ taken, pieces, aside }: OrderLineAnswer): boolean {
  return taken === null && aside < pieces;
}

type LineProps = { readonly line: OrderLineAnswer; readonly currency: string; readonly jobId: string };

function Line({ line, currency, jobId }: LineProps) {
  const { taken } = line;
  const nothing = isUnoffered(line) ? 'not known' : 'none';
  const leftOver = taken === null ? nothing : taken.leftOver === 0 ? 'none' : count(taken.leftOver, 'piece');
  const lead = taken && leadWords(taken.offer, shopDay);
  return (
    <tr className="border-b border-hairline align-top">
      <td className={CELL}>
        <Link to={`/parts/${line.partId}`} className="font-semibold text-action underline underline-offset-2">
          {line.maker} {line.name}
        </Link>
        <span className="block text-[13px] leading-4 text-muted">
          {taken ? `${offererWords(taken.offer)}${lead && `, ${lead}`}` : line.partId}
        </span>
        <NoLongerMade {...line} />
        <FromShelf line={line} jobId={jobId} />
        {isUnoffered(line) && (
          <span className="block text-[13px] leading-4 font-semibold text-measure">
            Nobody is known to sell it.{' '}
            <Link to={`/parts/${line.partId}`} className="text-action underline underline-offset-2">
              Write down who does
            </Link>
          </span>
        )}
        {line.others.map((other) => (
          <span key={offerKey(other.offer)} className="block text-[13px] leading-4 text-muted">
            Or {otherOfferWords(other, currency, shopDay)}
          </span>
        ))}
        {line.open.length > 0 && (
          <span className="block text-[13px] leading-4 font-semibold text-measure">Open: {line.open.join(', ')}</span>
        )}
        <AssumedLine assumed={line.assumed} />
        <span className="block text-[13px] leading-4 sm:hidden">
          For: {line.forOpenings.join('; ')}. {count(line.pieces, 'piece')} needed, left over: {leftOver}.
        </span>
      </td>
      <td className={`${CELL} ${WIDE_ONLY}`}>{line.forOpenings.join('; ')}</td>
      <td className={`${CELL} ${WIDE_ONLY} text-right`}>{count(line.pieces, 'piece')}</td>
      <td className={`${CELL} text-right`}>{taken ? packsWords(taken) : nothing}</td>
      <td className={`${CELL} ${WIDE_ONLY} text-right`}>{leftOver}</td>
      <td className={`${CELL} text-right`}>
        {taken === null && !isUnoffered(line)
          ? 'none'
          : printCost(taken?.costMinor ?? null, taken?.offer.currency ?? currency)}
      </td>
    </tr>
  );
}

function Included({ order: { included }, jobId }: { readonly order: OrderAnswer; readonly jobId: string }) {
  const { unit } = useSettings();
  if (included.length === 0) return null;
  return (
    <section aria-label="On the list">
      <h2>On the list, as judged now</h2>
      <ul className="border-t border-ink">
        {included.map(({ openingId, label, behind, speakerName, summary, states, works, open, earlierReason }) => (
          <li
            key={openingId}
            className="grid grid-cols-[16px_1fr_auto] items-center gap-x-2 border-b border-hairline py-1.5"
          >
            <VerdictMark verdict={summary.verdict} hidden />
            <span>
              <Link
                to={addressOf('match', { jobId, openingId })}
                className="font-semibold text-action underline underline-offset-2"
              >
                {label}
              </Link>
              , {speakerName}
              <span className={`block text-[13px] ${verdictColour(summary.verdict)}`}>
                {verdictLine(summary, behind, unit)}
              </span>
              {states.map((state) => (
                <span key={state} className="block text-[13px] font-semibold">
                  State of the bracket: {state}
                </span>
              ))}
              {works.map((work) => (
                <span key={work.kind} className="block text-[13px] font-semibold">
                  By hand: {workWords(work, unit)}
                </span>
              ))}
            </span>
            <MarginRail margin={summary.marginMm} expanded={summary.expandedMm} verdict={summary.verdict} />
            <div className="col-span-2 col-start-2">
              <OpenChecks open={open} behind={behind} earlierReason={earlierReason} />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

function count(number: number, one: string): string {
  return `${number} ${number === 1 ? one : `${one}s`}`;
}
