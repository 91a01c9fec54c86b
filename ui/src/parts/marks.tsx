/** The mark of what needs attention. */
export function Diamond() {
  return (
    <svg width="11" height="11" viewBox="0 0 11 11" aria-hidden="true" className="inline-block shrink-0 text-watch">
      <path d="M5.5 1 10 5.5 5.5 10 1 5.5Z" fill="none" stroke="currentColor" strokeWidth="2" />
    </svg>
  );
}

/** The mark of a limit passed. */
export function LimitBar() {
  return (
    <svg width="11" height="13" viewBox="0 0 11 13" aria-hidden="true" className="inline-block shrink-0 text-limit">
      <path d="M5.5 0v13" stroke="currentColor" strokeWidth="4" />
    </svg>
  );
}
