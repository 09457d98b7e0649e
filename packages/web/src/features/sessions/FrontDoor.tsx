/** The frame of the screens on which nobody is signed in yet. */
import { type ReactNode, useEffect } from 'react';
import { ConnectionBanner } from '../../api/ConnectionBanner';

export function FrontDoor({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  useEffect(() => {
    document.title = `${title} · Low Quarry`;
  }, [title]);
  return (
    <div className="flex min-h-dvh flex-col">
      <header className="border-b-2 border-ink px-4 py-3 text-[17px] font-extrabold [font-stretch:110%]">
        Low Quarry
      </header>
      <ConnectionBanner />
      <main className="mx-auto flex w-full max-w-[960px] flex-1 flex-col gap-6 p-4 sm:pt-10">
        <h1>{title}</h1>
        {children}
      </main>
    </div>
  );
}
