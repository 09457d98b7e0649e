/** Which vehicles does the library know, and what of each? */
import { type FoundVehicle, VEHICLES_A_PAGE } from '@low-quarry/core/contracts/findVehicles';
import { bodyWords, vehicleLabel } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useMay } from '../../api/me';
import { readPage, useAddress, withParams, writePage } from '../../ui/address';
import { Pages } from '../../ui/Pages';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { TextField } from '../../ui/TextField';
import { MOST_LETTERS, useAsked } from '../../ui/useRested';
import { AddVehicle } from './AddVehicle';
import { foundVehiclesQuery } from './foundVehicles';

export function VehiclesScreen() {
  const mayAdd = useMay('vehicles');
  const [search, changeAddress] = useAddress();
  const find = search.get('find') ?? '';
  const page = readPage(search);
  const vehicles = useQuery(foundVehiclesQuery(useAsked(find.trim()), page));
  return (
    <Shell
      title="Vehicles"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/vehicles', label: 'Vehicles' },
      ]}
      aside={mayAdd && <AddVehicle />}
    >
      <p className="max-w-2xl">
        One line for each variant: the trim and the audio package decide wiring and openings. A job begins with what is
        known here and keeps it.
      </p>
      <div className="max-w-md">
        <TextField
          label="Find a vehicle"
          type="search"
          value={find}
          maxLength={MOST_LETTERS}
          placeholder="Make, model, year, trim, other names"
          onType={(text) => changeAddress((before) => withParams(before, { page: null, find: text || null }))}
        />
      </div>
      <Answered query={vehicles} what="the vehicles">
        {({ found, total, isPartial, unreadable }) => (
          <section aria-label="Vehicles found" className="flex flex-col gap-1">
            <p role="status" className="text-muted">
              {foundWords(find, total, isPartial)}
            </p>
            <Unreadables unreadable={unreadable} />
            {found.length > 0 && (
              <ul className="border-t border-ink">
                {found.map((vehicle) => (
                  <VehicleRow key={vehicle.id} vehicle={vehicle} />
                ))}
              </ul>
            )}
            {total === 0 && unreadable.length === 0 && <Empty>{emptyWords(find)}</Empty>}
            <Pages
              page={page}
              pageSize={VEHICLES_A_PAGE}
              total={total}
              what="vehicles"
              onPage={(next) => changeAddress((before) => withParams(before, { page: writePage(next) }))}
            />
          </section>
        )}
      </Answered>
    </Shell>
  );
}

function foundWords(find: string, total: number, isPartial: boolean): string {
  const count = `${total.toLocaleString('en')} ${total === 1 ? 'variant' : 'variants'}`;
  if (find.trim() === '') return `${count}, those that were in the shop last first.`;
  return isPartial ? `None has every word; ${count} with some of them.` : `${count}, the best match first.`;
}

function emptyWords(find: string): string {
  return find.trim() === ''
    ? 'The library knows no vehicle yet. The first one comes in with the first car that is booked in, or is added here.'
    : `None is written like “${find.trim()}”. It can be added from a body template, or with the car that is booked in.`;
}

function VehicleRow({ vehicle }: { readonly vehicle: FoundVehicle }) {
  const { id, audioPackage, steeringSide, market, aliases, openings, jobs } = vehicle;
  const facts = [
    bodyWords(vehicle),
    audioPackage || 'audio package not known',
    `steering on the ${steeringSide}`,
    ...(market ? [market] : []),
    ...(aliases.length > 0 ? [`also ${aliases.join(', ')}`] : []),
  ];
  return (
    <li className="border-b border-hairline">
      <Link
        to={`/vehicles/${encodeURIComponent(id)}`}
        className="grid min-h-12 items-center gap-x-6 py-1 hover:bg-paper sm:grid-cols-[1fr_auto]"
      >
        <span>
          <span className="block font-semibold text-action">{vehicleLabel(vehicle)}</span>
          <span className="block text-[13px] leading-4 text-muted">{facts.join(', ')}</span>
        </span>
        <span className="text-muted">
          {openings} {openings === 1 ? 'opening' : 'openings'}, {jobs} {jobs === 1 ? 'job' : 'jobs'}
        </span>
      </Link>
    </li>
  );
}

function Unreadables({
  unreadable,
}: {
  readonly unreadable: readonly { readonly id: string; readonly why: string }[];
}) {
  if (unreadable.length === 0) return null;
  return (
    <ul aria-label="Vehicles that cannot be read" className="border-l-4 border-hits bg-paper px-3 py-2">
      {unreadable.map(({ id, why }) => (
        <li key={id} className="flex flex-wrap items-center gap-x-4">
          <span className="font-semibold text-hits">
            {id} cannot be read ({why}): no car is booked in by it.
          </span>
          <Link to={`/history?kind=vehicle&record=${id}`} className="flex min-h-12 items-center text-action underline">
            Bring an earlier state back
          </Link>
        </li>
      ))}
    </ul>
  );
}
