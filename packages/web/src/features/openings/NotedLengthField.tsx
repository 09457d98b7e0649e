/** A length that belongs to a place and not to a name: what was read, and with what. */
import { SOURCE_IDS, SOURCES } from '@low-quarry/core/model/source';
import { Choice } from '../../ui/Choice';
import { NumberField } from '../../ui/NumberField';
import { meanMm, type NotedLength, noted, withSource } from './surroundings';

type NotedLengthFieldProps = {
  readonly label: string;
  readonly hint: string;
  readonly length: NotedLength;
  readonly error: string | null;
  readonly onChange: (length: NotedLength) => void;
};

const MOST_MM = 400;

export function NotedLengthField({ label, hint, length, error, onChange }: NotedLengthFieldProps) {
  return (
    <>
      <NumberField
        label={label}
        hint={hint}
        kind="length"
        value={meanMm(length)}
        least={0}
        most={MOST_MM}
        error={error}
        onChange={(valueMm, typed) => onChange(noted(length, valueMm, typed))}
      />
      <Choice
        label={`${label}, taken with`}
        value={length.source}
        options={SOURCE_IDS.map((source) => [source, SOURCES[source].label])}
        onChange={(source) => onChange(withSource(length, source))}
      />
    </>
  );
}
