/** One thing that is so, or is not. */
export function Tick({
  label,
  isOn,
  isLocked = false,
  onChange,
}: {
  readonly label: string;
  readonly isOn: boolean;
  readonly isLocked?: boolean;
  readonly onChange: (isOn: boolean) => void;
}) {
  return (
    <label className="flex min-h-12 items-center gap-3">
      <input
        type="checkbox"
        className="size-6 shrink-0 accent-action"
        checked={isOn}
        disabled={isLocked}
        onChange={({ target }) => onChange(target.checked)}
      />
      <span className={isLocked ? 'text-muted' : undefined}>{label}</span>
    </label>
  );
}
