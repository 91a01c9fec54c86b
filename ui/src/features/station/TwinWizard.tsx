import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { ask, client, type EquipmentView, type FieldProblem, type FitRequest, type FitView, Refusal } from '../../api';
import { Diamond, Trouble } from '../../parts';
import { type Body, FormFields, fromForm, toForm } from '../../parts/form';
import { Button, Cell, Heads, RowHead, say, Table } from '../../parts/ui';
import { sheetFields } from './spec';

/** Beyond this a figure of the sheet is not met, in per cent. */
const MET_PERCENT = 5;

/** From the maker's sheet to a twin: the figures in, how well they are met out, and the twin kept. */
export function TwinWizard({ equipment }: { equipment: EquipmentView[] }) {
  const { id } = useParams();
  const amplifier = equipment.find((one) => one.id === id);
  const stage = (amplifier?.body as Body | undefined)?.stage as Body | undefined;
  if (!amplifier || stage?.kind !== 'tubes') {
    return <Trouble page error={new Refusal(404, 'Not there', 'Choose an amplifier with tubes on the left.', [])} />;
  }
  return <Wizard key={id} amplifier={amplifier} stage={stage} />;
}

function Wizard({ amplifier, stage }: { amplifier: EquipmentView; stage: Body }) {
  const queries = useQueryClient();
  const fields = sheetFields(stage.tube.construction === 'TETRODE');
  const [form, setForm] = useState<Body>(() => toForm(fields, fresh(stage)));
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const hasTwin = Boolean((amplifier.body as Body).twin);
  const fit = useMutation({
    mutationFn: (sheet: Body) =>
      ask(
        client.POST('/api/twin/fit', {
          body: { amplifierId: amplifier.id, sheet: sheet as FitRequest['sheet'] },
        }),
      ),
    onError: (error) =>
      setProblems(
        error instanceof Refusal
          ? error.problems.map((one) => ({ ...one, field: one.field.replace(/^sheet\./, '') }))
          : [],
      ),
  });
  const keep = useMutation({
    mutationFn: (found: FitView) =>
      ask(
        client.PUT('/api/equipment/{id}', {
          params: { path: { id: amplifier.id }, query: { revision: found.revision } },
          body: found.amplifier as Body,
        }),
      ),
    onSuccess: () => {
      say('The twin is kept.', `New runs with ${amplifier.name} use it.`);
      return queries.invalidateQueries({ queryKey: ['equipment'] });
    },
  });
  const submit = () => {
    const read = fromForm(fields, form);
    setProblems(read.problems);
    keep.reset();
    if (read.problems.length === 0) fit.mutate(read.body);
  };
  return (
    <form
      aria-label={`Twin of ${amplifier.name}`}
      className="sheet px-5 py-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <header className="mb-3 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">Twin of {amplifier.name}</h1>
        <p className="text-soft">from the maker's sheet, with its ratings and chart from the record</p>
        <Link className="ml-auto text-act underline" to={`/station/${amplifier.id}`}>
          Its record
        </Link>
      </header>
      {hasTwin && !fit.data && (
        <p className="mb-3 text-soft">It has a twin. One made here takes its place for new runs.</p>
      )}
      <FormFields fields={fields} form={form} problems={problems} onChange={setForm} />
      <div className="mt-4 flex flex-wrap items-center gap-3 border-t border-hair pt-3">
        <Button kind={fit.data ? 'plain' : 'main'} type="submit" disabled={fit.isPending}>
          {fit.data ? 'Find it again' : 'Find the twin'}
        </Button>
        {fit.data && (
          <Button kind="main" disabled={keep.isPending || keep.isSuccess} onClick={() => keep.mutate(fit.data)}>
            Keep this twin
          </Button>
        )}
        {problems.length > 0 && (
          <span role="alert" className="text-limit">
            {problems.length === 1 ? 'One field needs mending.' : `${problems.length} fields need mending.`}
          </span>
        )}
      </div>
      {fit.error && problems.every((one) => one.field === '' || one.field === 'amplifier') && (
        <div className="mt-3">
          <Trouble error={fit.error} />
        </div>
      )}
      {keep.error && (
        <div className="mt-3">
          <Trouble error={keep.error} />
        </div>
      )}
      {fit.data && <Found found={fit.data} />}
    </form>
  );
}

function fresh(stage: Body): Body {
  return {
    plateVoltageRestDcV: stage.plateVoltageRestDcV,
    restingPlateCurrentA: stage.restingPlateCurrentA,
    designQ: 12,
    operations: [{}],
    bandOutputs: [],
  };
}

/** Returns a number to a tenth, with a true minus, and without one for nothing. */
function signed(value: number): string {
  const text = value.toFixed(1);
  return text === '-0.0' ? '0.0' : text.replace('-', '\u2212');
}

/** How well the sheet's figures are met, and what the sheet does not determine. */
function Found({ found }: { found: FitView }) {
  return (
    <div className="mt-4 grid gap-x-8 gap-y-4 wide:grid-cols-2">
      <Table caption="The sheet, and the twin" tight className="self-start" part="fit-rows">
        <Heads of={['', 'sheet', 'twin', 'off, %']} end />
        <tbody>
          {found.rows.map((row) => (
            <tr key={row.label}>
              <RowHead>{row.label}</RowHead>
              <Cell figure end>
                {row.sheet}
              </Cell>
              <Cell figure end className="text-twin italic">
                {row.twin}
              </Cell>
              <Cell figure end>
                {Math.abs(row.offPercent) > MET_PERCENT && (
                  <span className="mr-1">
                    <Diamond />
                    <span className="sr-only">not met</span>
                  </span>
                )}
                {signed(row.offPercent)}
              </Cell>
            </tr>
          ))}
        </tbody>
      </Table>
      <Table caption="Its constants, and what determines them" tight className="self-start">
        <tbody>
          {found.constants.map((row) => (
            <tr key={row.label}>
              <RowHead>{row.label}</RowHead>
              <Cell figure end className="text-twin italic">
                {row.value}
              </Cell>
              <Cell className={`pl-4 text-13 ${row.determined === 'NOT' ? 'text-watch' : 'text-soft'}`}>
                {row.determined === 'NOT' && <Diamond />} {row.says}
              </Cell>
            </tr>
          ))}
        </tbody>
      </Table>
      {found.notes.length > 0 && (
        <ul className="list-disc pl-5 text-soft wide:col-span-2">
          {found.notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
