/** What is left of a list when words are typed: what has every word somewhere, in the list's own order. */
export type Option<Value extends string = string> = { readonly value: Value; readonly label: string };

/** What a field with such a list is given. */
export type ComboProps<Value extends string> = {
  /** Of none of the options: nothing is chosen yet. */
  readonly value: string;
  readonly options: readonly Option<Value>[];
  readonly placeholder?: string;
  /** The options are what was found for what was typed: they are shown as they are. */
  readonly isFound?: boolean;
  /** Of the value, where it is none of the options just now. */
  readonly chosenLabel?: string | undefined;
  /** Where there is no option to show. */
  readonly nothingWords?: string;
  readonly onTyped?: (text: string) => void;
  readonly onChange: (value: Value) => void;
};

export function narrowed<Value extends string>(
  options: readonly Option<Value>[],
  typed: string,
): readonly Option<Value>[] {
  const words = plain(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return options;
  return options.filter(({ label }) => {
    const text = plain(label);
    return words.every((word) => text.includes(word));
  });
}

/** As it is typed on any keyboard: without accents, with x for ×. */
function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').replaceAll('×', 'x').toLowerCase();
}
