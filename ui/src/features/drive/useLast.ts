import { useState } from 'react';

/** Returns an answer, or where there is none now, the last one: what was refused takes no picture away. */
export function useLast<T>(answer: T | undefined): T | undefined {
  const [last, setLast] = useState(answer);
  if (answer !== undefined && answer !== last) setLast(answer);
  return answer ?? last;
}
