/** What has to be ordered for this car, and what still holds it back? */
import { ORDER_CSV_PATH, type OrderAnswer, type OrderLineAnswer } from '@low-quarry/core/contracts/orders';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { fillPath } from '../../api/call';
import { printMoney } from '../../text/money';
import { verdictLine } from '../../text/verdictLine';
import { Button } from '../../ui/Button';
import { MarginRail } from '../../ui/MarginRail';
import { Shell } from '../../ui/Shell';
import { useSettings } from '../../ui/settings';
import { Answered, Empty } from '../../ui/states';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { jobTitle } from '../jobs/jobTitle';
import { OrderSheet } from './OrderSheet';
import { orderQuery } from './orderQueries';

export function OrderScreen() {
  const { jobId = '' } = useParams();
  const order = useQuery(orderQuery(jobId));
  const lines = order.data?.lines ?? [];
  const suppliers = new Set(lines.map(({ supplier }) => supplier)).size;
  return (
    <Shell
      title={
        lines.length > 0
          ? `Order list: ${count(lines.length, 'line')} from ${count(suppliers, 'supplier')}`
          : 'Order list'
      }
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: `/jobs/${jobId}`, label: order.data ? jobTitle(order.data.job) : 'Job' },
        { to: `/jobs/${jobId}/order`, label: 'Order list' },
      ]}
      aside={
        lines.length > 0 && (
          <div className="flex flex-wrap gap-3">
            <a
              href={fillPath(ORDER_CSV_PATH, { jobId })}
              download
              className="inline-flex min-h-12 items-center border-2 border-action bg-paper px-4 font-semibold text-action"
            >
              Download {count(lines.length, 'line')} as CSV
            </a>
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
            <OrderSheet order={answer} />
          </>
        )}
      </Answered>
    </Shell>
  );
}

function Filled({ order, jobId }: { readonly order: OrderAnswer; readonly jobId: string }) {
  return (
    <>
      <HeldBack order={order} jobId={jobId} />
      {order.lines.length === 0 ? (
        <Empty>
          Nothing is on the list yet. Choose a speaker for an opening, and what it needs appears here in packs.
        </Empty>
      ) : (
        <Lines order={order} />
      )}
      <Included order={order} jobId={jobId} />
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
        {heldBack.map(({ openingId, label, why, hasChoice }) => (
          <li key={openingId} className="flex flex-wrap items-center gap-x-3 border-b border-hairline py-1">
            <Link
              to={`/jobs/${jobId}/openings/${openingId}/fit`}
              className="inline-flex min-h-8 items-center font-semibold text-action underline underline-offset-2"
            >
              {label}
            </Link>
            <span className={hasChoice ? 'font-semibold text-hits' : 'text-muted'}>
              {hasChoice && 'Held back: '}
              {why}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const HEAD = 'px-2 py-1 font-semibold';

function Lines({ order: { lines, currency, totalMinor } }: { readonly order: OrderAnswer }) {
  return (
    <section aria-label="Lines" className="overflow-x-auto">
      <table className="w-full min-w-[640px] text-left">
        <thead className="border-y border-ink align-bottom">
          <tr>
            <th className={HEAD}>Part</th>
            <th className={HEAD}>For</th>
            <th className={`${HEAD} text-right`}>Needed</th>
            <th className={`${HEAD} text-right`}>Packs</th>
            <th className={`${HEAD} text-right`}>Left over</th>
            <th className={`${HEAD} text-right`}>Cost</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <Line key={line.partId} line={line} currency={currency} />
          ))}
        </tbody>
        <tfoot>
          <tr className="text-[17px] font-bold">
            <td colSpan={5} className="px-2 py-2 text-right">
              Total
            </td>
            <td className="px-2 py-2 text-right">{printMoney(totalMinor, currency)}</td>
          </tr>
        </tfoot>
      </table>
    </section>
  );
}

function Line({ line, currency }: { readonly line: OrderLineAnswer; readonly currency: string }) {
  return (
    <tr className="border-b border-hairline align-top">
      <td className="px-2 py-1.5">
        <span className="font-semibold">
          {line.maker} {line.name}
        </span>
        <span className="block text-[13px] leading-4 text-muted">
          {line.supplier}, {line.partId}
        </span>
      </td>
      <td className="px-2 py-1.5">{line.forOpenings.join('; ')}</td>
      <td className="px-2 py-1.5 text-right">{count(line.pieces, 'piece')}</td>
      <td className="px-2 py-1.5 text-right">
        {count(line.packs, 'pack')} of {line.packSize}
      </td>
      <td className="px-2 py-1.5 text-right">{line.leftOver === 0 ? 'none' : count(line.leftOver, 'piece')}</td>
      <td className="px-2 py-1.5 text-right">{printMoney(line.costMinor, currency)}</td>
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
        {included.map(({ openingId, label, behind, speakerName, summary, reason }) => (
          <li
            key={openingId}
            className="grid grid-cols-[16px_1fr_auto] items-center gap-x-2 border-b border-hairline py-1.5"
          >
            <VerdictMark verdict={summary.verdict} hidden />
            <span>
              <Link
                to={`/jobs/${jobId}/openings/${openingId}/fit`}
                className="font-semibold text-action underline underline-offset-2"
              >
                {label}
              </Link>
              , {speakerName}
              <span className={`block text-[13px] ${verdictColour(summary.verdict)}`}>
                {verdictLine(summary, behind, unit)}
              </span>
              {reason && <span className="block text-[13px]">Ordered all the same: “{reason}”</span>}
            </span>
            <MarginRail marginMm={summary.marginMm} expandedMm={summary.expandedMm} verdict={summary.verdict} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function count(number: number, one: string): string {
  return `${number} ${number === 1 ? one : `${one}s`}`;
}
