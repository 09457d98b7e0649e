/** Room for what is added, ways for wires, and the channels of a vehicle. */
import {
  BAND_LABELS,
  CHANNEL_WIRE_LABELS,
  FED_BY_LABELS,
  GRADE_LABELS,
  JOINED_LABELS,
  PLUG_CARRIES_LABELS,
  PLUG_OF_LABELS,
  POWER_RATING_LABELS,
  placeLabel,
  takesSpeaker,
  usualChannels,
  type VehicleRecord,
  vehicleSchema,
} from '@low-quarry/core/model';
import { useMemo } from 'react';
import { type FieldPath, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { FormChoice } from '../../ui/form/FormChoice';
import { FormText } from '../../ui/form/FormText';
import { FormTicks } from '../../ui/form/FormTicks';
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
  aroundKeptSchema,
  readAroundSchema,
  toAroundTyped,
  toChannelTyped,
} from './typedAround';

const MOST = 24;
const SEEN = { note: '', grade: 'seenHere' } as const;
const draftSchema = z.object({ version: z.int(), base: vehicleSchema, typed: aroundKeptSchema });
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
  const { control, handleSubmit, reset, setValue } = form;
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
        <Channels
          control={control}
          openings={record.openings}
          onUsual={(channels) => {
            setValue('channels', channels, { shouldDirty: true });
            setValue('isChannelsLooked', true, { shouldDirty: true });
          }}
        />
        <div className="flex flex-col gap-6">
          <Spaces control={control} />
          <Routes control={control} />
          <DevicePlugs control={control} />
        </div>
      </div>
      <FormError>{panel ? null : problemSentence(error, state.typed, refused)}</FormError>
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

function DevicePlugs({ control }: PartProps) {
  return (
    <LookedList
      control={control}
      name="devicePlugs"
      looked="isDevicePlugsLooked"
      title="Plugs of radio and amplifier"
      item="plug"
      add="Add a plug"
      nothing="Looked: neither has a plug of its own"
      most={MOST}
      empty={() => ({ of: 'radio' as const, name: '', carries: [], ...SEEN })}
    >
      {(path) => (
        <>
          <div className="col-span-2">
            <FormChoice control={control} name={at(path, 'of')} label="Plug of" options={PLUG_OF_LABELS} />
          </div>
          <div className="col-span-2">
            <FormText
              control={control}
              name={at(path, 'name')}
              label="Looks like"
              hint="Grey, 16 positions."
              autoComplete="off"
            />
          </div>
          <div className="col-span-2 sm:col-span-4">
            <FormTicks
              control={control}
              name={at(path, 'carries')}
              legend="Carries; nothing ticked: nobody knows"
              options={PLUG_CARRIES_LABELS}
            />
          </div>
          <HowKnown control={control} path={path} />
        </>
      )}
    </LookedList>
  );
}

type ChannelsProps = PartProps & {
  readonly openings: VehicleRecord['openings'];
  readonly onUsual: (channels: AroundTyped['channels']) => void;
};

function Channels({ control, openings, onUsual }: ChannelsProps) {
  const channels = useWatch({ control, name: 'channels' });
  const places = openings.filter(takesSpeaker).map((opening) => placeLabel(opening));
  return (
    <div className="flex flex-col gap-3">
      <LookedList
        control={control}
        name="channels"
        looked="isChannelsLooked"
        title="Channels"
        item="channel"
        add="Add a channel"
        nothing="Looked: no channel feeds a speaker"
        most={MOST}
        empty={() => EMPTY_CHANNEL}
      >
        {(path) => <ChannelFields control={control} path={path} places={places} />}
      </LookedList>
      {channels.length === 0 && places.length > 0 && (
        <Button className="self-start" onClick={() => onUsual(usualChannels(openings).map(toChannelTyped))}>
          Begin with what is usual
        </Button>
      )}
    </div>
  );
}

const EMPTY_CHANNEL: AroundTyped['channels'][number] = {
  ...{ name: '', places: [], feeds: '', joined: 'parallel', band: null, fedBy: null, leastOhm: '', wire: null },
  ...{ watt: '', rating: 'RMS', atOhm: '', ...SEEN },
};

type ChannelFieldsProps = PartProps & { readonly path: string; readonly places: readonly string[] };

function ChannelFields({ control, path, places }: ChannelFieldsProps) {
  return (
    <>
      <div className="col-span-2">
        <FormText control={control} name={at(path, 'name')} label="Called" hint="Front left." autoComplete="off" />
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
      <div className="col-span-2">
        <FormTicks control={control} name={at(path, 'places')} legend="Feeds" options={places} />
      </div>
      <div className="col-span-2 flex flex-col gap-3">
        <FormText
          control={control}
          name={at(path, 'feeds')}
          label="Feeds besides"
          hint="What is no opening here."
          autoComplete="off"
        />
        <FormChoice control={control} name={at(path, 'joined')} label="Joined" options={JOINED_LABELS} />
        <FormChoice control={control} name={at(path, 'band')} label="Carries" options={BAND_LABELS} none="Not looked" />
      </div>
      <FormText control={control} name={at(path, 'leastOhm')} label="Stands, Ω" hint="Least load." autoComplete="off" />
      <FormText control={control} name={at(path, 'watt')} label="Gives, W" autoComplete="off" />
      <FormChoice control={control} name={at(path, 'rating')} label="Rated as" options={POWER_RATING_LABELS} />
      <FormText control={control} name={at(path, 'atOhm')} label="Into, Ω" autoComplete="off" />
      <div className="col-span-2 sm:col-span-4">
        <FormChoice
          control={control}
          name={at(path, 'wire')}
          label="Wire to its speakers"
          options={CHANNEL_WIRE_LABELS}
          none="Not decided"
        />
      </div>
      <HowKnown control={control} path={path} />
    </>
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
