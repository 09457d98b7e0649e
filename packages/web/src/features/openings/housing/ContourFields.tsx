/** The contour of a panel: typed place by place, as it was traced, or read from a drawing. */
import type { Housing } from '@low-quarry/core/housing';
import { useState } from 'react';
import { Field, INPUT } from '../../../ui/Field';
import { NumberField } from '../../../ui/NumberField';
import { cutFault, cutFiles } from '../../fit/cutFiles';
import { PlacesText } from '../PlacesText';
import { cornersOf } from '../surroundings';

type Contour = Extract<Housing['base'], { kind: 'contour' }>;
const LIMITS = { least: 3, most: 400, farthestMm: 600 };
/** Nobody draws a panel in a larger file. */
const MOST_BYTES = 5_000_000;

type ContourFieldsProps = {
  readonly base: Contour;
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (base: Contour) => void;
};

export function ContourFields({ base, errorAt, onChange }: ContourFieldsProps) {
  /** Sentences about what was read, and whether it could be. */
  const [said, setSaid] = useState<{ readonly words: string; readonly isRead: boolean } | null>(null);
  /** A new text area for a new contour: what was half typed was of the one before. */
  const [reading, setReading] = useState(0);
  const pick = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_BYTES) {
      setSaid({ words: 'This file is larger than 5 MB: save the contour alone.', isRead: false });
      return;
    }
    try {
      const { contourFromDxf } = await cutFiles();
      const found = contourFromDxf(await file.text());
      if (!found.ok) {
        setSaid({ words: found.failure, isRead: false });
        return;
      }
      setSaid({ words: found.value.said.join(' '), isRead: true });
      setReading((before) => before + 1);
      onChange({ ...base, corners: found.value.corners.map((corner) => ({ ...corner })) });
    } catch (error) {
      setSaid({ words: cutFault(error), isRead: false });
    }
  };
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <PlacesText
        key={reading}
        label="Corners of the contour"
        hint="One a line, in their order around the panel: to the right; upwards. A third length is how far the edge that follows bulges outwards."
        places={base.corners}
        columns={3}
        limits={LIMITS}
        onChange={(places) => onChange({ ...base, corners: cornersOf(places) })}
      />
      <div className="flex flex-col gap-3">
        <Field
          label="Or from a drawing, DXF"
          hint="Its largest closed line; the middle of it becomes 0; 0."
          error={said && !said.isRead ? said.words : null}
        >
          {(ids) => (
            <input
              {...ids}
              type="file"
              accept=".dxf"
              onChange={({ target }) => void pick(target.files?.[0])}
              className={`${INPUT} py-2`}
            />
          )}
        </Field>
        <p role="status" className="text-[13px] leading-4">
          {said?.isRead ? `Read: ${said.words}` : ''}
        </p>
        <NumberField
          label="Base stays inside it by"
          kind="length"
          least={0}
          most={100}
          value={base.insetMm}
          error={errorAt('record.housing.base.insetMm')}
          onChange={(insetMm) => onChange({ ...base, insetMm })}
        />
      </div>
    </div>
  );
}
