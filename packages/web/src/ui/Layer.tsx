/** A sheet over the screen, with the button that opens it; closed by Escape or its own button. Its code comes when it is first opened. */
import { type ComponentProps, type ReactNode, Suspense, useRef } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { late } from './late';

const LayerSheet = late(() => import('./LayerSheet').then((code) => code.LayerSheet));

type Trigger = Pick<ComponentProps<'button'>, 'ref' | 'onClick' | 'aria-expanded' | 'aria-haspopup'>;

export function Layer({
  title,
  open,
  onOpenChange,
  isWide = false,
  trigger,
  children,
}: {
  readonly title: string;
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  /** For a picture or a table. */
  readonly isWide?: boolean;
  /** The button that opens it, made with these; none where something else does. */
  readonly trigger?: (props: Trigger) => ReactNode;
  readonly children: ReactNode;
}) {
  const button = useRef<HTMLButtonElement>(null);
  return (
    <>
      {trigger?.({ ref: button, onClick: () => onOpenChange(true), 'aria-expanded': open, 'aria-haspopup': 'dialog' })}
      {open && (
        <ErrorBoundary fallback={<NotThere />}>
          <Suspense fallback={null}>
            <LayerSheet title={title} isWide={isWide} onClose={() => onOpenChange(false)} focusAfter={button}>
              {children}
            </LayerSheet>
          </Suspense>
        </ErrorBoundary>
      )}
    </>
  );
}

function NotThere() {
  return (
    <p role="alert" className="font-semibold text-hits">
      This could not be opened. Try it again once the server answers; nothing that was typed is lost.
    </p>
  );
}
