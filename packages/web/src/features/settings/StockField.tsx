/** The sheet that rings are cut from: a row a thickness. */
import type { ShopSettings } from '@low-quarry/core/model';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';
import { fromText, toText } from './settingText';

type Sheet = ShopSettings['stock'][number];
const COLUMNS = [
  ['thicknessMm', 'Thickness, mm', { kind: 'mm', least: 0.5, most: 60 }],
  ['halfWidthMm', 'May be off by, mm', { kind: 'mm', least: 0, most: 5 }],
  ['ringCostMinor', 'A ring costs', { kind: 'money' }],
] as const;
const NEW_SHEET: Sheet = { thicknessMm: 10, halfWidthMm: 0.3, ringCostMinor: 1500 };
const MOST_SHEETS = 30;

export function StockField({
  stock,
  hint,
  currency,
  onChange,
}: {
  readonly stock: ShopSettings['stock'];
  readonly hint: string;
  readonly currency: string;
  readonly onChange: (stock: ShopSettings['stock']) => void;
}) {
  const replace = (index: number, change: Partial<Sheet>) =>
    onChange(stock.map((sheet, at) => (at === index ? { ...sheet, ...change } : sheet)));
  return (
    <div className="col-span-full flex flex-col gap-2">
      <p className="text-[13px] leading-4 text-muted">{hint}</p>
      <ul className="flex flex-col gap-2">
        {stock.map((sheet, index) => (
          // Rows have no identity of their own, and a row is not moved.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          <li key={index} className="grid grid-cols-2 items-start gap-3 border-b border-hairline sm:grid-cols-4">
            {COLUMNS.map(([key, label, input]) => (
              <Cell
                key={key}
                label={key === 'ringCostMinor' ? `${label}, ${currency}` : label}
                value={toText(sheet[key], input)}
                read={(text) => fromText(text, input)}
                onChange={(value) => replace(index, { [key]: value })}
              />
            ))}
            <Button kind="quiet" className="mt-6" onClick={() => onChange(stock.filter((_, at) => at !== index))}>
              Take {sheet.thicknessMm} mm out
            </Button>
          </li>
        ))}
      </ul>
      <Button
        className="self-start"
        disabled={stock.length >= MOST_SHEETS}
        onClick={() => onChange([...stock, NEW_SHEET])}
      >
        Add a thickness
      </Button>
    </div>
  );
}

function Cell({
  label,
  value,
  read,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly read: (text: string) => ReturnType<typeof fromText>;
  readonly onChange: (value: number) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const typed = text === null ? null : read(text);
  return (
    <TextField
      label={label}
      value={text ?? value}
      error={typed && !typed.ok ? typed.failure : null}
      autoComplete="off"
      onType={(next) => {
        setText(next);
        const result = read(next);
        if (result.ok) onChange(result.value as number);
      }}
    />
  );
}
