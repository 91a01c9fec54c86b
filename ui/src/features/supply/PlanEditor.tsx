import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask, client, type FieldProblem, type PaperView } from '../../api';
import { Button, FileButton, Pick, Refused, TextField } from '../../parts';
import { type Body, FormFields, fromForm, type Spec, toForm } from '../../parts/form';
import { parseNumber, showNumber } from '../../quantity';
import { FormFoot } from './FormFoot';
import { Shelf } from './SupplyPage';
import {
  CIRCUIT_FIELDS,
  FRESH_BOX,
  FRESH_PLAN,
  FRESH_SET,
  FRESH_STRETCH,
  LEAD_FIELDS,
  PLAN_FIELDS,
  SET_FIELDS,
  STANDBY_FIELDS,
  STEADY_FIELDS,
  stretchFields,
} from './spec';
import { usePaperForm } from './usePaperForm';
import { useEquipment, useKeep } from './usePapers';

const WISHES = [
  ['', 'no matter'],
  ['PRICE', 'price'],
  ['CAPACITY', 'capacity'],
  ['EFFICIENCY', 'efficiency'],
  ['QUIETNESS', 'quietness'],
] as const;

const isSet = (box: Body) => box.kind === 'transmitting';
const fieldsOf = (box: Body) => (box.kind === 'steady' ? STEADY_FIELDS : SET_FIELDS);

function opened(plan: Body): Body {
  return {
    ...toForm(PLAN_FIELDS, plan),
    lead: toForm(LEAD_FIELDS, plan.lead),
    circuit: toForm(CIRCUIT_FIELDS, plan.circuit),
    boxes: plan.boxes.map((box: Body) => toForm(fieldsOf(box), box)),
    pattern: plan.pattern.map((one: Body) => toForm(stretchFields([]), one)),
    battery: plan.battery ? toForm(STANDBY_FIELDS, plan.battery) : undefined,
  };
}

function read(form: Body): { body: Body; problems: FieldProblem[] } {
  const problems: FieldProblem[] = [];
  const part = (fields: Spec[], value: Body, at: string) => {
    const one = fromForm(fields, value, at);
    problems.push(...one.problems);
    return one.body;
  };
  const body = {
    ...part(PLAN_FIELDS, form, ''),
    lead: part(LEAD_FIELDS, form.lead, 'lead.'),
    circuit: part(CIRCUIT_FIELDS, form.circuit, 'circuit.'),
    boxes: form.boxes.map((box: Body, index: number) => part(fieldsOf(box), box, `boxes.${index}.`)),
    pattern: form.pattern.map((one: Body, index: number) => part(stretchFields([]), one, `pattern.${index}.`)),
    battery: form.battery ? part(STANDBY_FIELDS, form.battery, 'battery.') : undefined,
  };
  return { body, problems };
}

