/** What can be pressed: the one main action of a screen filled, everything else outlined or as a link. */
import type { ComponentProps } from 'react';
import { Link, type LinkProps } from 'react-router';

const SHAPE = 'inline-flex min-h-12 items-center justify-center px-4 font-semibold text-center disabled:opacity-60';
const KINDS = {
  main: `${SHAPE} bg-action text-on-action`,
  other: `${SHAPE} border-2 border-action text-action bg-paper`,
  quiet: 'min-h-12 px-2 text-action underline underline-offset-2',
} as const;

type Kind = { readonly kind?: keyof typeof KINDS };

export function Button({ kind = 'other', className = '', ...rest }: ComponentProps<'button'> & Kind) {
  return <button type="button" className={`${KINDS[kind]} ${className}`} {...rest} />;
}

/** A file of the server's, taken away. */
export function DownloadLink({ className = '', download = '', ...rest }: ComponentProps<'a'>) {
  return <a download={download} className={`${KINDS.other} ${className}`} {...rest} />;
}

export function LinkButton({ kind = 'other', className = '', ...rest }: LinkProps & Kind) {
  return <Link className={`${KINDS[kind]} ${className}`} {...rest} />;
}
