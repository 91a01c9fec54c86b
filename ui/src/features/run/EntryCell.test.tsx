import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { FieldProblem } from '../../api';
import { EntryCell } from './EntryCell';

const problem: FieldProblem = {
  code: 'NOT_A_NUMBER',
  field: 'OUTPUT',
  found: 'abc',
  message: '',
  allowed: '',
  remedy: '',
};
const cell = (more: object) => (
  <EntryCell field="OUTPUT" label="Output, W" shown={undefined} sequence={1} onCommit={() => undefined} {...more} />
);

describe('an entry', () => {
  it('is sent once, when it is left', async () => {
    const onCommit = vi.fn();
    render(cell({ onCommit }));
    await userEvent.type(screen.getByLabelText('Output, W'), '388');
    expect(onCommit).not.toHaveBeenCalled();
    await userEvent.tab();
    expect(onCommit.mock.calls).toEqual([['388']]);
  });

  it('keeps refused text until it is mended', async () => {
    const { rerender } = render(cell({}));
    await userEvent.type(screen.getByLabelText('Output, W'), 'abc');
    await userEvent.tab();
    rerender(cell({ problem, sequence: 2 }));
    expect(screen.getByLabelText('Output, W')).toHaveValue('abc');
    expect(screen.getByLabelText('Output, W')).toBeInvalid();
  });

  it("shows the server's word once it is taken", async () => {
    const { rerender } = render(cell({}));
    await userEvent.type(screen.getByLabelText('Output, W'), '0,388 kW');
    await userEvent.tab();
    rerender(cell({ shown: '388', sequence: 2 }));
    expect(screen.getByLabelText('Output, W')).toHaveValue('388');
  });

  it('goes back with Escape and sends nothing', async () => {
    const onCommit = vi.fn();
    render(cell({ shown: '388', onCommit }));
    await userEvent.type(screen.getByLabelText('Output, W'), '9{Escape}');
    expect(screen.getByLabelText('Output, W')).toHaveValue('388');
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('does not take an emptied cell for a reading', async () => {
    const onCommit = vi.fn();
    render(cell({ shown: '388', onCommit }));
    await userEvent.clear(screen.getByLabelText('Output, W'));
    await userEvent.tab();
    expect(screen.getByLabelText('Output, W')).toHaveValue('388');
    expect(onCommit).not.toHaveBeenCalled();
  });
});
