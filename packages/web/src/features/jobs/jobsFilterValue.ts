/** Which of the open jobs are shown and in what order, as the address says it. */
import { JOB_SORTS, type JobSort } from '@low-quarry/core/contracts/jobs';
import { WAITS } from '@low-quarry/core/model';
import { addDays } from 'date-fns/addDays';
import { isoDay } from '../../text/isoDay';

export const DUES = ['any', 'today', 'week'] as const;
export type Due = (typeof DUES)[number];
export const DUE_WORDS: Readonly<Record<Due, string>> = {
  any: 'any day',
  today: 'today or late',
  week: 'within 7 days or late',
};

/** For whose answer a job waits; any job, whether it waits or not. */
export const WAITING = ['any', ...WAITS] as const;
export type Waiting = (typeof WAITING)[number];
export const WAITING_WORDS: Readonly<Record<Waiting, string>> = {
  any: 'anything or nothing',
  anybody: 'any answer from outside',
  customer: 'the customer',
  owner: 'the car’s owner',
  maker: 'the vehicle maker',
  seller: 'a seller',
};

export type JobsFilterValue = { readonly due: Due; readonly waiting: Waiting; readonly sort: JobSort };
export const NO_FILTER: JobsFilterValue = { due: 'any', waiting: 'any', sort: 'due' };

export function readFilter(search: URLSearchParams): JobsFilterValue {
  return {
    due: DUES.find((each) => each === search.get('due')) ?? NO_FILTER.due,
    waiting: WAITING.find((each) => each === search.get('waits')) ?? NO_FILTER.waiting,
    sort: JOB_SORTS.find((each) => each === search.get('sort')) ?? NO_FILTER.sort,
  };
}

/** @returns the last day that is shown, by the device's calendar, such as "2026-11-27"; null for every day and none */
export function dueBy(due: Due, now: Date): string | null {
  if (due === 'any') return null;
  return isoDay(addDays(now, due === 'today' ? 0 : 7));
}
