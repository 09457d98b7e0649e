/** The head of a sheet of paper about a job, and the paper that it is laid out for. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type ShopSettings, vehicleName } from '@low-quarry/core/model';
import type { ReactNode } from 'react';

type PaperHeadProps = {
  readonly job: Job;
  readonly shop: ShopSettings;
  /** What it is, with the job's number. */
  readonly title: string;
  /** Under the car's name. */
  readonly car: string;
  /** Under what it is. */
  readonly children?: ReactNode;
};

export function PaperHead({ job, shop, title, car, children }: PaperHeadProps) {
  return (
    <>
      {/* Rules of a page cannot be set at an element. */}
      <style>{`@page { size: ${shop.paper}; }`}</style>
      <header className="flex justify-between border-b-2 border-black pb-2">
        <div>
          <p className="text-[24px] font-bold leading-8">
            {vehicleName(job.vehicle)}, {job.registration}
          </p>
          <p>{car}</p>
        </div>
        <div className="text-right">
          <p>{shop.name}</p>
          <p className="text-[24px] font-bold leading-8">{title}</p>
          {children}
        </div>
      </header>
    </>
  );
}
