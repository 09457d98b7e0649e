/** What a new tweeter sits in, what holds it, and how near its front comes to what is before it. */
import { TWEETER_HOLDS, TWEETER_SEATS, type TweeterSeat, undoneWords } from '@low-quarry/core/model';
import { z } from 'zod';
import { BroughtBack } from '../../../ui/BroughtBack';
import { Button } from '../../../ui/Button';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { useCheckedForm } from '../../../ui/form/useCheckedForm';
import { useTypedKept } from '../../../ui/form/useTypedKept';
import { useSettings } from '../../../ui/settings';
import { useKept } from '../../../ui/useKept';
import { readSeatSchema, type SeatTyped, seatTypedSchema, toSeatTyped } from './typedSeat';

type SeatFormProps = {
  readonly openingId: string;
  /** Where it is. */
  readonly label: string;
  readonly seat: TweeterSeat | null;
  readonly onSave: (seat: TweeterSeat | null) => void;
  readonly onClose: () => void;
};

const draftSchema = z.object({ typed: seatTypedSchema });
const NOTHING_REFUSED: readonly [] = [];
const SEATS = labelsOf(TWEETER_SEATS);
const HOLDS = labelsOf(TWEETER_HOLDS);

export function SeatForm({ openingId, label, seat, onSave, onClose }: SeatFormProps) {
  const { unit } = useSettings();
  const begin = () => ({ typed: toSeatTyped(seat, unit) });
  const { state, keep, settle, broughtBack } = useKept(`tweeterSeat.${openingId}`, draftSchema, begin);
  const form = useCheckedForm<SeatTyped, TweeterSeat>(readSeatSchema(unit), state.typed, NOTHING_REFUSED);
  useTypedKept(form, (typed) => keep({ typed }));
  const { control, watch } = form;
  const { seat: kind, heldBy } = watch();
  const close = () => {
    settle(begin());
    onClose();
  };
  return (
    <form
      aria-label={`Seat of the tweeter, ${label}`}
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
      <div className="grid gap-3 sm:grid-cols-2">
        <FormChoice control={control} name="seat" label="It sits in" options={SEATS} none="not decided" />
        <FormChoice control={control} name="heldBy" label="Held by" options={HOLDS} none="not decided" />
        <FormText
          control={control}
          name="clothGap"
          label={`From its front to the cloth or grille, ${unit}`}
          inputMode="decimal"
          autoComplete="off"
          hint="Tried in place, with modelling clay between the two. Empty where nobody tried."
        />
        {heldBy && TWEETER_HOLDS[heldBy].softens && (
          <FormText
            control={control}
            name="lookAgain"
            label="Looked at again"
            autoComplete="off"
            hint="It softens in heat. Such as “in a month, by us”."
          />
        )}
      </div>
      {kind && heldBy && <p>Taken out again: {undoneWords({ seat: kind, heldBy })}</p>}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" kind="main">
          Seat it so
        </Button>
        {seat && (
          <Button
            onClick={() => {
              onSave(null);
              close();
            }}
          >
            Not decided after all
          </Button>
        )}
        <Button kind="quiet" onClick={close}>
          Leave it as it is
        </Button>
      </div>
    </form>
  );
}

function labelsOf<Key extends string>(
  table: Readonly<Record<Key, { readonly label: string }>>,
): Readonly<Record<Key, string>> {
  const entries = Object.entries<{ readonly label: string }>(table).map(([key, { label }]) => [key, label]);
  return Object.fromEntries(entries) as Record<Key, string>;
}
