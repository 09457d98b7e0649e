/** Where what must stay free is: each looked for, one after the other. What is left out nobody looked for. */
import {
  FREE_KINDS,
  type FreeKind,
  type FreeThere,
  type Housing,
  STAYS_FREE,
  type StaysFree,
} from '@low-quarry/core/housing';
import { Choice } from '../../../ui/Choice';
import { NumberField } from '../../../ui/NumberField';
import { TextField } from '../../../ui/TextField';
import { FieldsAt } from '../../../ui/unreadNumbers';

type FreeFieldsProps = {
  readonly free: Housing['free'];
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (free: Housing['free']) => void;
};

const FIRST: FreeThere = { kind: 'there', xMm: 0, yMm: 0, widthMm: 60, heightMm: 60, fromMm: 0 };

export function FreeFields({ free, errorAt, onChange }: FreeFieldsProps) {
  const change = (kind: FreeKind, said: StaysFree | null) => {
    const { [kind]: _, ...others } = free;
    onChange(said === null ? others : { ...others, [kind]: said });
  };
  return (
    <section aria-label="What must stay free" className="flex flex-col gap-3">
      <h3 className="font-semibold">What must stay free</h3>
      <p className="text-[13px] leading-4 text-muted">
        With the seat where it is used, and whoever uses it. What nobody looked for counts as not known.
      </p>
      {FREE_KINDS.map((kind) => (
        <FieldsAt key={kind} place={`free ${kind}`}>
          <One kind={kind} said={free[kind] ?? null} errorAt={errorAt} onChange={(said) => change(kind, said)} />
        </FieldsAt>
      ))}
    </section>
  );
}

type OneProps = {
  readonly kind: FreeKind;
  readonly said: StaysFree | null;
  readonly errorAt: FreeFieldsProps['errorAt'];
  readonly onChange: (said: StaysFree | null) => void;
};

function One({ kind, said, errorAt, onChange }: OneProps) {
  const { label, canBeGivenUp, defers } = STAYS_FREE[kind];
  const to: Readonly<Record<string, () => StaysFree | null>> = {
    notLooked: () => null,
    none: () => ({ kind: 'none' }),
    there: () => (said?.kind === 'there' ? said : FIRST),
    givenUp: () => ({ kind: 'givenUp', by: '' }),
  };
  return (
    <fieldset className="grid gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-3">
      <legend className="sr-only">{label}</legend>
      <Choice
        label={label}
        {...(defers ? { hint: defers } : {})}
        value={said?.kind ?? 'notLooked'}
        options={[
          ['notLooked', 'Nobody looked'],
          ['none', 'Looked: none here'],
          ['there', 'It is there'],
          ...(canBeGivenUp ? [['givenUp', 'Given up'] as const] : []),
        ]}
        onChange={(value) => onChange(to[value]?.() ?? null)}
      />
      {said?.kind === 'givenUp' && (
        <TextField
          label="Given up by"
          maxLength={60}
          value={said.by}
          error={errorAt(`record.housing.free.${kind}.by`)}
          onType={(by) => onChange({ kind: 'givenUp', by })}
        />
      )}
      {said?.kind === 'there' &&
        WHERE.map(([key, words, least, most]) => (
          <NumberField
            key={key}
            label={words}
            kind="length"
            {...{ least, most }}
            value={said[key]}
            error={errorAt(`record.housing.free.${kind}.${key}`)}
            onChange={(value) => onChange({ ...said, [key]: value })}
          />
        ))}
    </fieldset>
  );
}

const WHERE: readonly (readonly [keyof Omit<FreeThere, 'kind'>, string, number, number])[] = [
  ['xMm', 'Its middle, to the right', -600, 600],
  ['yMm', 'Its middle, upwards', -600, 600],
  ['widthMm', 'Wide', 1, 1200],
  ['heightMm', 'High', 1, 1200],
  ['fromMm', 'Begins in front of the panel at', 0, 1000],
];
