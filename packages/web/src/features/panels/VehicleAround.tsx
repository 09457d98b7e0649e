/** Room for what is added, ways for wires, and the channels of a vehicle. */
import { BAND_LABELS, FED_BY_LABELS, GRADE_LABELS, type VehicleRecord, vehicleSchema } from '@low-quarry/core/model';
import { useMemo } from 'react';
import type { FieldPath } from 'react-hook-form';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { FormChoice } from '../../ui/form/FormChoice';
import { FormText } from '../../ui/form/FormText';
import { LookedList } from '../../ui/form/LookedList';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { DisputeOffer } from '../vehicles/DisputeOffer';
import { type SavedVehicle, useSaveVehicle } from '../vehicles/useSaveVehicle';
import {
  type Around,
  type AroundControl,
  type AroundTyped,
  aroundTypedSchema,
  readAroundSchema,
  toAroundTyped,
} from './typedAround';

const MOST = 24;
const SEEN = { note: '', grade: 'seenHere' } as const;
const draftSchema = z.object({ version: z.int(), base: vehicleSchema, typed: aroundTypedSchema });
type Draft = z.output<typeof draftSchema>;

function toDraft({ version, record }: SavedVehicle): Draft {
  return { version, base: record, typed: toAroundTyped(record) };
}

export function VehicleAround({ version, record }: { readonly version: number; readonly record: VehicleRecord }) {
  const saved = { version, record };
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(`around.${record.id}`, draftSchema, () =>
    toDraft(saved),
  );
  const mayChange = useMay('vehicles');
  const show = (draft: Draft) => {
    settle(draft);
    reset(draft.typed);
  };
  const { panel, send, drop, error, notOurs, isPending, handedOver } = useSaveVehicle(
    record,
    (now) => {
      show(toDraft(now));
      toast('Room, ways and channels are saved.', { canUndo: true });
    },
    { name: `around.${record.id}`, onWaits: (base) => keep({ ...state, base }) },
  );
  const refused = useMemo(
    () => fieldProblems(error).map(({ path, message }) => ({ message, path: path.replace(/^record\./, '') })),
    [error],
  );
  const form = useCheckedForm<AroundTyped, Around>(readAroundSchema, state.typed, refused);
  const { control, handleSubmit, reset } = form;
  useTypedKept(form, (typed) => keep({ ...state, typed }));
  useFollow(version, isTouched, () => show(toDraft(saved)));
  return (
    <form
      aria-label="Room, ways and channels"
      className="flex flex-col gap-6"
      noValidate
      onSubmit={handleSubmit((around) => send(state.version, state.base, { ...state.base, ...around }))}
    >
      <BroughtBack show={broughtBack && !handedOver} onDrop={() => show(toDraft(saved))} />
      <div className="grid gap-x-8 gap-y-6 lg:grid-cols-2 lg:items-start">
        <Channels control={control} />
        <div className="flex flex-col gap-6">
          <Spaces control={control} />
          <Routes control={control} />
        </div>
      </div>
      <FormError>{panel ? null : problemSentence(error)}</FormError>
      <DisputeOffer refused={notOurs} onNoted={(now) => show(toDraft(now))} />
      {panel && (
        <ConflictPanel
          what="this vehicle"
          {...panel}
          onTakeTheirs={() => {
            drop();
            show(toDraft(saved));
          }}
        />
      )}
      <Button type="submit" className="self-start" disabled={isPending || !mayChange}>
        {isPending ? 'Saving …' : 'Save room, ways and channels'}
      </Button>
    </form>
  );
}

type PartProps = { readonly control: AroundControl };
const at = (path: string, name: string) => `${path}.${name}` as FieldPath<AroundTyped>;

function Spaces({ control }: PartProps) {
  return (
    <LookedList
      control={control}
      name="spaces"
      looked="isSpacesLooked"
      title="Room for more"
      item="space"
      add="Add a space"
      nothing="Looked: no room for a box or a crossover"
      most={MOST}
      empty={() => ({ name: '', lengthMm: '', widthMm: '', heightMm: '', ...SEEN })}
    >
      {(path) => (
        <>
          <div className="col-span-2 sm:col-span-4">
            <FormText control={control} name={at(path, 'name')} label="Where" autoComplete="off" />
          </div>
          <FormText control={control} name={at(path, 'lengthMm')} label="Length, mm" autoComplete="off" />
          <FormText control={control} name={at(path, 'widthMm')} label="Width, mm" autoComplete="off" />
          <FormText control={control} name={at(path, 'heightMm')} label="Height, mm" autoComplete="off" />
          <HowKnown control={control} path={path} />
        </>
      )}
    </LookedList>
  );
}

function Routes({ control }: PartProps) {
  return (
    <LookedList
      control={control}
      name="routes"
      looked="isRoutesLooked"
      title="Ways for wires"
      item="way"
      add="Add a way"
      nothing="Looked: no way that is free"
      most={MOST}
      empty={() => ({ from: '', to: '', through: '', lengthMm: '', ...SEEN })}
    >
      {(path) => (
        <>
          <div className="col-span-2">
            <FormText control={control} name={at(path, 'from')} label="From" autoComplete="off" />
          </div>
          <div className="col-span-2">
            <FormText control={control} name={at(path, 'to')} label="To" autoComplete="off" />
          </div>
          <div className="col-span-2">
            <FormText
              control={control}
              name={at(path, 'through')}
              label="Through"
              hint="Boot, grommet, sill."
              autoComplete="off"
            />
          </div>
          <FormText control={control} name={at(path, 'lengthMm')} label="Length, mm" autoComplete="off" />
          <HowKnown control={control} path={path} />
        </>
      )}
    </LookedList>
  );
}

function Channels({ control }: PartProps) {
  return (
    <LookedList
      control={control}
      name="channels"
      looked="isChannelsLooked"
      title="Channels"
      item="channel"
      add="Add a channel"
      nothing="Looked: no channel feeds a speaker"
      most={MOST}
      empty={() => ({ name: '', feeds: '', band: null, fedBy: null, ...SEEN })}
    >
      {(path) => (
        <>
          <div className="col-span-2">
            <FormText control={control} name={at(path, 'name')} label="Called" hint="Front left." autoComplete="off" />
          </div>
          <div className="col-span-2">
            <FormText
              control={control}
              name={at(path, 'feeds')}
              label="Feeds"
              hint="Door and sail panel."
              autoComplete="off"
            />
          </div>
          <div className="col-span-2">
            <FormChoice
              control={control}
              name={at(path, 'band')}
              label="Carries"
              options={BAND_LABELS}
              none="Not looked"
            />
          </div>
          <div className="col-span-2">
            <FormChoice
              control={control}
              name={at(path, 'fedBy')}
              label="Comes from"
              options={FED_BY_LABELS}
              none="Not looked"
            />
          </div>
          <HowKnown control={control} path={path} />
        </>
      )}
    </LookedList>
  );
}

function HowKnown({ control, path }: PartProps & { readonly path: string }) {
  return (
    <>
      <div className="col-span-2">
        <FormChoice control={control} name={at(path, 'grade')} label="How this is known" options={GRADE_LABELS} />
      </div>
      <div className="col-span-2">
        <FormText control={control} name={at(path, 'note')} label="Note" autoComplete="off" />
      </div>
    </>
  );
}
