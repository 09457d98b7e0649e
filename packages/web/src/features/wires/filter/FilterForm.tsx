/** A filter in one speaker's line: asked for in hertz and decibels, made of parts that are sold, with what these really do. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { OpeningLineFilter } from '@low-quarry/core/model';
import { type ChannelLoad, type LineFilter, usualHighPass } from '@low-quarry/core/sound';
import { useQuery } from '@tanstack/react-query';
import { z } from 'zod';
import { BroughtBack } from '../../../ui/BroughtBack';
import { Button } from '../../../ui/Button';
import { FrequencySlider } from '../../../ui/FrequencySlider';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { useCheckedForm } from '../../../ui/form/useCheckedForm';
import { useTypedKept } from '../../../ui/form/useTypedKept';
import { Answered } from '../../../ui/states';
import { useKept } from '../../../ui/useKept';
import { useRested } from '../../../ui/useRested';
import { askSound } from '../../../workers/soundClient';
import { effectLines } from './effectLines';
import { FilterAtSeat } from './FilterAtSeat';
import { LevelChart } from './LevelChart';
import {
  askedOf,
  type FilterTyped,
  filterTypedSchema,
  partsOf,
  proposed,
  readCorner,
  readFilterSchema,
  toFilterTyped,
} from './typedFilter';

type FilterFormProps = {
  readonly openingId: string;
  readonly nominalSize: string;
  readonly filter: OpeningLineFilter | null;
  readonly load: ChannelLoad;
  /** What else its channel feeds. */
  readonly car: { readonly job: Job; readonly openings: readonly OpeningWithState[] };
  /** RMS of what feeds it, W; null where nobody says. */
  readonly watt: number | null;
  readonly onSave: (filter: OpeningLineFilter | null) => void;
  readonly onClose: () => void;
};

const ORDERS = { '1': '6 dB an octave: one part', '2': '12 dB an octave: two parts' } as const;
const draftSchema = z.object({ typed: filterTypedSchema });

export function FilterForm({ openingId, nominalSize, filter, load, car, watt, onSave, onClose }: FilterFormProps) {
  const usual = usualHighPass(load.kind, nominalSize, load.electrics.resonanceHz);
  const begin = () => ({ typed: toFilterTyped(filter, usual) });
  const { state, keep, settle, broughtBack } = useKept(`lineFilter.${openingId}`, draftSchema, begin);
  const form = useCheckedForm<FilterTyped, OpeningLineFilter>(readFilterSchema, state.typed, NOTHING_REFUSED);
  useTypedKept(form, (typed) => keep({ typed }));
  const { control, getValues, setError, setValue, clearErrors, watch } = form;
  const { nominalOhm } = load.electrics;
  const close = () => {
    settle(begin());
    onClose();
  };
  const propose = () => {
    clearErrors();
    const { asked, slips } = askedOf(getValues());
    for (const { path, message } of slips) setError(path, { message });
    if (!asked || nominalOhm === null) return;
    for (const [key, text] of Object.entries(proposed(asked, nominalOhm)))
      setValue(key as keyof FilterTyped, text, { shouldDirty: true });
  };
  const typed = watch();
  const parts = partsOf(typed);
  /** Moved by hand, the parts follow. */
  const slide = (name: 'highHz' | 'lowHz') => (hz: number) => {
    setValue(name, String(hz), { shouldDirty: true });
    propose();
  };
  return (
    <form
      aria-label={`Filter in the line of ${load.label}`}
      className="flex max-w-3xl flex-col gap-3 border-l-4 border-muted bg-paper p-3"
      noValidate
      onSubmit={form.handleSubmit((read) => {
        onSave(read);
        close();
      })}
    >
      <BroughtBack
        show={broughtBack}
        onDrop={() => {
          settle(begin());
          form.reset(begin().typed);
        }}
      />
      <fieldset className="flex min-w-0 flex-col gap-3">
        <legend className="pb-2 font-bold">What it is to do</legend>
        <div className="grid gap-3 sm:grid-cols-2">
          <FormText
            control={control}
            name="highHz"
            label="Passes from, Hz"
            inputMode="decimal"
            autoComplete="off"
            hint={`Usual for this one: ${usual.hz.toLocaleString('en')} Hz (common practice).`}
          />
          <FormChoice control={control} name="highOrder" label="Below that it falls by" options={ORDERS} />
          <FormText
            control={control}
            name="lowHz"
            label="Passes up to, Hz"
            inputMode="decimal"
            autoComplete="off"
            hint="Empty where it is to pass all above."
          />
          <FormChoice control={control} name="lowOrder" label="Above that it falls by" options={ORDERS} />
          <FormText
            control={control}
            name="padDb"
            label="Quieter by, dB"
            inputMode="decimal"
            autoComplete="off"
            hint="Empty for a filter alone."
          />
        </div>
        <Button className="self-start" onClick={propose} disabled={nominalOhm === null}>
          Propose parts that are sold
        </Button>
        {nominalOhm === null && (
          <p className="text-measure">
            Nobody says the ohms of this speaker: parts follow from them. Read its coil, or what is printed on its back.
          </p>
        )}
        {parts && <LevelChart parts={parts} load={load} />}
        {nominalOhm !== null && (
          <div className="flex flex-col">
            <CornerSlider label="Passes from" text={typed.highHz} onSlide={slide('highHz')} />
            <CornerSlider label="Passes up to" text={typed.lowHz} onSlide={slide('lowHz')} />
          </div>
        )}
        {parts && <FilterAtSeat parts={parts} label={load.label} {...car} />}
      </fieldset>
      <fieldset className="flex flex-col gap-3">
        <legend className="pb-2 font-bold">What it is made of, from the amplifier on</legend>
        <div className="grid gap-3 sm:grid-cols-2">
          <FormText control={control} name="highCapacitor" label="Capacitor in the line, µF" autoComplete="off" />
          <FormText control={control} name="highCoil" label="Coil behind it across the line, mH" autoComplete="off" />
          <FormText control={control} name="lowCoil" label="Coil in the line, mH" autoComplete="off" />
          <FormText
            control={control}
            name="lowCapacitor"
            label="Capacitor behind it across the line, µF"
            autoComplete="off"
          />
          <FormText control={control} name="padSeries" label="Resistor in the line, Ω" autoComplete="off" />
          <FormText control={control} name="padParallel" label="Resistor across the speaker, Ω" autoComplete="off" />
        </div>
        <FormText
          control={control}
          name="where"
          label="Where it lies, and what holds it"
          autoComplete="off"
          hint="Such as “behind the card, tied to the bar”. What hangs loose rattles and breaks."
        />
      </fieldset>
      {load.before.kind !== 'nothing' && (
        <p className="text-measure">
          {load.before.kind === 'notLooked'
            ? 'Nobody looked whether a capacitor sits in its own lead: one would stand behind these, and is not counted below.'
            : 'Its own lead has a filter or a capacitor, which stands behind these and is not counted below.'}
        </p>
      )}
      {parts && <Effect parts={parts} load={load} watt={watt} />}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" kind="main">
          Put it in the line
        </Button>
        {filter && (
          <Button
            onClick={() => {
              onSave(null);
              close();
            }}
          >
            Take it out
          </Button>
        )}
        <Button kind="quiet" onClick={close}>
          Leave it as it is
        </Button>
      </div>
    </form>
  );
}

