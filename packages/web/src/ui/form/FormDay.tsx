/** A day as the shop writes days; what was read of it stands below. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { dayFigures, dayWords, isDay, readDay } from '../../text/day';
import { isoDay } from '../../text/isoDay';
import { TextField } from '../TextField';

type FormDayProps<Typed extends FieldValues, Read> = {
  readonly control: Control<Typed, unknown, Read>;
  /** Of a day as ISO 8601 writes it, of what is typed and cannot be read, or null. */
  readonly name: FieldPath<Typed>;
  readonly label: string;
  readonly hint?: string | undefined;
};

export function FormDay<Typed extends FieldValues, Read>({ control, name, label, hint }: FormDayProps<Typed, Read>) {
  const { data } = useQuery(shopSettingsQuery);
  const order = data?.dates ?? 'dayFirst';
  const { field, fieldState } = useController({ control, name });
  // What is being typed stays as it is until the field is left.
  const [typing, setTyping] = useState<string | null>(null);
  const today = isoDay(new Date());
  const value: string | null = field.value;
  const isRead = value !== null && isDay(value);
  const read = value === null || isRead ? null : readDay(value, order, today);
  const slip = read && !read.ok ? read.failure : undefined;
  const type = (text: string) => {
    setTyping(text);
    const day = readDay(text, order, today);
    field.onChange(day.ok ? day.value : text);
  };
  return (
    <TextField
      ref={field.ref}
      label={label}
      hint={isRead && value ? `${dayWords(value, order)}${hint ? `. ${hint}` : ''}` : hint}
      value={typing ?? (isRead && value ? dayFigures(value, order) : (value ?? ''))}
      error={typing === null || fieldState.error ? (slip ?? fieldState.error?.message) : undefined}
      autoComplete="off"
      onType={type}
      onBlur={() => {
        setTyping(null);
        field.onBlur();
      }}
    />
  );
}
