/** What lists show, as rows: a cell is empty where nobody knows. */
import { CLAIM_WORDS, type ClaimFinding, partKindWord } from '@low-quarry/core/catalogue';
import type { Disagreements } from '@low-quarry/core/contracts/disagreements';
import type { JobInList } from '@low-quarry/core/contracts/jobs';
import type { ServesMost } from '@low-quarry/core/contracts/servesMost';
import type { ListedLot } from '@low-quarry/core/contracts/shelf';
import type { PlacesOfPart } from '@low-quarry/core/contracts/whereItFits';
import { checkLabel, VERDICT_WORDS } from '@low-quarry/core/fit';
import { lotCode, placeLabel, vehicleName } from '@low-quarry/core/model';
import type { Table } from '../../http/writeTable';

export function shelfTable(lots: readonly ListedLot[]): Table {
  return {
    name: 'Shelf',
    headings: [
      'Lot',
      'Place',
      'Pieces',
      'Kind',
      'Part',
      'Part id',
      'From',
      'Put aside for job',
      'Counted by',
      'Counted',
    ],
    rows: lots.map(({ number, place, pieces, kind, label, partId, from, job, countedBy, countedAt }) => [
      lotCode(number),
      place,
      pieces,
      partKindWord(kind),
      label,
      partId,
      from,
      job && `${job.number}${job.registration && ` ${job.registration}`}${job.isOver ? ' (over)' : ''}`,
      countedBy,
      countedAt.slice(0, 10),
    ]),
  };
}

export function placesTable({ places }: PlacesOfPart): Table {
  return {
    name: 'Where it fits',
    headings: ['Car', 'Opening', 'Verdict', 'Margin, mm', 'Decided by', 'With', 'Of'],
    rows: places.map(({ car, opening, verdict, marginMm, decidedBy, behind, stack, of }) => [
      car,
      opening,
      VERDICT_WORDS[verdict],
      marginMm === null ? null : tenths(marginMm),
      checkLabel(decidedBy, behind),
      stack.join('; '),
      of === 'job' ? 'an open job' : 'the library',
    ]),
  };
}

const FINDINGS: Readonly<Record<ClaimFinding, string>> = {
  against: 'the geometry contradicts it',
  open: 'the geometry cannot tell yet',
  agrees: 'the geometry agrees',
};

export function disagreementsTable({ claimed, read }: Disagreements, currency: string): Table {
  return {
    name: 'Where they disagree',
    headings: [
      'Part',
      'Part id',
      `Price of a piece, ${currency}`,
      'Claim',
      'By',
      'On',
      'Car',
      'Opening',
      'Finding',
      'Verdict',
      'Figure',
      'Catalogue, mm',
      'Measured, mm',
      'Within, mm',
    ],
    rows: [
      ...claimed.map((each) => [
        each.part,
        each.partId,
        major(each.costMinor),
        CLAIM_WORDS[each.says],
        each.by,
        each.on,
        each.car,
        each.opening,
        FINDINGS[each.finding],
        each.verdict && VERDICT_WORDS[each.verdict],
        ...[null, null, null, null],
      ]),
      ...read.map((each) => [
        each.part,
        each.partId,
        major(each.costMinor),
        ...[null, null, null, null, null, null, null],
        each.figure,
        each.listedMm,
        tenths(each.measuredMm),
        tenths(each.withinMm),
      ]),
    ],
  };
}

export function servingTable({ chosen }: ServesMost): Table {
  return {
    name: 'What to keep in stock',
    headings: ['Part', 'Part id', 'What it is', 'Clears, openings', 'Measure first, openings', 'Adds, openings'],
    rows: chosen.map(({ label, id, says, clears, measure, adds }) => [label, id, says, clears, measure, adds]),
  };
}

export function jobsTable(jobs: readonly JobInList[]): Table {
  return {
    name: 'Jobs',
    headings: ['Job', 'Registration', 'Car', 'Customer', 'Wanted', 'Due', 'Openings', 'Chosen'],
    rows: jobs.map(({ number, registration, vehicle, customer, wants, dueOn, openings }) => [
      number,
      registration,
      vehicleName(vehicle),
      customer,
      wants,
      dueOn,
      openings.length,
      openings
        .filter(({ state }) => state.kind === 'chosen')
        .map(({ record }) => placeLabel(record))
        .join('; '),
    ]),
  };
}

function tenths(valueMm: number): number {
  return Math.round(valueMm * 10) / 10;
}

function major(minor: number | null): number | null {
  return minor === null || !Number.isFinite(minor) ? null : minor / 100;
}
