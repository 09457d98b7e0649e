/** How a doubt about a figure was settled: by what it really is, and what was seen. */
import {
  FIGURE_WORDS,
  type FigureDoubt,
  SETTLED_BY,
  SETTLED_WORDS,
  type SpeakerRecord,
  settledAs,
  speakerSchema,
} from '@low-quarry/core/catalogue';
import { useState } from 'react';
import { z } from 'zod';
import { useMe } from '../../api/me';
import { isoDay } from '../../text/isoDay';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { problemSentence } from '../../ui/problemFields';
import { TextField } from '../../ui/TextField';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { type Rec, useCorrection } from './useCorrection';

const typedSchema = z.object({ value: z.string(), how: z.enum(SETTLED_BY), words: z.string() });
type Typed = z.infer<typeof typedSchema>;

const HOW = SETTLED_BY.map((how) => [how, SETTLED_WORDS[how]] as const);
const SHORTEST = 8;

type SettleFormProps = {
  readonly version: number;
  readonly record: SpeakerRecord;
  readonly doubt: FigureDoubt;
};

export function SettleForm({ version, record, doubt }: SettleFormProps) {
  const { label, unit } = FIGURE_WORDS[doubt.figure];
  const me = useMe();
  const { state, keep, settle, broughtBack } = useKept<Typed>(
    `settle.${record.id}.${doubt.figure}`,
    typedSchema,
    () => ({
      ...{ value: '', how: 'measured', words: '' },
    }),
  );
  const [errors, setErrors] = useState<Partial<Record<'value' | 'words', string>>>({});
  const forget = () => settle({ value: '', how: 'measured', words: '' });
  const { correct, conflict, panel, send, drop } = useCorrection(record.id, () => {
    forget();
    toast(`${label} is settled.`, { canUndo: true });
  });
  const submit = () => {
    const value = readValue(state.value);
    const found = {
      ...(value === null && {
        value: `“${state.value}” was read. What it really is, such as ${doubt.proposes ?? doubt.value}, would do.`,
      }),
      ...(state.words.trim().length < SHORTEST && { words: `Type at least ${SHORTEST} characters.` }),
    };
    setErrors(found);
    if (value === null || Object.keys(found).length > 0) return;
    const on = isoDay(new Date());
    const next = settledAs(record, doubt, value, { how: state.how, words: state.words.trim(), by: me.name, on });
    const read = speakerSchema.safeParse(next);
    if (!read.success) {
      setErrors({ value: read.error.issues[0]?.message ?? 'It is no value of such a speaker.' });
      return;
    }
    send(version, record as unknown as Rec, read.data as unknown as Rec);
  };
  return (
    <form
      noValidate
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <BroughtBack show={broughtBack} onDrop={forget} />
      <div className="grid gap-3 sm:grid-cols-[1fr_2fr_2fr]">
        <TextField
          label={`It really is, ${unit}`}
          hint={`Listed: ${doubt.value}`}
          inputMode="decimal"
          autoComplete="off"
          value={state.value}
          error={errors.value}
          onType={(value) => keep({ ...state, value })}
        />
        <Choice label="How that is known" value={state.how} options={HOW} onChange={(how) => keep({ ...state, how })} />
        <TextField
          label="What was seen"
          hint="So that somebody else can look at it again."
          autoComplete="off"
          value={state.words}
          error={errors.words}
          onType={(words) => keep({ ...state, words })}
        />
      </div>
      <FormError>{conflict ? null : problemSentence(correct.error)}</FormError>
      {conflict && panel && <ConflictPanel what="this part" {...panel} onTakeTheirs={drop} />}
      <Button kind="main" type="submit" className="self-start" disabled={correct.isPending}>
        Settle the {label.toLowerCase()}
      </Button>
    </form>
  );
}

/** @returns null where it is no number above nothing */
function readValue(text: string): number | null {
  const number = /^\s*\d+(?:[.,]\d+)?\s*$/.test(text) ? Number(text.replace(',', '.')) : Number.NaN;
  return number > 0 ? number : null;
}
