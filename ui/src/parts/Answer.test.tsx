import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import { Refusal } from '../api';
import { Answer, FirstThing, SignalLine } from '.';

describe('a page made of one answer', () => {
  it('says what is being read', () => {
    render(
      <Answer query={{ data: undefined, error: null, refetch: () => 0 }} what="the log">
        {() => null}
      </Answer>,
    );
    expect(screen.getByRole('status')).toHaveTextContent('Reading the log');
  });

  it('says what failed, with its remedy, and tries again', async () => {
    const refetch = vi.fn();
    const error = new Refusal(503, 'The database does not answer', 'Start Tubrin again.', [], 'ab12');
    render(
      <Answer query={{ data: undefined, error, refetch }} what="the log">
        {() => null}
      </Answer>,
    );
    expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('The database does not answer');
    expect(screen.getByRole('alert')).toHaveTextContent(/Start Tubrin again.*Reference ab12/);
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(refetch).toHaveBeenCalledOnce();
  });

  it('keeps showing what it has while a later reading fails', () => {
    render(
      <Answer query={{ data: 'the log itself', error: new Error('gone'), refetch: () => 0 }} what="the log">
        {(data) => <p>{data}</p>}
      </Answer>,
    );
    expect(screen.getByText('the log itself')).toBeInTheDocument();
  });
});

describe('an empty page', () => {
  it('offers the one way to begin', () => {
    render(
      <MemoryRouter>
        <FirstThing title="No run yet" to={['/tune', 'Start a climb']}>
          why
        </FirstThing>
      </MemoryRouter>,
    );
    expect(screen.getByRole('link', { name: 'Start a climb' })).toHaveAttribute('href', '/tune');
  });
});

describe('the signal line', () => {
  it('says in words what needs attention', () => {
    const node = { title: 'Ballast 1000', detail: '51.6 Ω, 92 °C', watch: true, toNext: '' };
    render(<SignalLine nodes={[{ ...node, title: 'Fathom', watch: false }, node]} />);
    const [fathom, ballast] = screen.getAllByRole('listitem');
    expect(ballast).toHaveTextContent('needs attention');
    expect(fathom).not.toHaveTextContent('needs attention');
  });
});
