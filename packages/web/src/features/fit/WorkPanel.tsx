/** What has to be done by hand for the candidate as it is shown, and the way back to how it comes. */
import { effortWords, minutesOf, type Work, workWords } from '@low-quarry/core/fit';
import type { LengthUnit } from '@low-quarry/core/units';

type WorkPanelProps = {
  readonly works: readonly Work[];
  readonly unit: LengthUnit;
  readonly onLeaveOut: () => void;
};

export function WorkPanel({ works, unit, onLeaveOut }: WorkPanelProps) {
  const minutes = works.reduce((sum, work) => sum + minutesOf(work), 0);
  return (
    <section aria-label="By hand" className="flex flex-col gap-1 border-l-4 border-action bg-paper px-3 py-2">
      <h2 className="font-semibold">Shown with work by hand, about {minutes} minutes a side</h2>
      <ul className="flex flex-col gap-1">
        {works.map((work) => (
          <li key={work.kind}>
            {workWords(work, unit)} <span className="text-muted">{effortWords(work)}</span>
          </li>
        ))}
      </ul>
      <button
        type="button"
        onClick={onLeaveOut}
        className="min-h-10 self-start text-action underline underline-offset-2"
      >
        Back to how the parts come
      </button>
    </section>
  );
}
