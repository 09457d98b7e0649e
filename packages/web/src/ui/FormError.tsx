/** What is wrong with a form as a whole; read out when it appears. */
export function FormError({ children }: { readonly children: string | null }) {
  return (
    <div role="alert" className="empty:hidden">
      {children && <p className="border-l-4 border-hits bg-paper px-3 py-2 font-semibold text-hits">{children}</p>}
    </div>
  );
}
