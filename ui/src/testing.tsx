import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { Toasts, Tooltips } from './parts/ui';

/** What stands round every view. */
export function Shell({ client, children }: { client?: QueryClient; children: ReactNode }) {
  return (
    <QueryClientProvider client={client ?? new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <Tooltips>
        {children}
        <Toasts />
      </Tooltips>
    </QueryClientProvider>
  );
}

/** Opens a choice and takes one of its options. */
export async function choose(chooser: HTMLElement, option: string): Promise<void> {
  const user = userEvent.setup({ pointerEventsCheck: 0 });
  await user.click(chooser);
  await user.click(await screen.findByRole('option', { name: option }));
}
