/** The field and the list of `ComboField`. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { useCombobox } from 'downshift';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { type FieldIds, INPUT, labelIdOf } from './Field';
import { type ComboProps, narrowed, type Option } from './narrowed';

const ROW_PX = 48;
const HIGHEST_PX = 336;

export function Combo<Value extends string>({
  ids: { id, ...told },
  label,
  value,
  options,
  placeholder = 'Choose, or type a word',
  isFound = false,
  chosenLabel,
  nothingWords,
  onTyped,
  onChange,
}: ComboProps<Value> & { readonly ids: FieldIds; readonly label: string }) {
  /** Null while nothing was typed since the list was opened: then all are listed. */
  const [typed, setTyped] = useState<string | null>(null);
  const found = useMemo(() => (isFound ? options : narrowed(options, typed ?? '')), [isFound, options, typed]);
  const chosen = options.find((option) => option.value === value) ?? null;
  const list = useRef<HTMLUListElement>(null);
  const rows = useVirtualizer({
    count: found.length,
    getScrollElement: () => list.current,
    estimateSize: () => ROW_PX,
    overscan: 4,
  });
  const { isOpen, highlightedIndex, getInputProps, getMenuProps, getItemProps, getToggleButtonProps } = useCombobox<
    Option<Value>
  >({
    inputId: id,
    labelId: labelIdOf(id),
    items: [...found],
    itemToString: (option) => option?.label ?? '',
    itemToKey: (option) => option?.value,
    selectedItem: chosen,
    inputValue: typed ?? chosenLabel ?? chosen?.label ?? '',
    defaultHighlightedIndex: 0,
    scrollIntoView: () => {},
    onInputValueChange: ({ type, inputValue }) => {
      if (type !== useCombobox.stateChangeTypes.InputChange) return;
      setTyped(inputValue);
      onTyped?.(inputValue);
    },
    onIsOpenChange: ({ isOpen: opened }) => {
      if (opened) return;
      setTyped(null);
      onTyped?.('');
    },
    onHighlightedIndexChange: ({ highlightedIndex: at, type }) => {
      if (at >= 0 && type !== useCombobox.stateChangeTypes.ItemMouseMove) rows.scrollToIndex(at);
    },
    onSelectedItemChange: ({ selectedItem }) => {
      if (selectedItem) onChange(selectedItem.value);
    },
    // Whoever goes on to the next field has picked nothing.
    stateReducer: (state, { type, changes }) =>
      type === useCombobox.stateChangeTypes.InputBlur ? { ...changes, selectedItem: state.selectedItem } : changes,
  });
  return (
    <div className="relative">
      <input
        {...getInputProps({ ...told, onFocus: ({ currentTarget }) => currentTarget.select() })}
        placeholder={placeholder}
        autoComplete="off"
        className={`${INPUT} pr-12 text-ellipsis`}
      />
      <button
        {...getToggleButtonProps({ type: 'button', 'aria-label': `${label}: show the list` })}
        className="absolute top-0 right-0 flex min-h-12 min-w-12 items-center justify-center text-action"
      >
        {isOpen ? <ChevronUp aria-hidden /> : <ChevronDown aria-hidden />}
      </button>
      <ul
        {...getMenuProps({ ref: list })}
        style={{ maxHeight: HIGHEST_PX }}
        className={isOpen ? 'absolute z-20 w-full overflow-y-auto border-2 border-ink bg-paper' : 'hidden'}
      >
        {isOpen && found.length > 0 && <li aria-hidden="true" style={{ height: rows.getTotalSize() }} />}
        {isOpen &&
          rows.getVirtualItems().map(({ index, start }) => {
            const item = found[index] as Option<Value>;
            return (
              <li
                key={item.value}
                {...getItemProps({ item, index })}
                aria-setsize={found.length}
                aria-posinset={index + 1}
                style={{ height: ROW_PX, transform: `translateY(${start}px)` }}
                className={`absolute inset-x-0 top-0 flex cursor-pointer items-center overflow-hidden px-3 leading-5 ${
                  highlightedIndex === index ? 'bg-action text-on-action' : ''
                } ${item.value === value ? 'font-semibold' : ''}`}
              >
                {item.label}
              </li>
            );
          })}
        {isOpen && found.length === 0 && (
          <li className="px-3 py-3 text-muted">
            {nothingWords ?? `None has “${typed}” in its name; another word may.`}
          </li>
        )}
      </ul>
    </div>
  );
}
