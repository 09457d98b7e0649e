/** A vehicle of the library by a few letters, in any order, with slips; before anything is typed, those that were here last. */
import type { FoundVehicle } from '@low-quarry/core/contracts/findVehicles';
import { vehicleLabel } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState, useSyncExternalStore } from 'react';
import { isAway, subscribeToConnection } from '../../api/connection';
import { ComboField } from '../../ui/ComboField';
import { narrowed } from '../../ui/narrowed';
import { useAsked } from '../../ui/useRested';
import { foundVehiclesQuery, recentVehiclesQuery } from './foundVehicles';
import { useVehicle } from './vehicleQueries';

type VehicleFieldProps = {
  readonly value: string;
  readonly hint?: string | undefined;
  readonly error?: string | null | undefined;
  readonly onChange: (id: string) => void;
  /** Offered after what was found, with what was typed. */
  readonly onNew?: (typed: string) => void;
};

/** No vehicle has it as its id. */
const NEW = 'new';

export function VehicleField({ value, hint, error, onChange, onNew }: VehicleFieldProps) {
  const [typed, setTyped] = useState('');
  const find = useAsked(typed.trim());
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  const recent = useQuery(recentVehiclesQuery);
  const asked = useQuery({ ...foundVehiclesQuery(find), enabled: find !== '' && !away });
  const chosen = useVehicle(value);
  const isHere = typed.trim() === '' || away;
  const isLooking = !isHere && (typed.trim() !== find || asked.isFetching);
  // The list has closed, and forgotten what was typed, when it says what was picked.
  const lookedFor = useRef('');
  if (typed.trim() !== '') lookedFor.current = typed.trim();
  const options = isHere
    ? narrowed((recent.data?.found ?? []).map(toOption), typed)
    : (asked.data?.found ?? []).map(toOption);
  return (
    <ComboField
      label="Vehicle and trim"
      hint={hint}
      error={error}
      value={value}
      chosenLabel={chosen ? vehicleLabel(chosen) : undefined}
      placeholder={recent.isPending ? 'Loading vehicles …' : 'Make, model, year, trim'}
      options={onNew && !isLooking ? [...options, { value: NEW, label: newWords(typed) }] : options}
      isFound
      nothingWords={nothingWords({
        away,
        isLooking,
        hasTyped: typed.trim() !== '',
      })}
      onTyped={setTyped}
      onChange={(id) => (id === NEW ? onNew?.(lookedFor.current) : onChange(id))}
    />
  );
}

function newWords(typed: string): string {
  return typed.trim() === '' ? 'Another one, not in the library' : `“${typed.trim()}” as a new one, not in the library`;
}

/** The audio package tells apart what make, years and trim do not. */
function toOption(vehicle: FoundVehicle) {
  const { id, audioPackage, steeringSide } = vehicle;
  const more = [audioPackage, `steering ${steeringSide}`].filter(Boolean).join(', ');
  return { value: id, label: `${vehicleLabel(vehicle)}, ${more}` };
}

type Looked = {
  readonly away: boolean;
  readonly isLooking: boolean;
  readonly hasTyped: boolean;
};

function nothingWords({ away, isLooking, hasTyped }: Looked): string {
  if (away) return 'The server does not answer, and none of those this device knows is called so.';
  if (isLooking) return 'Looking …';
  return hasTyped ? 'None in the library is written like that. It can come in as a new one.' : 'The library is empty.';
}
