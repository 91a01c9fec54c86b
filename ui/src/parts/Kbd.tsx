/** A key of the keyboard. */
export function Kbd({ children }: { children: string }) {
  return (
    <kbd className="figure rounded-3 border border-rule border-b-2 bg-sheet px-1.5 text-12 font-semibold text-ink">
      {children}
    </kbd>
  );
}
