/** Code that comes when it is first needed, or behind the first screen. What could not be loaded is asked for again the next time. */
import { type ComponentType, createElement, use } from 'react';

export type Late<Props extends object> = ComponentType<Props> & {
  /** Asks for the code before it is needed; what cannot be loaded now is asked for again when it is. */
  readonly load: () => void;
};

const all: (() => void)[] = [];

/**
 * A component whose code is late: on the screen it waits for it (Suspense), and throws where it could not be loaded.
 *
 * @example late(() => import('./Combo').then(({ Combo }) => Combo))
 */
export function late<Props extends object>(loadCode: () => Promise<ComponentType<Props>>): Late<Props> {
  let here: ComponentType<Props> | null = null;
  let coming: Promise<ComponentType<Props>> | null = null;
  const ask = () => {
    coming ??= loadCode().then(
      (code) => {
        here = code;
        return code;
      },
      (error: unknown) => {
        coming = null;
        throw error;
      },
    );
    return coming;
  };
  const load = () => void ask().catch(() => {});
  all.push(load);
  // biome-ignore lint/correctness/noComponentHookFactories: made once for each file of code, as a module begins.
  const Waiting = (props: Props) => createElement(here ?? use(ask()), props);
  return Object.assign(Waiting, { load });
}

/** Everything that is late, so that each opens without the network too. */
export function loadAllLate(): void {
  for (const load of all) load();
}
