/** Paper to lay screws on, a field for each kind of piece of each panel; each field cut out is its bag's label. Read at arm's length, black on white. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import type { ShopSettings } from '@low-quarry/core/model';
import type { PlanStep } from '@low-quarry/core/plan';
import { PaperHead } from '../jobs/PaperHead';
import { screwFields } from './planView';

type ScrewMapProps = { readonly job: Job; readonly shop: ShopSettings; readonly steps: readonly PlanStep[] };

export function ScrewMap({ job, shop, steps }: ScrewMapProps) {
  return (
    <article className="only-print text-[16px] leading-6 text-black" aria-hidden="true">
      <PaperHead
        job={job}
        shop={shop}
        title={`Screw map, job ${job.number}`}
        car="Each piece on its field as it comes out; cut out, a field is its bag’s label"
      />
      {screwFields(steps).map(({ where, side, fields }) => (
        <section key={where} className="break-inside-avoid pt-3">
          <h2 className="text-[20px] font-bold">
            {side === null ? '' : `${side.toUpperCase()}. `}
            {where}
          </h2>
          <div className="grid grid-cols-2 gap-3 pt-2">
            {fields.length === 0 && <NotDescribed />}
            {fields.map(({ bag, words, count }) => (
              <div
                key={bag}
                className="flex min-h-[34mm] flex-col break-inside-avoid border-2 border-dashed border-black p-2"
              >
                <p className="flex items-baseline justify-between gap-3">
                  <strong className="text-[28px]">{bag}</strong>
                  <strong>{count === null ? 'Count: ___' : count === 1 ? '1 piece' : `${count} pieces`}</strong>
                </p>
                <p>{words}</p>
                <p className="mt-auto text-[13px]">
                  {job.registration || `Job ${job.number}`}
                  {side === null ? '' : `, ${side.toUpperCase()}`}, {where.toLowerCase()}
                </p>
              </div>
            ))}
          </div>
        </section>
      ))}
    </article>
  );
}

/** Nobody wrote down what holds it: whoever takes it off writes it on its fields. */
function NotDescribed() {
  return [1, 2, 3, 4].map((field) => (
    <div key={field} className="flex min-h-[34mm] flex-col justify-between border-2 border-dashed border-black p-2">
      <p>What: ______________ Where: ______________</p>
      <p>Head and driver: ____________ Count: ____</p>
    </div>
  ));
}
