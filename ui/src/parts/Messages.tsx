import { Refusal } from '../api';
import { Button } from './Button';
import { LimitBar } from './marks';

/** What is shown while something is read. */
export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="p-6 text-soft">
      Reading {what} …
    </p>
  );
}

/** What is shown where something was refused or did not answer; as the whole page or as a part of one. */
export function Trouble({ error, retry, page }: { error: unknown; retry?: () => void; page?: boolean }) {
  const refusal = error instanceof Refusal ? error : undefined;
  const Title = page ? 'h1' : 'p';
  return (
    <div role="alert" className="sheet border-l-4 border-l-limit px-4 py-3">
      <Title className="head flex items-center gap-2 text-18">
        <LimitBar />
        {refusal?.title ?? 'Something went wrong'}
      </Title>
      <p className="text-soft">{refusal?.detail ?? String(error)}</p>
      {refusal?.problems.map((problem) => (
        <p key={problem.field + problem.code} className="mt-1">
          {problem.field && <b className="font-semibold">{problem.field}: </b>}
          {problem.message} <span className="text-soft">{problem.remedy}</span>
        </p>
      ))}
      {refusal?.reference && <p className="mt-1 text-soft">Reference {refusal.reference}</p>}
      {retry && (
        <Button className="mt-2" onClick={retry}>
          Try again
        </Button>
      )}
    </div>
  );
}
