import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { type Amplifier, ask, client, type EquipmentView, type FitRequest, type FitView, Refusal } from '../../api';
import { Diamond, Trouble } from '../../parts';
import { Fields, type Form, RecordSheet, schemaOf, ToFix, toForm, useRecordForm } from '../../parts/form';
import { Button, Cell, Heads, RowHead, Table, tell } from '../../parts/ui';
import { fixed } from '../../quantity';
import { say } from '../../words';
import { sheetFields } from './spec';

/** Beyond this a figure of the sheet is not met, in per cent. */
const MET_PERCENT = 5;

/** From the maker's sheet to a twin: the figures in, how well they are met out, and the twin kept. */
export function TwinWizard({ equipment }: { equipment: EquipmentView[] }) {
  const { id } = useParams();
  const amplifier = equipment.find((one) => one.id === id);
  const body = amplifier?.body;
  if (!amplifier || body?.kind !== 'amplifier' || body.stage.kind !== 'tubes') {
    return (
      <Trouble page error={new Refusal(404, say('shared.notThere'), say('station.chooseAnAmplifierWithTubes'), [])} />
    );
  }
  return <Wizard key={id} amplifier={amplifier} stage={body.stage} hasTwin={Boolean(body.twin)} />;
}

type Tubes = Extract<Amplifier['stage'], { kind: 'tubes' }>;

interface Props {
  amplifier: EquipmentView;
  stage: Tubes;
  hasTwin: boolean;
}

function Wizard({ amplifier, stage, hasTwin }: Props) {
  const queries = useQueryClient();
  const fields = sheetFields(stage.tube.construction === 'TETRODE');
  const keep = useMutation({
    mutationFn: (found: FitView) =>
      ask(
        client.PUT('/api/equipment/{id}', {
          params: { path: { id: amplifier.id }, query: { revision: found.revision } },
          body: found.amplifier,
        }),
      ),
    onSuccess: () => {
      tell(say('station.theTwinIsSaved'), say('station.newRunsWithUseIt', { amplifier: amplifier.name }));
      return queries.invalidateQueries({ queryKey: ['equipment'] });
    },
  });
  const [found, setFound] = useState<FitView>();
  const sheet = useRecordForm({
    revision: 0,
    fresh: () => toForm(fields, fresh(stage)),
    schema: schemaOf(fields),
    under: 'sheet.',
    save: (form) => {
      keep.reset();
      return ask(
        client.POST('/api/twin/fit', {
          body: { amplifierId: amplifier.id, sheet: form as FitRequest['sheet'] },
        }),
      );
    },
    onSaved: (view) => setFound(view),
  });
  return (
    <RecordSheet label={say('station.twinOf', { amplifier: amplifier.name })} record={sheet}>
      <header className="mb-3 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">{say('station.twinOf', { amplifier: amplifier.name })}</h1>
        <p className="text-soft">{say('station.fromTheMakersSheetWith')}</p>
        <Link className="ml-auto text-act underline" to={`/station/${amplifier.id}`}>
          {say('station.itsRecord')}
        </Link>
      </header>
      {hasTwin && !found && <p className="mb-3 text-soft">{say('station.itHasATwinOne')}</p>}
      <Fields fields={fields} />
      <div className="mt-4 flex flex-wrap items-center gap-3 border-t border-hair pt-3">
        <Button kind={found ? 'plain' : 'main'} type="submit" disabled={sheet.pending}>
          {found ? say('station.findItAgain') : say('station.findTheTwin')}
        </Button>
        {found && (
          <Button kind="main" disabled={keep.isPending || keep.isSuccess} onClick={() => keep.mutate(found)}>
            {say('station.saveThisTwin')}
          </Button>
        )}
        <ToFix refused={sheet.refused} />
      </div>
      {[sheet.error, keep.error].map(
        (error) =>
          error && (
            <div key={error.message} className="mt-3">
              <Trouble error={error} />
            </div>
          ),
      )}
      {found && <Found found={found} />}
    </RecordSheet>
  );
}

function fresh(stage: Tubes): Form {
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
  const text = fixed(value, 1);
  return text === '-0.0' ? '0.0' : text.replace('-', '\u2212');
}

/** How well the sheet's figures are met, and what the sheet does not determine. */
function Found({ found }: { found: FitView }) {
  return (
    <div className="mt-4 grid gap-x-8 gap-y-4 wide:grid-cols-2">
      <Table caption={say('station.theSheetAndTheTwin')} tight className="self-start" part="fit-rows">
        <Heads of={['', say('station.sheet'), say('shared.twin'), say('station.off')]} end />
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
                    <span className="sr-only">{say('shared.notMet')}</span>
                  </span>
                )}
                {signed(row.offPercent)}
              </Cell>
            </tr>
          ))}
        </tbody>
      </Table>
      <Table caption={say('station.itsConstantsAndWhatDetermines')} tight className="self-start">
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
