/** What the finder lists for the words that were typed, in groups, each with where it leads. */

import { partKindWord } from '@low-quarry/core/catalogue';
import type { FoundPart } from '@low-quarry/core/contracts/findParts';
import type { Job } from '@low-quarry/core/contracts/jobs';
import { jobTitle, type VehicleRecord, vehicleLabel } from '@low-quarry/core/model';
import { addressOf } from '../../stations/addressOf';
import { narrowed } from '../../ui/narrowed';

type Found = { readonly to: string; readonly label: string; readonly what: string };
export type FoundGroup = { readonly title: string; readonly found: readonly Found[]; readonly more: number };

/** Of each group so many; then a word more narrows it down. */
const MOST = 6;

export type FinderAnswers = {
  readonly words: string;
  readonly open: { readonly jobs: readonly FinderJob[]; readonly total: number } | undefined;
  readonly ended: { readonly jobs: readonly FinderJob[]; readonly total: number } | undefined;
  readonly parts: { readonly found: readonly FoundPart[]; readonly total: number } | undefined;
  readonly vehicles: { readonly found: readonly FinderVehicle[]; readonly total: number } | undefined;
  readonly pages: readonly Found[];
};
type FinderJob = Pick<Job, 'id' | 'number' | 'customer' | 'registration'> & {
  readonly vehicle: Pick<VehicleRecord, 'make' | 'model'>;
};
type FinderVehicle = Pick<VehicleRecord, 'id' | 'make' | 'model' | 'years' | 'trim'>;

/** Groups that have nothing are left out. Without words only the pages are listed. */
export function finderView({ words, open, ended, parts, vehicles, pages }: FinderAnswers): FoundGroup[] {
  const here = narrowed(
    pages.map((page) => ({ value: page.to, label: `${page.label} ${page.what}` })),
    words,
  );
  const found = here.flatMap(({ value }) => pages.find(({ to }) => to === value) ?? []);
  const groups = [group('Pages', found, found.length, found.length)];
  if (words.trim() === '') return groups;
  return [
    group('Open jobs', (open?.jobs ?? []).map(toJob), open?.total),
    group('Ended jobs', (ended?.jobs ?? []).map(toJob), ended?.total),
    group('Parts', (parts?.found ?? []).map(toPart), parts?.total),
    group(
      'Vehicles of the library',
      (vehicles?.found ?? []).map((vehicle) => ({
        to: `/will-it-fit?vehicle=${vehicle.id}`,
        label: vehicleLabel(vehicle),
        what: 'Will this one fit?',
      })),
      vehicles?.total,
    ),
    ...groups,
  ].filter(({ found }) => found.length > 0);
}

function group(title: string, all: readonly Found[], total = all.length, most = MOST): FoundGroup {
  const found = all.slice(0, most);
  return { title, found, more: Math.max(0, total - found.length) };
}

function toJob(job: FinderJob): Found {
  return {
    to: addressOf('job', { jobId: job.id }),
    label: jobTitle(job),
    what: `${job.customer}, job ${job.number}`,
  };
}

/** A speaker is tried; of what is none its own page says what is known. */
function toPart({ id, kind, label, unreadable }: FoundPart): Found {
  const what = partKindWord(kind);
  if (kind === 'speaker' && unreadable === null)
    return { to: `/will-it-fit?speaker=${encodeURIComponent(id)}`, label, what: `${what}: will it fit?` };
  return { to: `/parts/${encodeURIComponent(id)}`, label, what };
}
