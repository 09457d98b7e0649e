/** What of today's work must not stand in the way of what is planned for later. */
import { type JobFacts, LATER_HEEDS, LATER_LABELS } from '@low-quarry/core/model';

export function LaterHeeds({ later }: Pick<JobFacts, 'later'>) {
  if (!later || later.length === 0) return null;
  return (
    <ul aria-label="Must not stand in the way of later" className="flex flex-col gap-1">
      {later.map((each) => (
        <li key={each}>
          <strong>Later, {LATER_LABELS[each].toLowerCase()}:</strong> {LATER_HEEDS[each]}
        </li>
      ))}
    </ul>
  );
}
