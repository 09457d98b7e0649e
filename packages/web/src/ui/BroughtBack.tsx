/** Says that a draft was found on the device, and lets go of it when that is wanted. */
export function BroughtBack({ show, onDrop }: { readonly show: boolean; readonly onDrop: () => void }) {
  return (
    <div role="status" className="empty:hidden">
      {show && (
        <p className="border-l-4 border-action bg-paper px-3 py-2">
          What was typed on this device and not saved is back.{' '}
          <button type="button" className="text-action underline" onClick={onDrop}>
            Drop it
          </button>
        </p>
      )}
    </div>
  );
}