/** All of a plan as a form. */
export function PlanEditor({ papers, kept }: { papers: PaperView[]; kept?: PaperView }) {
  const navigate = useNavigate();
  const [form, setForm] = useState<Body>(() => opened((kept?.body as Body | undefined) ?? FRESH_PLAN));
  const supplies = useEquipment('supply');
  const batteries = useEquipment('battery');
  const toPlan = (paper: PaperView) => navigate(`/supply/plans/${paper.id}`);
  const keeping = usePaperForm('PLAN', kept, toPlan);
  const { problems } = keeping;
  const change = (part: Body) => setForm({ ...form, ...part });
  const sets: string[] = [...new Set<string>(form.boxes.filter(isSet).map((box: Body) => box.name))];
  const supplyProblem = problems.find((one) => one.field.startsWith('supply'));
  return (
    <>
      <Shelf papers={papers} tools={!kept && <Bring onKept={toPlan} />} />
      <form
        ref={keeping.form}
        aria-label={kept?.name ?? 'New plan'}
        className="sheet mx-5 mt-3 mb-5 px-5 py-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          keeping.submit(read(form));
        }}
      >
        <h1 className="mb-3 text-22">{kept ? kept.name : 'New plan'}</h1>
        <FormFields fields={PLAN_FIELDS} form={form} problems={problems} onChange={setForm} />
        <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
          <Pick
            label="Supply"
            value={form.supply?.name ?? ''}
            options={choices(supplies, form.supply?.name)}
            onPick={(name) => change({ supply: supplies.find((one) => one.name === name)?.body ?? form.supply })}
          />
          <Pick
            label="Battery that stands by"
            value={form.battery?.battery.name ?? ''}
            options={choices(batteries, form.battery?.battery.name)}
            onPick={(name) => {
              const battery = batteries.find((one) => one.name === name)?.body;
              change({
                battery: battery ? { chargingA: '0', temperatureC: '20', ...form.battery, battery } : undefined,
              });
            }}
          />
          {[0, 1].map((rank) => (
            <Pick
              key={rank}
              label={rank === 0 ? 'You want first' : 'and then'}
              value={form.wishes[rank] ?? ''}
              options={WISHES.filter(([code]) => code === '' || form.wishes[1 - rank] !== code)}
              onPick={(code) => {
                const wishes = [form.wishes[0] ?? '', form.wishes[1] ?? ''];
                wishes[rank] = code;
                change({ wishes: wishes.filter(Boolean) });
              }}
            />
          ))}
          <Link className="pb-1.5 text-act underline" to="/station/new/supply">
            Describe a supply
          </Link>
        </div>
        {supplyProblem && (
          <p role="alert" className="mt-1 text-13 text-limit">
            Choose the supply that feeds it all. {supplies.length === 0 && 'Describe one in Station first.'}
          </p>
        )}
        {form.battery && (
          <Part title={`Battery ${form.battery.battery.name}`}>
            <FormFields
              fields={STANDBY_FIELDS}
              form={form.battery}
              at="battery."
              problems={problems}
              onChange={(battery) => change({ battery })}
            />
          </Part>
        )}
        <Boxes form={form} papers={papers} problems={problems} onChange={change} />
        <Part
          title="How it is used"
          tools={
            sets.length > 0 && (
              <Button
                onClick={() =>
                  change({
                    pattern: [
                      ...form.pattern,
                      toForm(stretchFields(sets), { ...FRESH_STRETCH, box: sets[0], ...after(form) }),
                    ],
                  })
                }
              >
                Add a transmission
              </Button>
            )
          }
        >
          {sets.length === 0 && <p className="text-soft">Add a set first.</p>}
          <div className="grid gap-3">
            {form.pattern.map((one: Body, index: number) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the stretches have no other identity
              <div key={index} className="border-t border-hair pt-2">
                <FormFields
                  fields={stretchFields(sets)}
                  form={one}
                  at={`pattern.${index}.`}
                  problems={problems}
                  onChange={(changed) => change({ pattern: at(form.pattern, index, changed) })}
                />
                {one.envelope.kind === 'keyed' && (
                  <OwnDuty
                    form={one}
                    box={form.boxes.find((box: Body) => box.name === one.box)}
                    onDuty={(onShare) =>
                      change({
                        pattern: at(form.pattern, index, {
                          ...one,
                          envelope: { ...one.envelope, onShare: showNumber(100 * onShare) },
                        }),
                      })
                    }
                  />
                )}
                <Button kind="quiet" onClick={() => change({ pattern: without(form.pattern, index) })}>
                  Take this transmission away
                </Button>
              </div>
            ))}
          </div>
        </Part>
        <Part title="Lead to the set that draws most">
          <FormFields
            fields={LEAD_FIELDS}
            form={form.lead}
            at="lead."
            problems={problems}
            onChange={(lead) => change({ lead })}
          />
        </Part>
        <Part title="Circuit of the house">
          <FormFields
            fields={CIRCUIT_FIELDS}
            form={form.circuit}
            at="circuit."
            problems={problems}
            onChange={(circuit) => change({ circuit })}
          />
        </Part>
        <FormFoot kept={kept} problems={problems} pending={keeping.pending} error={keeping.error} />
      </form>
    </>
  );
}

const at = (list: Body[], index: number, value: Body) => list.map((one, place) => (place === index ? value : one));
const without = (list: Body[], index: number) => list.filter((_, place) => place !== index);

const choices = (list: { name: string }[], chosen: string | undefined) => {
  const names = list.map((one) => one.name);
  return [
    ['', 'none'],
    ...(chosen && !names.includes(chosen) ? [chosen, ...names] : names).map((one) => [one, one]),
  ] as [string, string][];
};

/** A new transmission begins when the last one ends. */
function after(form: Body): Body {
  const last = form.pattern.at(-1);
  return last ? { fromS: 60 * (Number(last.fromS) + Number(last.lengthS)) || 0 } : {};
}

function Part({ title, tools, children }: { title: string; tools?: React.ReactNode; children: React.ReactNode }) {
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

function Boxes({ form, papers, problems, onChange }: BoxesProps) {
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
function OwnDuty({ form, box, onDuty }: { form: Body; box: Body | undefined; onDuty: (onShare: number) => void }) {
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
        width="w-[110px]"
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

/** A plan from a file. */
function Bring({ onKept }: { onKept: (paper: PaperView) => void }) {
  const keep = useKeep('PLAN');
  const [broken, setBroken] = useState(false);
  return (
    <span className="flex flex-wrap items-center gap-2">
      <FileButton
        label="Bring a plan in, JSON"
        accept=".json,application/json"
        onFile={async (file) => {
          setBroken(false);
          try {
            keep.mutate(JSON.parse(await file.text()) as Body, { onSuccess: onKept });
          } catch {
            setBroken(true);
          }
        }}
      />
      {broken && (
        <span role="alert" className="text-limit">
          That file is no JSON. Bring one that Tubrin saved.
        </span>
      )}
      <Refused error={keep.error} named />
    </span>
  );
}