type CornerSliderProps = {
  readonly label: string;
  readonly text: string;
  readonly onSlide: (hz: number) => void;
};

/** Where there is a frequency in its field; the parts follow it. */
function CornerSlider({ label, text, onSlide }: CornerSliderProps) {
  const hz = readCorner(text);
  if (hz === null) return null;
  return (
    <div className="grid max-w-[760px] items-center gap-x-4 sm:grid-cols-[170px_1fr]">
      <span className="font-semibold">
        {label} {hz.toLocaleString('en')} Hz
      </span>
      <FrequencySlider label={`${label}, by hand`} hz={hz} onChange={onSlide} />
    </div>
  );
}

const NOTHING_REFUSED: readonly [] = [];
/** What parts do is worked out when the hand rests, ms. */
const RESTED_MS = 200;

type EffectProps = { readonly parts: LineFilter; readonly load: ChannelLoad; readonly watt: number | null };

/** Worked out once somebody stops typing. */
function Effect({ parts, load, watt }: EffectProps) {
  const asked = useRested(JSON.stringify(parts), RESTED_MS);
  const effect = useQuery({
    queryKey: ['lineFilter', asked, load],
    queryFn: () => askSound((worker) => worker.filter(JSON.parse(asked) as LineFilter, load)),
    staleTime: Number.POSITIVE_INFINITY,
    networkMode: 'always',
    placeholderData: (before) => before,
  });
  return (
    <section aria-label="What it really does">
      <h4 className="font-semibold">What these parts really do before this speaker</h4>
      <Answered query={effect} what="what they do">
        {(found) =>
          found === null ? (
            <p className="text-measure">Nobody knows the ohms of this speaker: nothing can be said of it.</p>
          ) : (
            <ul className="list-disc pl-5">
              {effectLines(JSON.parse(asked) as LineFilter, found, load.electrics.nominalOhm, watt).map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          )
        }
      </Answered>
      <p className="text-[13px] text-muted">
        In brackets where 95 in 100 such speakers lie. A speaker is no resistor: by its nominal value alone a corner may
        lie an octave off. A coil’s own wire takes a little more.
      </p>
    </section>
  );
}
