/** What is known of this place in every car of this variant? */
import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import {
  type OpeningRecord,
  placeLabel,
  type ShopSettings,
  type VehicleRecord,
  vehicleLabel,
} from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { useNavigate, useParams } from 'react-router';
import { z } from 'zod';
import { connectorsQuery } from '../../api/connectorsQuery';
import { useMay } from '../../api/me';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { late } from '../../ui/late';
import { fieldProblems } from '../../ui/problemFields';
import { Shell } from '../../ui/Shell';
import { Answered, Empty, Loading } from '../../ui/states';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { OpeningSheet } from '../openings/OpeningSheet';
import { type OpeningDraft, openingDraftSchema, toDraft } from '../openings/openingDraft';
import { takenWords } from '../openings/takenWords';
import { useCheckedDraft } from '../openings/useCheckedDraft';
import { Photos } from '../photos/Photos';
import { type SavedVehicle, useSaveVehicle } from './useSaveVehicle';
import { openingCalled, vehicleOpeningAddress } from './vehicleOpeningAddress';
import { vehicleQuery } from './vehicleQueries';

const ConflictPanel = late(
  () => import('../../ui/ConflictPanel').then((code) => code.ConflictPanel<VehicleRecord>),
  () => <Loading what="what clashes" />,
);

export function VehicleOpeningScreen() {
  const { vehicleId = '', label = '' } = useParams();
  const vehicle = useQuery(vehicleQuery(vehicleId));
  const shop = useQuery(shopSettingsQuery);
  const connectors = useQuery(connectorsQuery);
  const name = vehicle.data ? vehicleLabel(vehicle.data.record) : 'Vehicle';
  const address = `/vehicles/${encodeURIComponent(vehicleId)}`;
  return (
    <Shell
      title={label}
      crumbs={[
        { to: '/vehicles', label: 'Vehicles' },
        { to: address, label: name },
        { to: `${address}/openings/${encodeURIComponent(label)}`, label },
      ]}
    >
      <Answered query={vehicle} what="the vehicle">
        {(saved) => {
          const opening = openingCalled(saved.record.openings, label);
          if (!opening) return <Empty>This vehicle has no place that is called “{label}”.</Empty>;
          return (
            <Answered query={shop} what="the shop’s settings">
              {(settings) => (
                <Answered query={connectors} what="the connectors">
                  {(known) => (
                    <Filled key={label} saved={saved} opening={opening} shop={settings} connectors={known.connectors} />
                  )}
                </Answered>
              )}
            </Answered>
          );
        }}
      </Answered>
    </Shell>
  );
}

const draftSchema = z.object({ isTouched: z.boolean(), opening: openingDraftSchema });
type Draft = { readonly isTouched: boolean; readonly opening: OpeningDraft };

type FilledProps = {
  readonly saved: SavedVehicle;
  readonly opening: OpeningRecord;
  readonly shop: ShopSettings;
  readonly connectors: readonly ConnectorRecord[];
};

