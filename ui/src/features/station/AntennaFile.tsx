import { useMutation, useQuery } from '@tanstack/react-query';
import { useFormContext } from 'react-hook-form';
import { ask, client, type EquipmentView, type ImpedanceView } from '../../api';
import { FileButton, Trouble } from '../../parts';
import { Button } from '../../parts/ui';
import { Impedance } from '../../plot';
import { fixed } from '../../quantity';
import { say } from '../../words';

/** A point of the record. */
export interface Point {
  frequencyHz: number;
  ohm: number;
  reactanceOhm: number;
}

interface Props {
  known: EquipmentView | undefined;
  impedance: Point[] | null | undefined;
}

/** What an antenna shows over frequency, from a Touchstone file. */
export function AntennaFile({ known, impedance }: Props) {
  const { setValue } = useFormContext();
  const onChange = (points: Point[] | undefined) => setValue('impedance', points, { shouldDirty: true });
  const kept = useQuery({
    queryKey: ['impedance', known?.id, known?.revision],
    queryFn: () => ask(client.GET('/api/equipment/{id}/impedance', { params: { path: { id: known?.id ?? '' } } })),
    enabled: known !== undefined,
  });
  const read = useMutation({
    mutationFn: async (file: File) => ask(client.POST('/api/touchstone', { body: { text: await file.text() } })),
    onSuccess: (points: ImpedanceView[]) =>
      onChange(points.map(({ frequencyHz, ohm, reactanceOhm }) => ({ frequencyHz, ohm, reactanceOhm }))),
  });
  const shown = impedance ? (read.data ?? kept.data ?? []) : [];
  const first = shown[0];
  const last = shown.at(-1);
  return (
    <fieldset className="mt-3 border-l-2 border-rule pl-4">
      <legend className="sr-only">{say('station.impedanceFile')}</legend>
      <div className="mb-1.5 flex flex-wrap items-center gap-3">
        <p aria-hidden="true" className="head">
          {say('station.impedanceAtTheStationEnd')}
        </p>
        <FileButton label={say('station.readATouchstoneFile')} accept=".s1p,.S1P,text/plain" onFile={read.mutate} />
        {impedance && (
          <Button kind="quiet" onClick={() => onChange(undefined)}>
            {say('shared.unknown')}
          </Button>
        )}
      </div>
      {read.error && <Trouble error={read.error} />}
      {first && last ? (
        <figure>
          <Impedance points={shown} />
          <figcaption className="text-13 text-soft">
            {say('station.pointsToMHzUsedFor', {
              count: shown.length,
              lowest: fixed(first.frequencyHz / 1e6, 3),
              highest: fixed(last.frequencyHz / 1e6, 3),
            })}
          </figcaption>
        </figure>
      ) : (
        <p className="text-13 text-soft">{say('station.notKnownWithItTubrin')}</p>
      )}
    </fieldset>
  );
}
