/** Which of the open jobs, and in what order. */
import { JOB_SORTS, type JobSort } from '@low-quarry/core/contracts/jobs';
import { Choice } from '../../ui/Choice';
import { DUE_WORDS, DUES, type JobsFilterValue, NO_FILTER, WAITING, WAITING_WORDS } from './jobsFilterValue';

const SORT_WORDS: Readonly<Record<JobSort, string>> = { due: 'soonest due first', newest: 'last booked in first' };

type JobsFilterProps = {
  readonly value: JobsFilterValue;
  /** Given what differs from what every list begins with; null takes it out of the address. */
  readonly onChange: (changes: Readonly<Record<string, string | null>>) => void;
};

export function JobsFilter({ value, onChange }: JobsFilterProps) {
  return (
    // No note stands under these fields: its gap would lift them off the line of the others.
    <div className="-mb-1 grid w-full grow grid-cols-2 gap-x-3 sm:w-auto sm:max-w-2xl sm:grid-cols-3">
      <Choice
        label="Due"
        value={value.due}
        options={DUES.map((due) => [due, DUE_WORDS[due]])}
        onChange={(due) => onChange({ due: due === NO_FILTER.due ? null : due })}
      />
      <Choice
        label="Waits for"
        value={value.waiting}
        options={WAITING.map((waiting) => [waiting, WAITING_WORDS[waiting]])}
        onChange={(waiting) => onChange({ waits: waiting === NO_FILTER.waiting ? null : waiting })}
      />
      <Choice
        label="Sorted"
        value={value.sort}
        options={JOB_SORTS.map((sort) => [sort, SORT_WORDS[sort]])}
        onChange={(sort) => onChange({ sort: sort === NO_FILTER.sort ? null : sort })}
      />
    </div>
  );
}
