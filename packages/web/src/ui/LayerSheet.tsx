/** The sheet of `Layer`. */
import { Dialog } from 'radix-ui';
import type { ReactNode, RefObject } from 'react';

export function LayerSheet({
  title,
  isWide,
  onClose,
  focusAfter,
  children,
}: {
  readonly title: string;
  readonly isWide: boolean;
  readonly onClose: () => void;
  /** What has the focus once it is closed; where there is none, what had it before. */
  readonly focusAfter: RefObject<HTMLElement | null>;
  readonly children: ReactNode;
}) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/40" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(event) => {
            if (!focusAfter.current) return;
            event.preventDefault();
            focusAfter.current.focus();
          }}
          className={`fixed inset-x-0 top-0 mx-auto max-h-dvh w-full overflow-y-auto border-2 border-ink bg-paper p-4 ${isWide ? 'max-w-6xl sm:top-4' : 'max-w-xl sm:top-16'}`}
        >
          <div className="mb-3 flex items-center justify-between gap-4">
            <Dialog.Title className="text-[18px] font-bold">{title}</Dialog.Title>
            <Dialog.Close className="min-h-12 px-2 text-action underline">Close</Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
