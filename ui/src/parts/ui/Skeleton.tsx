import { say } from '../../words';
/** Where a page will stand, while it is read. */
export function Skeleton({ what }: { what: string }) {
  return (
    <div role="status" className="m-5 grid gap-3.5" data-part="skeleton">
      <span className="sr-only">{say('parts.reading', { what })}</span>
      <div aria-hidden="true" className="sheet grid gap-3 px-5 py-4">
        <div className="h-6 w-50 bg-hair" />
        {['w-full', 'w-4/5', 'w-full', 'w-3/5'].map((width, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: lines of nothing
          <div key={index} className={`h-4 bg-hair ${width}`} />
        ))}
      </div>
      <div aria-hidden="true" className="sheet h-32 bg-sheet" />
    </div>
  );
}
