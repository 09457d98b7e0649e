/**
 * Keeps the screen lit while one measures with both hands at the door. Browsers let a page do so on https and loopback only
 * (`PlainHttpNote` says so elsewhere), and let go of it whenever the page is not in sight.
 */
import { useEffect } from 'react';

export function useScreenAwake(): void {
  useEffect(() => {
    const { wakeLock } = navigator;
    if (!wakeLock) return;
    let isGone = false;
    let held: WakeLockSentinel | null = null;
    const ask = async () => {
      if (isGone || document.visibilityState !== 'visible') return;
      // A device that saves its battery refuses: then it goes dark as it would anyhow.
      const got = await wakeLock.request('screen').catch(() => null);
      if (isGone) await got?.release();
      else held = got;
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isGone = true;
      document.removeEventListener('visibilitychange', ask);
      void held?.release();
    };
  }, []);
}
