import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { RunView } from '../../api';
import { Shell } from '../../testing';
import { Signs } from './Signs';
import stored from './testRun.json';

const signs: RunView['signs'] = [
  {
    code: 'GRID_CURRENT_LIMIT',
    severity: 'LIMIT',
    title: 'Grid current exceeds',
    meaning: 'Coupled too lightly for this drive.',
    act: 'LOAD heavier, then peak PLATE.',
    evidence: ['Grid current 0.214 ± 0.006 A, over 0.2 A (limit)'],
    certainty: 'sure',
  },
  {
    code: 'SAG_HIGH',
    severity: 'WATCH',
    title: 'Plate voltage sags much',
    meaning: 'A weak supply or a low line.',
    act: 'Measure the line voltage under load.',
    evidence: ['Sag of plate voltage 16 ± 3 %, over 15 % (good practice)'],
    certainty: 'possible',
  },
];
const view = (of: RunView['signs']) => ({ ...(stored as unknown as RunView), signs: of });

describe('signs', () => {
  it('show the gravest with what it rests on and what to do, the others as a list', async () => {
    const { container } = render(<Signs view={view(signs)} />, { wrapper: Shell });
    const top = within(container.querySelector('[data-part="top-sign"]') as HTMLElement);
    expect(top.getByText('Grid current exceeds')).toBeVisible();
    expect(top.getByText('LOAD heavier, then peak PLATE.')).toBeVisible();
    expect(top.getByText(/0.214 ± 0.006 A, over 0.2 A/)).toBeVisible();
    expect(top.getByText('sure')).toBeVisible();
    expect(screen.getByText('Plate voltage sags much')).toBeVisible();
    expect(screen.queryByText(/16 ± 3 %/)).not.toBeInTheDocument();
    await userEvent.click(screen.getByText('Plate voltage sags much'));
    expect(screen.getByText(/16 ± 3 %/)).toBeVisible();
  });

  it('explain their name with the focus', async () => {
    render(<Signs view={view(signs)} />, { wrapper: Shell });
    expect(screen.queryByRole('tooltip')).not.toBeInTheDocument();
    await userEvent.tab();
    expect(await screen.findByRole('tooltip')).toHaveTextContent('Something that the readings or your eyes say');
    await userEvent.keyboard('{Escape}');
    expect(screen.queryByRole('tooltip')).not.toBeInTheDocument();
  });

  it('leave the place empty where there is nothing to say', () => {
    const { container } = render(<Signs view={view([])} />);
    expect(container).toBeEmptyDOMElement();
  });
});
