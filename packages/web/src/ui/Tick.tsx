/** One thing that is so, or is not. */
export function Tick({
  label,
  isOn,
  onChange,
}: {
  readonly label: string;
  readonly isOn: boolean;
  readonly onChange: (isOn: boolean) => void;
}) {
  return (
    <label className="flex min-h-12 items-center gap-3">
      <input
        type="checkbox"
        className="size-6 shrink-0 accent-action"
        checked={isOn}
        onChange={({ target }) => onChange(target.checked)}
      />
      <span>{label}</span>
    </label>
  );
}
