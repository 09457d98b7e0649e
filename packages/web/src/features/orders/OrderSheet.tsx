/** The order list on paper: black and white, large numbers, boxes to tick, by supplier. */
import type { OrderAnswer, OrderLineAnswer } from '@low-quarry/core/contracts/orders';
import { effortWords, workWords } from '@low-quarry/core/fit';
import type { ShopSettings } from '@low-quarry/core/model';
import { lotCode, lotWords, yearsWords } from '@low-quarry/core/model';
import { gravestOf } from '@low-quarry/core/order';
import { SETTING_FIELDS } from '@low-quarry/core/records';
import { printCost, printMoney } from '../../text/money';
import { shopDay } from '../../text/shopDays';
import { openCheckLine, verdictLine } from '../../text/verdictLine';
import { answered } from '../../ui/OpenChecks';
import { useSettings } from '../../ui/settings';
import { PaperHead } from '../jobs/PaperHead';
import { AssumedLine } from './AssumedLine';
import { notInTotalWords } from './notInTotalWords';

export function OrderSheet({ order, shop }: { readonly order: OrderAnswer; readonly shop: ShopSettings }) {
  const { job, lines, included, heldBack, needs, cautions, currency, totalMinor, notInTotal } = order;
  const { unit } = useSettings();
  const bought = lines.filter(({ pieces, aside }) => aside < pieces);
  const suppliers = [...new Set(bought.map(supplierOf))].sort();
  return (
    <article className="only-print text-black" aria-hidden="true">
      <PaperHead
        job={job}
        shop={shop}
        title={`Job ${job.number}`}
        car={`${job.customer}. ${yearsWords(job.vehicle.years)}, ${job.vehicle.trim || 'trim not known'}`}
      >
        <p>{job.dueOn ? `Due ${shopDay(job.dueOn)}` : 'No day set'}</p>
      </PaperHead>
      <FromShelfLines lines={lines} />
      {suppliers.map((supplier) => (
        <section key={supplier} className="mt-4 break-inside-avoid">
          <h2 className="text-[18px] font-bold">{supplier}</h2>
          <table className="w-full text-left">
            <tbody>
              {bought
                .filter((line) => supplierOf(line) === supplier)
                .map((line) => (
                  <tr key={line.partId} className="border-t border-black align-top">
                    <td className="w-8 py-2">
                      <span className="inline-block h-5 w-5 border-2 border-black" />
                    </td>
                    <td className="w-16 py-1 text-[24px] font-bold leading-8">
                      {line.taken?.packs ?? line.pieces - line.aside} ×
                    </td>
                    <td className="py-2">
                      <span className="text-[16px] font-semibold">
                        {line.maker} {line.name}
                      </span>
                      , {line.taken ? `pack of ${line.taken.offer.packSize}` : 'pieces'}
                      <br />
                      {line.taken?.offer.number ? `No. ${line.taken.offer.number}` : line.partId}. For:{' '}
                      {line.forOpenings.join('; ')}
                      {line.taken && line.taken.leftOver > 0 && `. ${line.taken.leftOver} left over`}
                      <AssumedLine assumed={line.assumed} />
                    </td>
                    <td className="py-2 text-right">
                      {printCost(line.taken?.costMinor ?? null, line.taken?.offer.currency ?? currency)}
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </section>
      ))}
      <p className="mt-2 border-t-2 border-black pt-1 text-right text-[18px] font-bold">
        Total {printMoney(totalMinor, currency)}
        {notInTotal > 0 && `. ${notInTotalWords(notInTotal)}`}
      </p>
      <section className="mt-4 break-inside-avoid">
        <h2 className="font-bold">Openings</h2>
        <ul className="text-[14px] leading-[18px]">
          {included.map(({ openingId, label, behind, speakerName, summary, states, works, open, earlierReason }) => (
            <li key={openingId}>
              <strong>{label}:</strong> {speakerName}.{' '}
              {states.map((state) => (
                <strong key={state}>State of the bracket: {state}. </strong>
              ))}
              {works.map((work) => (
                <span key={work.kind} className="block">
                  <span className="mr-2 inline-block h-4 w-4 border-2 border-black" />
                  By hand: {workWords(work, unit)} {effortWords(work)}
                </span>
              ))}
              {gravestOf(open) === null && `${verdictLine(summary, behind, unit)}. ${summary.sentence}`}
              <OpenLines open={open} behind={behind} />
              {earlierReason && <span className="block pl-4">Written earlier: “{earlierReason}”</span>}
            </li>
          ))}
          {heldBack.map(({ openingId, label, behind, why, open }) => (
            <li key={openingId}>
              <strong>{label}: not on this list.</strong> {why}
              <OpenLines open={open} behind={behind} />
            </li>
          ))}
        </ul>
      </section>
      {needs.length > 0 && (
        <section className="mt-2">
          <h2 className="font-bold">To have at hand</h2>
          <ul className="columns-2 gap-6 text-[13px] leading-4">
            {needs.filter(isOnNoLine).map(({ what, why, pieces, lengthM }) => (
              <li key={`${what} ${why}`} className="break-inside-avoid">
                <span className="mr-2 inline-block h-4 w-4 border-2 border-black" />
                <strong>
                  {what}
                  {lengthM !== null ? `, ${lengthM.toFixed(2)} m.` : pieces === null ? '.' : `, ${pieces}.`}
                </strong>{' '}
                {/* What is counted says why on the screen; of screws the check above says it. */}
                {pieces === null && lengthM === null && why}
              </li>
            ))}
          </ul>
        </section>
      )}
      {cautions.length > 0 && (
        <section className="mt-4 break-inside-avoid">
          <h2 className="font-bold">Take care</h2>
          <ul>
            {[...new Set(cautions.flatMap((each) => each.cautions))].map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </section>
      )}
      <section className="mt-4 break-inside-avoid">
        <h2 className="font-bold">How this shop works</h2>
        <p>{wayWords(shop).join(' ')}</p>
      </section>
    </article>
  );
}

/** What is taken from the shelf, where it lies. */
function FromShelfLines({ lines }: { readonly lines: readonly OrderLineAnswer[] }) {
  const lying = lines.flatMap(({ maker, name, lots }) =>
    lots.filter(({ jobId }) => jobId !== null).map((lot) => ({ lot, part: `${maker} ${name}` })),
  );
  if (lying.length === 0) return null;
  return (
    <section className="mt-4 break-inside-avoid">
      <h2 className="text-[18px] font-bold">From the shelf</h2>
      <ul>
        {lying.map(({ lot, part }) => (
          <li key={lot.id} className="border-t border-black py-1">
            <span className="mr-2 inline-block h-5 w-5 border-2 border-black" />
            <strong>{lotWords(lot)}</strong>, {lotCode(lot.number)}: {part}
          </li>
        ))}
      </ul>
    </section>
  );
}

function supplierOf({ taken }: OrderLineAnswer): string {
  return taken?.offer.supplier ?? 'Nobody is known to sell it';
}

/** What of a choice is open, each on a line of its own with what was answered. */
function OpenLines({ open, behind }: Pick<OrderAnswer['included'][number], 'open' | 'behind'>) {
  const { unit } = useSettings();
  return open.map((each) => (
    <span key={each.check} className="block pl-4">
      ◇ {openCheckLine(each, behind, unit)} {each.sentence} {answered(each)}
    </span>
  ));
}

function wayWords(shop: ShopSettings): readonly string[] {
  return SETTING_FIELDS.filter(({ group }) => group === 'Ways of working').map(
    ({ label, read, words }) => `${label} ${words(read(shop))}.`,
  );
}

/** What a part is taken for, and can be counted, is on a line already. */
function isOnNoLine({ taken, pieces, lengthM }: OrderAnswer['needs'][number]): boolean {
  return taken === null || (pieces === null && lengthM === null);
}
