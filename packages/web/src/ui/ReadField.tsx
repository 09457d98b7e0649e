/**
 * A line that is read as it is typed: what cannot be read stays in the field and in the draft, with its message, and what was read last
 * stays underneath.
 */
import type { Result } from '@low-quarry/core/result';
import { useState } from 'react';
import { TextField } from './TextField';
import { useUnreadText } from './unreadNumbers';

export function ReadField<Value>({
  label,
  hint,
  text,
  read,
  onRead,
}: {
  readonly label: string;
  readonly hint: string;
  /** As what is underneath was typed. */
  readonly text: string;
  readonly read: (typed: string) => Result<Value, string>;
  readonly onRead: (value: Value, typed: string) => void;
}) {
  const unread = useUnreadText(label);
  /** While it is typed; afterwards it is what was read, or what the draft holds as not read. */
  const [typing, setTyping] = useState<string | null>(null);
  const typed = typing ?? unread.text;
  const result = typed === null ? null : read(typed);
  return (
    <TextField
      data-number
      label={label}
      hint={hint}
      value={typed ?? text}
      error={result && !result.ok ? result.failure : null}
      autoComplete="off"
      onType={(next) => {
        setTyping(next);
        const now = read(next);
        if (now.ok) onRead(now.value, next);
        unread.note(now.ok ? null : next);
      }}
      onBlur={() => setTyping((last) => (last !== null && result && !result.ok && !unread.isKept ? last : null))}
    />
  );
}
