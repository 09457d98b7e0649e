/** Readings with pieces in the hand, figure by figure. */
import { IN_HAND_FIGURES, IN_HAND_WORDS, type PartRecord, type SpeakerRecord } from '@low-quarry/core/catalogue';
import { readingHalfWidthsMm, type ShopSettings, SOURCES } from '@low-quarry/core/model';
import { useMemo } from 'react';
import type { z } from 'zod';
import { useMe } from '../../../api/me';
import { isoDay } from '../../../text/isoDay';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { PartForm } from '../PartForm';
import { usePartForm } from '../usePartForm';
import {
  HAND_SOURCES,
  type InHandRead,
  type InHandTyped,
  inHandTypedSchema,
  readInHandSchema,
  toInHandTyped,
} from './typedInHand';

const WITH = Object.fromEntries(HAND_SOURCES.map((id) => [id, SOURCES[id].label]));

const HOW =
  'Such as: plug at 270°: 45 to 62 off the axis, 24 wide, 18 to 26 deep, live. Angles from the right, anticlockwise, seen from the front; depths from the underside of the flange, in mm. Empty: not measured.';

type InHandFormProps = {
  readonly version: number;
  readonly record: SpeakerRecord;
  readonly shop: ShopSettings;
};

export function InHandForm({ version, record, shop }: InHandFormProps) {
  const { name: by } = useMe();
  const on = isoDay(new Date());
  const { inHand, terminalsInHand } = record;
  const readSchema = useMemo(
    () => readInHandSchema({ inHand, terminalsInHand, by, on, halfWidthsMm: readingHalfWidthsMm(shop) }),
    [inHand, terminalsInHand, by, on, shop],
  );
  const { control, frame } = usePartForm<InHandTyped, InHandRead>({
    ...{ version, record, name: 'inHand', readSchema, saved: 'What was measured is saved.' },
    typedSchema: inHandTypedSchema as z.ZodType<InHandTyped>,
    toTyped: (part: PartRecord) => toInHandTyped(part as SpeakerRecord),
  });
  return (
    <PartForm frame={frame} save="Save what was measured">
      <div className="grid gap-x-3 gap-y-1 sm:grid-cols-3">
        {IN_HAND_FIGURES.map((figure) => (
          <FormText
            key={figure}
            control={control}
            name={`figures.${figure}`}
            label={`${IN_HAND_WORDS[figure]}, mm`}
            inputMode="decimal"
            autoComplete="off"
          />
        ))}
        <FormChoice control={control} name="with" label="Read with" options={WITH} />
      </div>
      <p className="text-[13px] leading-4 text-muted">
        Several readings after one another, the next piece after a semicolon: 61.4 61.6; 61.9. Of an oval its longest
        measure. The screw circle across two holes that face each other; of three holes, from one to the next times
        1.155. Empty: not measured.
      </p>
      <FormText
        control={control}
        name="terminals"
        label="Terminals and plugs, where they sit"
        hint={HOW}
        autoComplete="off"
      />
    </PartForm>
  );
}