function Filled({ saved, opening, shop, connectors }: FilledProps) {
  const { id } = saved.record;
  const begin = (): Draft => ({ isTouched: false, opening: toDraft(opening, saved.version) });
  const form = `vehicleOpening.${id}.${placeLabel(opening)}`;
  const kept = useKept<Draft>(form, draftSchema, begin);
  const { keep, settle, broughtBack } = kept;
  // Where nothing was typed, what is shown follows what the shop has.
  const state = kept.state.isTouched ? kept.state : begin();
  const draft = state.opening;
  // Two changes may come of one key: the second is made to what the first left.
  const latest = useRef(draft);
  latest.current = draft;
  const navigate = useNavigate();
  const mayChange = useMay('vehicles');
  const { mounted, problems, hasErrors, check } = useCheckedDraft(draft);
  const change = (next: (before: OpeningDraft) => OpeningDraft) => {
    latest.current = next(latest.current);
    keep({ isTouched: true, opening: latest.current });
  };
  /** Where the hand goes on when it is saved. */
  const then = useRef({ to: '', words: '' });
  const { panel, send, drop, error, isPending, handedOver } = useSaveVehicle(
    saved.record,
    () => {
      settle(begin());
      toast(then.current.words, { canUndo: true });
      void navigate(then.current.to, { replace: true });
    },
    {
      name: form,
      onWaits: ({ openings }) => {
        const handedOver = openings.find((each) => placeLabel(each) === placeLabel(opening));
        if (handedOver) keep({ isTouched: true, opening: { ...draft, base: handedOver } });
      },
    },
  );
  /** On what it was typed on: what somebody else saved of it meanwhile is put together with it, or asked about. */
  const sendAs = (record: OpeningRecord | null) => {
    const label = placeLabel(record ?? opening);
    then.current = record
      ? { to: vehicleOpeningAddress(id, record), words: `${label} is saved.` }
      : { to: `/vehicles/${encodeURIComponent(id)}`, words: `${label} is out of the library.` };
    const base = withOpening(saved.record, opening, draft.base);
    send(draft.version, base, withOpening(base, opening, record));
  };
  const save = () => {
    const record = check();
    if (record) sendAs(record);
  };
  const refused = fieldProblems(error).map(({ path, message }) => ({
    path: path.replace(/^record\.openings\.\d+/, 'record'),
    message,
  }));
  return (
    <OpeningSheet
      draft={draft}
      shop={shop}
      connectors={connectors}
      problems={[...problems, ...refused]}
      mounted={mounted}
      takenWords={(key) => takenWords(opening.dimensions[key])}
      change={change}
      onSubmit={save}
      top={<BroughtBack show={broughtBack && !handedOver} onDrop={() => settle(begin())} />}
      afterPlace={
        <>
          <Photos subject={{ of: 'vehicle', recordId: id, place: placeLabel(opening) }} label={placeLabel(opening)} />
          <RemoveFromVehicle label={placeLabel(opening)} isPending={isPending} onRemove={() => sendAs(null)} />
        </>
      }
      foot={
        <>
          <div className="sticky bottom-0 z-10 order-3 flex flex-wrap items-center gap-3 border-t border-ink bg-ground py-3 lg:col-span-2">
            <Button kind="main" type="submit" data-save disabled={!state.isTouched || isPending || !mayChange}>
              {isPending ? 'Saving …' : 'Save what is known'}
            </Button>
            <FormError>
              {hasErrors
                ? 'Not saved: one field cannot be read, see its message.'
                : panel
                  ? null
                  : (error?.message ?? null)}
            </FormError>
          </div>
          {panel && (
            <div className="order-4 lg:col-span-2">
              <ConflictPanel
                what="this vehicle"
                {...panel}
                onTakeTheirs={() => {
                  drop();
                  settle(begin());
                }}
              />
            </div>
          )}
        </>
      }
    />
  );
}

function withOpening(record: VehicleRecord, before: OpeningRecord, after: OpeningRecord | null): VehicleRecord {
  const label = placeLabel(before);
  return {
    ...record,
    openings: record.openings.flatMap((each) => (placeLabel(each) === label ? (after ? [after] : []) : [each])),
  };
}

function RemoveFromVehicle({
  label,
  isPending,
  onRemove,
}: {
  readonly label: string;
  readonly isPending: boolean;
  readonly onRemove: () => void;
}) {
  const mayRemove = useMay('library');
  if (!mayRemove) return null;
  return (
    <div className="mt-4 flex flex-col items-start gap-2 border-t border-ink pt-3">
      <p className="text-muted">
        A place that this variant does not have is better set to “Nothing here”: then the next job knows.
      </p>
      <Button className="scroll-mb-36" disabled={isPending} onClick={onRemove}>
        Take {label.toLowerCase()} out of the library
      </Button>
    </div>
  );
}
