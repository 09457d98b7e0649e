/** Code that comes when it is first needed, or behind the first screen. What could not be loaded is asked for again the next time. */
import { use } from 'react';

export type LateCode<Code> = {
  readonly load: () => Promise<Code>;
  /** In a component: waits for it (Suspense), and throws where it could not be loaded. */
  readonly use: () => Code;
};

export function lateCode<Code>(load: () => Promise<Code>): LateCode<Code> {
  let here: { readonly code: Code } | null = null;
  let coming: Promise<Code> | null = null;
  const ask = () => {
    coming ??= load().then(
      (code) => {
        here = { code };
        return code;
      },
      (error: unknown) => {
        coming = null;
        throw error;
      },
    );
    return coming;
  };
  return { load: ask, use: () => (here ? here.code : use(ask())) };
}
