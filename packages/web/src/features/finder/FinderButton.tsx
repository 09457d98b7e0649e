/** Opens the finder: by its button, or by Ctrl or ⌘ and K wherever one is. */
import { type ComponentProps, Suspense, useEffect, useState } from 'react';
import { Layer } from '../../ui/Layer';
import { lateCode } from '../../ui/lateCode';
import { Loading } from '../../ui/states';
import type { FinderPanel } from './FinderPanel';

export const finderCode = lateCode(() => import('./FinderPanel'));

export function FinderButton() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'k' || !(event.ctrlKey || event.metaKey) || event.shiftKey || event.altKey) return;
      event.preventDefault();
      setOpen(true);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Layer
      title="Find"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <button type="button" className="min-h-12 px-2 text-action underline-offset-2 hover:underline" {...props}>
          Find<span className="sr-only"> a job, a part, a vehicle or a page</span>
        </button>
      )}
    >
      <Suspense fallback={<Loading what="the finder" />}>
        <Panel onGone={() => setOpen(false)} />
      </Suspense>
    </Layer>
  );
}

function Panel(props: ComponentProps<typeof FinderPanel>) {
  const { FinderPanel: Loaded } = finderCode.use();
  return <Loaded {...props} />;
}
