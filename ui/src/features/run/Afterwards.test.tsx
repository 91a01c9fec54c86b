import { render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { RunView } from '../../api';
import { Afterwards } from './Afterwards';
import stored from './testRun.json';

const run = {
  ...(stored as unknown as RunView),
  phase: 'FINISHED',
  onAir: ['SSB is set to 90 W.'],
  guard: [
    { mode: 'CW', set: '70', most: '70', output: '872', above: false, says: 'within' },
    { mode: 'SSB', set: '90', most: '70', output: '872', above: true, says: 'turn down to 70 W, by 20' },
  ],
  schoolEnds: [
    {
      schools: 'Peak, then heavier',
      plate: '5.08',
      load: '5.04',
      outputW: 872.3,
      gridCurrentA: 0.1478,
      heatPerTubeW: 285.1,
      thirdDb: -31.6,
    },
    { schools: 'Grid target', plate: '5.08', load: '5.12', outputW: 867, gridCurrentA: 0.145, heatPerTubeW: 292 },
  ],
} as RunView;

const show = (view: RunView) =>
  render(
    <MemoryRouter>
      <Afterwards view={view} />
    </MemoryRouter>,
  );

describe('when a run is over', () => {
  it('shows where the schools would have set the dials, marked as the twin’s', () => {
    show(run);
    expect(screen.getByRole('row', { name: 'Peak, then heavier 5.08 5.04 872 0.148 285 −31.6' })).toBeInTheDocument();
    expect(screen.getByRole('row', { name: 'Grid target 5.08 5.12 867 0.145 292 –' })).toBeInTheDocument();
    expect(screen.getByRole('table', { name: /by the twin/ })).toBeInTheDocument();
    expect(screen.getByText('SSB is set to 90 W.')).toBeInTheDocument();
  });

  it('says which modes of the exciter to turn down, and by how much', () => {
    show(run);
    expect(screen.getByRole('row', { name: 'SSB 90 70 872 turn down to 70 W, by 20' })).toBeInTheDocument();
    expect(screen.getByRole('row', { name: 'CW 70 70 872 within' })).toBeInTheDocument();
  });

  it('leaves that away where there is no twin, and says when there is no card row', () => {
    show({ ...run, schoolEnds: [], phase: 'ABANDONED' });
    expect(screen.queryByRole('table')).not.toBeInTheDocument();
    expect(screen.getByText('Ended without a card row')).toBeInTheDocument();
    expect(screen.queryByText('SSB is set to 90 W.')).not.toBeInTheDocument();
  });
});
