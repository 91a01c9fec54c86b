import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { useKeys } from '.';
import { Checkbox, Dialog } from './ui';

function Keyed({ keys }: { keys: Record<string, () => void> }) {
  useKeys(keys);
  return (
    <>
      <input aria-label="field" />
      <Checkbox aria-label="box" checked={false} onCheck={() => undefined} />
      <button type="button">press</button>
    </>
  );
}

describe('single keys', () => {
  it('work on the page and on a box, not in a field', async () => {
    const z = vi.fn();
    render(<Keyed keys={{ z }} />);
    await userEvent.keyboard('z');
    await userEvent.click(screen.getByLabelText('box'));
    await userEvent.keyboard('Z');
    await userEvent.click(screen.getByLabelText('field'));
    await userEvent.keyboard('z');
    expect(z).toHaveBeenCalledTimes(2);
  });

  it('leave Enter and Space to a button that has the focus', async () => {
    const enter = vi.fn();
    render(<Keyed keys={{ Enter: enter, Space: enter, r: enter }} />);
    screen.getByRole('button', { name: 'press' }).focus();
    await userEvent.keyboard('{Enter} ');
    expect(enter).not.toHaveBeenCalled();
    await userEvent.keyboard('r');
    expect(enter).toHaveBeenCalledTimes(1);
  });

  it('stay away while a dialog is open', async () => {
    const z = vi.fn();
    render(
      <>
        <Keyed keys={{ z }} />
        <Dialog open title="asks" onClose={() => undefined}>
          it
        </Dialog>
      </>,
    );
    await userEvent.keyboard('z');
    expect(z).not.toHaveBeenCalled();
  });

  it('are not those of the browser', () => {
    const z = vi.fn();
    const k = vi.fn();
    render(<Keyed keys={{ z, 'Ctrl+k': k }} />);
    fireEvent.keyDown(document.body, { key: 'z', code: 'KeyZ', ctrlKey: true });
    fireEvent.keyDown(document.body, { key: 'k', code: 'KeyK', ctrlKey: true });
    expect(z).not.toHaveBeenCalled();
    expect(k).toHaveBeenCalledTimes(1);
  });
});
