import createClient from 'openapi-fetch';
import { say } from '../words';
import type { paths } from './schema';

/** One thing that was refused, with the remedy. */
export interface FieldProblem {
  code: string;
  field: string;
  found: string;
  message: string;
  allowed: string;
  remedy: string;
}

/** A refusal as the server tells it, or `status` 0 where the server could not be reached. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly problems: FieldProblem[],
    readonly reference?: string,
  ) {
    super(title);
  }

  /** Whether trying again later may help: nothing was refused, somebody did not answer or failed. */
  get passing(): boolean {
    return this.status === 0 || this.status >= 500;
  }
}

// The browser's fetch is looked up at each call, so that tests can put their own in its place.
export const client = createClient<paths>({
  baseUrl: location.origin,
  fetch: (request) => globalThis.fetch(request),
});

interface Reply<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** Returns what the call brought; throws a {@link Refusal} else. */
export async function ask<T>(call: Promise<Reply<T>>): Promise<T> {
  let reply: Reply<T>;
  try {
    reply = await call;
  } catch {
    throw new Refusal(0, say('api.noAnswer'), say('api.startAgain'), []);
  }
  if (!reply.response.ok) {
    throw refusal(reply.response.status, reply.error);
  }
  return reply.data as T;
}

function refusal(status: number, body: unknown): Refusal {
  const problem = (typeof body === 'object' && body !== null ? body : {}) as Partial<Refusal>;
  return new Refusal(
    status,
    problem.title ?? say('api.notAccepted'),
    problem.detail ?? say('api.noReason'),
    problem.problems ?? [],
    problem.reference,
  );
}
