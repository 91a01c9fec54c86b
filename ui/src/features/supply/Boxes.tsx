import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, client, type FieldProblem, type PaperView } from '../../api';
import { Refused } from '../../parts';
import { type Body, FormFields, fromForm, toForm } from '../../parts/form';
import { Button, Pick, TextField } from '../../parts/ui';
import { parseNumber } from '../../quantity';
import { FRESH_BOX, FRESH_SET, SET_FIELDS, STEADY_FIELDS } from './spec';

export const isSet = (box: Body) => box.kind === 'transmitting';
export const fieldsOf = (box: Body) => (box.kind === 'steady' ? STEADY_FIELDS : SET_FIELDS);

export const at = (list: Body[], index: number, value: Body) =>
  list.map((one, place) => (place === index ? value : one));
export const without = (list: Body[], index: number) => list.filter((_, place) => place !== index);

/** A part of the form under its own title. */
export function Part({
  title,
  tools,
  children,
}: {
  title: string;
  tools?: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <section aria-label={title} className="mt-4 border-l-2 border-rule pl-4">
      <div className="mb-1.5 flex items-center gap-3">
        <h2 className="text-14">{title}</h2>
        {tools}
      </div>
      {children}
    </section>
  );
}

interface BoxesProps {
  form: Body;
  papers: PaperView[];
  problems: FieldProblem[];
  onChange: (part: Body) => void;
}

/** All that the supply feeds. */
export function Boxes({ form, papers, problems, onChange }: BoxesProps) {
  const profiles = papers.filter((one) => one.kind === 'PROFILE');
  const take = useMutation({
    mutationFn: (id: string) =>
      ask(client.POST('/api/supply/profile', { body: profiles.find((one) => one.id === id)?.body as Body })),
  });
  const add = (box: Body) => onChange({ boxes: [...form.boxes, toForm(fieldsOf(box), box)] });
  return (
    <Part
      title="What it feeds"
      tools={
        <>
          <Pick
            label="Add a measured set"
            value=""
            options={[['', 'choose'], ...profiles.map((one) => [one.id, one.name] as const)]}
            onPick={(id) =>
              take.mutate(id, {
                onSuccess: (view) => {
                  const box = view.box as Body | undefined;
                  if (box) add({ ...box, name: free(box.name, form.boxes) });
                },
              })
            }
          />
          <Button onClick={() => add(FRESH_SET)}>Add a set by figures</Button>
          <Button onClick={() => add(FRESH_BOX)}>Add another box</Button>
        </>
      }
    >
      {take.data && !take.data.box && (
        <p role="status" className="text-watch">
          That set is not measured far enough yet. {take.data.title}.
        </p>
      )}
      <Refused error={take.error} />
      <div className="grid gap-3">
        {form.boxes.map((box: Body, index: number) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the boxes have no other identity
          <div key={index} className="border-t border-hair pt-2">
            <FormFields
              fields={fieldsOf(box)}
              form={box}
              at={`boxes.${index}.`}
              problems={problems}
              onChange={(changed) =>
                onChange({
                  boxes: at(form.boxes, index, changed),
                  // A set that is called otherwise keeps its transmissions.
                  pattern: form.pattern.map((one: Body) =>
                    one.box === box.name ? { ...one, box: changed.name } : one,
                  ),
                })
              }
            />
            {isSet(box) && (
              <Pick
                label="Measured at another voltage, to see its output fall"
                value=""
                options={[
                  ['', box.lower ? box.lower.set || 'described above' : 'choose'],
                  ...profiles.map((one) => [one.id, one.name] as const),
                ]}
                onPick={(id) =>
                  take.mutate(id, {
                    onSuccess: (view) => {
                      const measured = view.box as Body | undefined;
                      if (measured)
                        onChange({
                          boxes: at(form.boxes, index, {
                            ...box,
                            lower: toForm(SET_FIELDS, { lower: measured.profile }).lower,
                          }),
                        });
                    },
                  })
                }
              />
            )}
            <Button
              kind="quiet"
              onClick={() =>
                onChange({
                  boxes: without(form.boxes, index),
                  pattern: form.pattern.filter((one: Body) => one.box !== box.name),
                })
              }
            >
              Take {box.name || 'this box'} away
            </Button>
          </div>
        ))}
      </div>
    </Part>
  );
}

/** The share of the time that one really transmits, from the average current that was read. */
export function OwnDuty({
  form,
  box,
  onDuty,
}: {
  form: Body;
  box: Body | undefined;
  onDuty: (onShare: number) => void;
}) {
  const [average, setAverage] = useState('');
  const measured = useMutation({
    mutationFn: () => {
      const profile = fromForm(SET_FIELDS, box ?? {}).body.profile;
      const peakEnvelopeW = parseNumber(String(form.peakEnvelopeW)) ?? 0;
      return ask(client.POST('/api/supply/duty', { body: { profile, peakEnvelopeW, averageA: average } }));
    },
    onSuccess: (view) => onDuty(Number(view.onShare.toFixed(3))),
  });
  if (!box) return null;
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <TextField
        label="Own duty: average read over a few minutes, A"
        value={average}
        onChange={setAverage}
        className="w-27.5"
      />
      <Button disabled={average.trim() === '' || measured.isPending} onClick={() => measured.mutate()}>
        Take it
      </Button>
      {measured.data && <span role="status">{measured.data.says}</span>}
      <Refused error={measured.error} named />
    </div>
  );
}

/** Returns a name that no box has yet. */
function free(name: string, boxes: Body[]): string {
  const taken = boxes.map((box) => box.name);
  for (let count = 2; ; count++) {
    const next = count === 2 ? name : `${name}, ${count - 1}`;
    if (!taken.includes(next)) return next;
  }
}
