/** One field for everything: jobs, parts, vehicles and pages. */
import type { FoundVehicles } from '@low-quarry/core/contracts/findVehicles';
import { mayDo } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useMe } from '../../api/me';
import { INPUT } from '../../ui/Field';
import { MOST_LETTERS, useAsked } from '../../ui/useRested';
import { jobsQuery } from '../jobs/jobsQueries';
import { foundPartsQuery } from '../library/foundPartsQuery';
import { SHOP_PAGES } from '../sessions/shopPages';
import { foundVehiclesQuery } from '../vehicles/foundVehicles';
import { finderView } from './finderView';

const MORE_PAGES = [
  { to: '/', label: 'Jobs', what: 'the cars, the soonest due first', permission: 'read' },
  {
    to: '/will-it-fit',
    label: 'Will this one fit?',
    what: 'a speaker in any vehicle, without a job',
    permission: 'read',
  },
  {
    to: '/vehicles',
    label: 'Vehicles',
    what: 'what is known of each variant, its openings, its plugs',
    permission: 'read',
  },
  { to: '/parts', label: 'Parts', what: 'parts as their makers describe them', permission: 'read' },
  { to: '/bay', label: 'Bay', what: 'the week by lift and person, what is booked, what clashes', permission: 'read' },
  { to: '/shelf', label: 'Shelf', what: 'what the shop has, where it lies, for which job', permission: 'read' },
  { to: '/scan', label: 'Scan', what: 'a label or a box, by scanner, camera or number', permission: 'read' },
] as const;

export function FinderPanel({ onGone }: { readonly onGone: () => void }) {
  const navigate = useNavigate();
  const { roles } = useMe();
  const [words, setWords] = useState('');
  const [lit, setLit] = useState('');
  const find = useAsked(words);
  const enabled = find.trim() !== '';
  const open = useQuery({ ...jobsQuery({ list: 'open', find, page: 1 }), enabled });
  const ended = useQuery({ ...jobsQuery({ list: 'ended', find, page: 1 }), enabled });
  const parts = useQuery({ ...foundPartsQuery({ find }), enabled });
  const vehicles = useQuery({ ...foundVehiclesQuery(find), enabled });
  const asked = [open, ended, parts, vehicles];
  // What was found for other words is not listed: Enter would lead there.
  const foundBy = <Answer,>({ data, isPlaceholderData }: { data: Answer | undefined; isPlaceholderData: boolean }) =>
    words === find && !isPlaceholderData ? data : undefined;
  const groups = finderView({
    words,
    open: foundBy(open),
    ended: foundBy(ended),
    parts: foundBy(parts),
    vehicles: wholeMatches(foundBy(vehicles)),
    pages: [...MORE_PAGES, ...SHOP_PAGES].filter(({ permission }) => mayDo(permission, roles)),
  });
  const values = groups.flatMap(({ title, found }) => found.map(({ to }) => keyOf(title, to)));
  const isLooking = words !== find || (enabled && asked.some(({ isFetching }) => isFetching));
  const failure = enabled && asked.find(({ isError }) => isError)?.error;
  const go = (to: string) => {
    onGone();
    void navigate(to);
  };
  return (
    <Command
      label="Find a job, a part, a vehicle or a page"
      shouldFilter={false}
      loop
      value={values.includes(lit) ? lit : (values[0] ?? '')}
      onValueChange={setLit}
      className="flex flex-col gap-3"
    >
      <Command.Input
        // It was just asked for: the letters come next.
        autoFocus
        value={words}
        onValueChange={(typed) => {
          setWords(typed);
          // Of other answers the first is meant again.
          setLit('');
        }}
        maxLength={MOST_LETTERS}
        placeholder="A number, a name, a registration, a part"
        className={INPUT}
      />
      <p role="status" className="text-muted">
        {isLooking ? 'Looking …' : groups.length === 0 && !failure ? `Nothing has “${find}” in it.` : ''}
      </p>
      {failure && <p role="alert">Not everything could be looked through: {failure.message}</p>}
      <Command.List className="max-h-[60dvh] overflow-y-auto">
        {groups.map(({ title, found, more }) => (
          <Command.Group
            key={title}
            heading={`${title}${more > 0 ? `, ${more.toLocaleString('en')} more with another word` : ''}`}
            className="[&_[cmdk-group-heading]]:pt-3 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-muted"
          >
            {found.map(({ to, label, what }) => (
              <Command.Item
                key={to}
                value={keyOf(title, to)}
                onSelect={() => go(to)}
                className="flex min-h-12 cursor-pointer flex-col justify-center border-b border-hairline px-2 py-1 data-[selected=true]:bg-action data-[selected=true]:text-on-action"
              >
                <span className="font-semibold">{label}</span>
                <span className="text-[13px] leading-4">{what}</span>
              </Command.Item>
            ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  );
}

/** One address may stand in two groups. */
function keyOf(title: string, to: string): string {
  return `${title} ${to}`;
}

/** Of many kinds of things, what has every word only: half a match of one would stand above the whole one of another. */
function wholeMatches(vehicles: FoundVehicles | undefined): FoundVehicles | undefined {
  return vehicles?.isPartial ? undefined : vehicles;
}
