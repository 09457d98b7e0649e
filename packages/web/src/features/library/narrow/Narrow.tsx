/** Narrows a list of parts by figures and facts, and chooses its columns. */
import { NOMINAL_SIZES, RANGED, type Ranged, SPEAKER_KINDS, writeRanges } from '@low-quarry/core/catalogue';
import { fail } from '@low-quarry/core/result';
import type { LengthUnit } from '@low-quarry/core/units';
import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { useSettings } from '../../../ui/settings';
import { TextField } from '../../../ui/TextField';
import { Tick } from '../../../ui/Tick';
import { keepColumns, type Narrowed, narrows } from './narrowed';
import { endText, rangedLabel, rangedText, readEnd } from './rangeText';

type Change = (changes: Readonly<Record<string, string | null>>) => void;
type NarrowProps = {
  readonly narrowed: Narrowed;
  /** The shop's own. */
  readonly currency: string;
  /** Of the address; null takes a parameter out. */
  readonly onChange: Change;
};

const OPEN = [
  ['', 'Whatever is known'],
  ['lacking', 'Lacking figures'],
  ['doubted', 'A figure is doubted'],
] as const;
const SIZES = [['', 'Any size'], ...NOMINAL_SIZES.map((size) => [size, size] as const)] as const;
const KINDS = [['', 'Any kind of speaker'], ...SPEAKER_KINDS.map((kind) => [kind, kind] as const)] as const;
const NOTHING = { within: null, size: null, speakerKind: null, made: null, open: null };

export function Narrow({ narrowed, currency, onChange }: NarrowProps) {
  const { open, size, speakerKind, isMade, by, order } = narrowed;
  const { unit } = useSettings();
  // What is typed and cannot be read stays in its field: taken off, the fields begin anew.
  const [round, setRound] = useState(0);
  return (
    <details className="max-w-6xl">
      <summary className="flex min-h-12 cursor-pointer items-center gap-3 text-action underline">
        Narrow by figures, choose columns
      </summary>
      <div className="flex flex-col gap-4 border-l-4 border-hairline pl-3">
        <div className="grid gap-3 sm:grid-cols-3">
          <Choice
            label="Speaker’s size"
            value={size ?? ''}
            options={SIZES}
            onChange={(next) => onChange({ size: next || null })}
          />
          <Choice
            label="Kind of speaker"
            value={speakerKind ?? ''}
            options={KINDS}
            onChange={(next) => onChange({ speakerKind: next || null })}
          />
          <Choice
            label="Figures"
            value={open ?? ''}
            options={OPEN}
            onChange={(next) => onChange({ open: next || null })}
          />
        </div>
        <Choice
          label="In order of"
          value={by === null ? '' : `${by} ${order}`}
          options={ordersIn(unit, currency)}
          onChange={(next) => {
            const [ranged = '', way] = next.split(' ');
            onChange({ by: ranged || null, order: way === 'down' ? 'down' : null });
          }}
        />
        <Tick
          label="Only what is still made"
          isOn={isMade}
          onChange={(isOn) => onChange({ made: isOn ? 'still' : null })}
        />
        <Ranges key={round} narrowed={narrowed} currency={currency} onChange={onChange} />
        {narrows(narrowed) && (
          <Button
            className="self-start"
            onClick={() => {
              setRound((before) => before + 1);
              onChange(NOTHING);
            }}
          >
            Take these off
          </Button>
        )}
      </div>
    </details>
  );
}

/** What narrows a list, in a line; empty where nothing does. */
export function narrowWords({ open, ranges, size, speakerKind, isMade }: Narrowed, unit: LengthUnit, currency: string) {
  const figures = RANGED.flatMap((ranged) => {
    const { least = null, most = null } = ranges[ranged] ?? {};
    if (least === null && most === null) return [];
    const from = least === null ? '' : ` from ${rangedText(ranged, least, unit)}`;
    const to = most === null ? '' : ` to ${rangedText(ranged, most, unit)}`;
    return [`${rangedLabel(ranged, unit, currency).toLowerCase()}${from}${to}`];
  });
  const known = OPEN.find(([value]) => value === open);
  return [size, speakerKind, ...figures, known?.[1].toLowerCase(), isMade && 'still made'].filter(Boolean).join('; ');
}

/** By name, and by each figure from its least and from its most. */
function ordersIn(unit: LengthUnit, currency: string): readonly (readonly [string, string])[] {
  return [
    ['', 'Name'],
    ...RANGED.flatMap((ranged) => {
      const label = rangedLabel(ranged, unit, currency);
      return [[`${ranged} up`, `${label}: least first`] as const, [`${ranged} down`, `${label}: most first`] as const];
    }),
  ];
}

/** A line for each figure: whether it is a column, and from where to where it may lie. */
function Ranges({ narrowed: { ranges, columns }, currency, onChange }: NarrowProps) {
  const { unit } = useSettings();
  return (
    <ul aria-label="Figures" className="gap-x-6 border-t border-ink lg:grid lg:grid-cols-2">
      {RANGED.map((ranged) => {
        const range = ranges[ranged] ?? { least: null, most: null };
        const label = rangedLabel(ranged, unit, currency);
        const set = (end: 'least' | 'most', value: number | null) =>
          onChange({ within: writeRanges({ ...ranges, [ranged]: { ...range, [end]: value } }) || null });
        return (
          <li
            key={ranged}
            className="grid grid-cols-2 items-end gap-x-3 border-b border-hairline py-1 sm:grid-cols-[1fr_8rem_8rem]"
          >
            <div className="col-span-2 sm:col-span-1">
              <Tick
                label={`${label}: a column`}
                isOn={columns.includes(ranged)}
                onChange={(isOn) =>
                  onChange({
                    columns: keepColumns(RANGED.filter((each) => (each === ranged ? isOn : columns.includes(each)))),
                  })
                }
              />
            </div>
            <End
              {...{ ranged, unit }}
              label={`${label}, from`}
              end={range.least}
              most={range.most}
              onEnd={(end) => set('least', end)}
            />
            <End
              {...{ ranged, unit }}
              label={`${label}, to`}
              end={range.most}
              least={range.least}
              onEnd={(end) => set('most', end)}
            />
          </li>
        );
      })}
    </ul>
  );
}

type EndProps = {
  readonly ranged: Ranged;
  readonly unit: LengthUnit;
  readonly label: string;
  readonly end: number | null;
  /** The other end. */
  readonly least?: number | null;
  readonly most?: number | null;
  readonly onEnd: (end: number | null) => void;
};

function End({ ranged, unit, label, end, least = null, most = null, onEnd }: EndProps) {
  const readHere = (text: string): ReturnType<typeof readEnd> => {
    const now = readEnd(ranged, text, unit);
    if (!now.ok || now.value === null) return now;
    const isBackwards = (least !== null && now.value < least) || (most !== null && now.value > most);
    return isBackwards ? fail('It would end before it begins.') : now;
  };
  const [typed, setTyped] = useState<string | null>(null);
  const read = typed === null ? null : readHere(typed);
  return (
    <TextField
      label={label.endsWith('from') ? 'From' : 'To'}
      aria-label={label}
      value={typed ?? endText(ranged, end, unit)}
      error={read && !read.ok ? read.failure : null}
      inputMode="decimal"
      autoComplete="off"
      onType={(text) => {
        setTyped(text);
        const now = readHere(text);
        if (now.ok) onEnd(now.value);
      }}
      onBlur={() => setTyped((last) => (read && !read.ok ? last : null))}
    />
  );
}
