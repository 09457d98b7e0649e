/** Code that comes when it is first needed, or behind the first screen. What could not be loaded is asked for again the next time. */
import { type ComponentType, createElement, use, useEffect, useState } from 'react';

export type Late<Props extends object> = ComponentType<Props> & {
  /** Asks for the code before it is needed, and never fails; what cannot be loaded now is asked for again when it is. */
  readonly load: () => Promise<void>;
};

/** Code did not come: the server may be away, and the network gone. */
export class NotLoadedError extends Error {
  constructor(cause: unknown) {
    super(cause instanceof Error ? cause.message : String(cause), { cause });
    this.name = 'NotLoadedError';
  }
}

/** A page that is never idle loads all the same, ms. */
const IDLE_BY_MS = 1000;
const PAUSE_MS = 50;
/** What could not be loaded is not asked for again before, ms. */
const AGAIN_MS = 1000;

const ALL_ASKED_MARK = 'all code asked for';

const all: (() => Promise<void>)[] = [];

/**
 * Code that is no component.
 *
 * @returns asks for it, once for all who ask
 * @throws NotLoadedError
 */
export function lateCode<Code>(loadCode: () => Promise<Code>): () => Promise<Code> {
  let coming: Promise<Code> | null = null;
  const ask = () => {
    coming ??= loadCode().catch((error: unknown) => {
      // Not at once: React asks again before it says that something failed, and would ask without an end.
      setTimeout(() => {
        coming = null;
      }, AGAIN_MS);
      throw new NotLoadedError(error);
    });
    return coming;
  };
  all.push(() => ask().then(NOTHING, NOTHING));
  return ask;
}

const NOTHING = () => {};

/**
 * A component whose code is late. Where it could not be loaded, something with `Waiting` goes on waiting and asks again, for a part that is
 * missing must not take away the screen it is a part of, with what is being typed there; without, it throws to the error boundary above.
 *
 * @param Waiting what stands there meanwhile. Without it what is above waits too (Suspense), as the screen before does for the
 * next. React holds back whatever was suspended until 300 ms have gone since it last showed something in its place: too long for what
 * comes with the first screen
 * @example late(() => import('./Combo').then(({ Combo }) => Combo), Shown)
 */
export function late<Props extends object>(
  loadCode: () => Promise<ComponentType<Props>>,
  Waiting?: ComponentType<Props>,
): Late<Props> {
  let here: ComponentType<Props> | null = null;
  const ask = lateCode(async () => {
    here = await loadCode();
    return here;
  });
  const load = async () => {
    await ask().catch(() => {});
  };

  const Suspending = (props: Props) => createElement(here ?? use(ask()), props);
  const Replaced = (props: Props) => {
    const [code, show] = useState(() => here);
    useEffect(() => {
      if (code) return;
      let isWanted = true;
      const look = () => {
        if (!isWanted) return;
        ask().then(
          (came) => show(() => came),
          () => setTimeout(look, AGAIN_MS),
        );
      };
      look();
      return () => {
        isWanted = false;
      };
    }, [code]);
    return createElement(code ?? (Waiting as ComponentType<Props>), props);
  };
  return Object.assign(Waiting ? Replaced : Suspending, { load });
}

/**
 * Everything that is late, so that each opens without the network too: what the code itself brings of it as well. When all of it was asked
 * for, the page's timeline says so (`ALL_ASKED_MARK`).
 *
 * @param isKept whether the program is kept on the device. Then one comes after the other, each when the page has nothing else to do; else
 * all at once, because the network may be gone the next moment
 */
export async function loadAllLate(isKept: boolean): Promise<void> {
  for (let asked = 0; asked < all.length; ) {
    const next = all.slice(asked, isKept ? asked + 1 : all.length);
    asked += next.length;
    if (isKept) await idle();
    await Promise.all(next.map((load) => load()));
  }
  performance.mark(ALL_ASKED_MARK);
}

/** A browser that does not say when it is idle gets a pause. */
function idle(): Promise<void> {
  return new Promise((resolve) => {
    if ('requestIdleCallback' in window) window.requestIdleCallback(() => resolve(), { timeout: IDLE_BY_MS });
    else setTimeout(resolve, PAUSE_MS);
  });
}
