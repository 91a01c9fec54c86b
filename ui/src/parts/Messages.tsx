import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Refusal } from '../api';
import { say } from '../words';
import { LimitBar } from './marks';
import { Sheet } from './Sheet';
import { Button, Skeleton } from './ui';

/** What is shown where something was refused or did not answer; as the whole page or as a part of one. */
export function Trouble({ error, retry, page }: { error: unknown; retry?: () => void; page?: boolean }) {
  const refusal = error instanceof Refusal ? error : undefined;
  const Title = page ? 'h1' : 'p';
  return (
    <div role="alert" className="sheet border-l-4 border-l-limit px-4 py-3">
      <Title className="head flex items-center gap-2 text-18">
        <LimitBar />
        {refusal?.title ?? say('parts.somethingWentWrong')}
      </Title>
      <p className="text-soft">{refusal?.detail ?? String(error)}</p>
      {refusal?.problems.map((problem) => (
        <p key={problem.field + problem.code} className="mt-1">
          {problem.field && <b className="font-semibold">{problem.field}: </b>}
          {problem.message} <span className="text-soft">{problem.remedy}</span>
        </p>
      ))}
      {refusal?.reference && (
        <p className="mt-1 text-soft">{say('parts.reference', { reference: refusal.reference })}</p>
      )}
      {retry && (
        <Button className="mt-2" onClick={retry}>
          {say('parts.tryAgain')}
        </Button>
      )}
    </div>
  );
}

/** What of an entry was refused, each with its remedy; the whole trouble where it was no entry. */
export function Refused({ error, named }: { error: unknown; named?: boolean | Record<string, string> }) {
  if (!error) return null;
  if (!(error instanceof Refusal) || error.problems.length === 0) return <Trouble error={error} />;
  return error.problems.map((problem) => (
    <p key={problem.field + problem.code} role="alert" className="mt-2 flex items-baseline gap-2">
      <LimitBar />
      <span>
        {named && <b className="font-semibold">{(named !== true && named[problem.field]) || problem.field}: </b>}
        {problem.message} <span className="text-soft">{problem.remedy}</span>
      </span>
    </p>
  ));
}

/** Whether an entry is among what was refused. */
export const isRefused = (error: unknown, field: string) =>
  error instanceof Refusal && error.problems.some((one) => one.field === field);

interface AnswerProps<T> {
  query: { data: T | undefined; error: unknown; refetch: () => unknown };
  what: string;
  children: (data: T) => ReactNode;
}

/** A page made of one answer of the server: while it is read, when it fails, and when it is there. */
export function Answer<T>({ query, what, children }: AnswerProps<T>) {
  if (query.data !== undefined) return children(query.data);
  if (!query.error) return <Skeleton what={what} />;
  return (
    <div className="p-5">
      <Trouble page error={query.error} retry={() => void query.refetch()} />
    </div>
  );
}

/** A page with nothing on it yet: says what to do first and offers the one way there. */
export function FirstThing({
  title,
  children,
  to,
}: {
  title: string;
  children: ReactNode;
  to: [path: string, words: string];
}) {
  return (
    <div className="mx-auto max-w-160 p-5">
      <Sheet accent>
        <h1 className="text-27">{title}</h1>
        <div className="mt-1 mb-3 text-soft">{children}</div>
        <Button kind="main" asChild>
          <Link to={to[0]}>{to[1]}</Link>
        </Button>
      </Sheet>
    </div>
  );
}
