/** One dimension: what was read, with what, and what it comes to in both units with its uncertainty. */
import type { OpeningDimensionKey } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import {
  countedFromMetal,
  FACES,
  type Face,
  INWARDS,
  isReadFromFace,
  OPENING_DIMENSIONS,
  OUTWARDS,
  readingHalfWidthsMm,
  type ShopSettings,
  SOURCE_IDS,
  SOURCES,
  type SourceId,
  toDimension,
} from '@low-quarry/core/model';
import { named, toMargin } from '@low-quarry/core/uncertainty';
import { printLength, printPlusMinus } from '@low-quarry/core/units';
import type { KeyboardEvent } from 'react';
import { FACE_WORDS } from '../../text/words';
import { Field, INPUT } from '../../ui/Field';
import { OriginMark } from '../../ui/OriginMark';
import type { FieldDraft } from './openingDraft';

type MeasureFieldProps = {
  readonly name: OpeningDimensionKey;
  readonly field: FieldDraft;
  readonly shop: ShopSettings;
  /** What stands in front of the metal and may be read from. */
  readonly faces: OpeningRecord['faces'];
  /** Who took the stored figure and when, in words. */
  readonly taken: string | null;
  /** What the server said of this field. */
  readonly error: string | null;
  readonly onType: (text: string) => void;
  readonly onSource: (source: SourceId) => void;
  readonly onFace: (face: Face) => void;
  readonly onFocus: () => void;
};

export function MeasureField({
  name,
  field,
  shop,
  faces,
  taken,
  error,
  onType,
  onSource,
  onFace,
  onFocus,
}: MeasureFieldProps) {
  const { label, hint } = OPENING_DIMENSIONS[name];
  const hasFigure = field.text !== '';
  const mayBeFromFace =
    isReadFromFace(name) && hasFigure && (field.from !== 'metal' || Object.values(faces).some((face) => face));
  const message = (field.touched ? field.error : null) ?? error;
  return (
    <div className="grid grid-cols-[1fr_132px] items-start gap-x-2 border-b border-hairline py-2" data-dimension={name}>
      <Field
        label={
          <span className="flex items-center gap-2">
            {label}
            {field.readingsMm.length > 0 && (
              <OriginMark
                origin={SOURCES[field.source].origin}
                detail={taken ?? SOURCES[field.source].label.toLowerCase()}
              />
            )}
          </span>
        }
        hint={echo(name, field, faces, shop) ?? hint}
        error={message}
      >
        {(ids) => (
          <input
            {...ids}
            value={field.text}
            inputMode="text"
            autoComplete="off"
            enterKeyHint="next"
            placeholder="not taken"
            onChange={({ target }) => onType(target.value)}
            onFocus={({ currentTarget }) => {
              onFocus();
              // The browser counts a field under the bar at the bottom as seen; with the field's margins it is not.
              currentTarget.scrollIntoView({ block: 'nearest' });
            }}
            onKeyDown={goOnAtEnter}
            className={`${INPUT} text-[17px]`}
          />
        )}
      </Field>
      <label className="flex flex-col gap-1">
        <span className="font-semibold">
          <span aria-hidden="true">with</span>
          <span className="sr-only">{label}, taken with</span>
        </span>
        <select
          value={field.source}
          onChange={({ target }) => onSource(target.value as SourceId)}
          onFocus={onFocus}
          className={`${INPUT} px-1`}
        >
          {SOURCE_IDS.map((source) => (
            <option key={source} value={source}>
              {SOURCES[source].label}
            </option>
          ))}
        </select>
      </label>
      {mayBeFromFace && (
        <label className="col-span-2 flex items-center gap-2">
          <span className="whitespace-nowrap">
            <span aria-hidden="true">read from</span>
            <span className="sr-only">{label}, read from</span>
          </span>
          <select
            value={field.from}
            onChange={({ target }) => onFace(target.value as Face)}
            onFocus={onFocus}
            className={`${INPUT} px-1`}
          >
            {FACES.map((face) => (
              <option key={face} value={face}>
                {FACE_WORDS[face]}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}

/** Both units and the interval, so that a slip of unit or comma is seen at once. */
function echo(
  name: OpeningDimensionKey,
  { readingsMm, source, from }: FieldDraft,
  faces: OpeningRecord['faces'],
  shop: ShopSettings,
): string | null {
  if (readingsMm.length === 0) return null;
  const dimension = countedFromMetal(
    { readingsMm, source, from },
    faces,
    name === 'frontGap' ? OUTWARDS : INWARDS,
    (each) => toDimension(each, readingHalfWidthsMm(shop)),
  );
  const { valueMm, expandedMm } = toMargin(named('reading', dimension), shop.confidence);
  const plusMinus = printPlusMinus(expandedMm, 'mm');
  const mean = readingsMm.length > 1 ? `mean of ${readingsMm.length}: ` : '';
  const metal = from === 'metal' ? '' : 'from the metal: ';
  return `${mean}${metal}${printLength(valueMm, 'mm')} ± ${plusMinus} = ${printLength(valueMm, 'in')}`;
}

/** Enter goes to the next reading, and from the last one to the button that saves. */
function goOnAtEnter(event: KeyboardEvent<HTMLInputElement>) {
  if (event.key !== 'Enter') return;
  event.preventDefault();
  const fields = [...document.querySelectorAll<HTMLElement>('[data-dimension] input, [data-save]')];
  fields[fields.indexOf(event.currentTarget) + 1]?.focus();
}
