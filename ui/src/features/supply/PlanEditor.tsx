import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { FieldProblem, PaperView } from '../../api';
import { FileButton, Refused, useDraft } from '../../parts';
import { type Body, FormFields, fromForm, type Spec, toForm } from '../../parts/form';
import { Button, Pick } from '../../parts/ui';
import { showNumber } from '../../quantity';
import { at, Boxes, fieldsOf, isSet, OwnDuty, Part, without } from './Boxes';
import { FormFoot } from './FormFoot';
import { Shelf } from './SupplyPage';
import {
  CIRCUIT_FIELDS,
  FRESH_PLAN,
  FRESH_STRETCH,
  LEAD_FIELDS,
  PLAN_FIELDS,
  STANDBY_FIELDS,
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
  const draft = useDraft<Body>(`plan.${kept?.id ?? 'new'}`, kept?.revision ?? 0, () =>
    opened((kept?.body as Body | undefined) ?? FRESH_PLAN),
  );
  const { value: form, change: setForm } = draft;
  const supplies = useEquipment('supply');
  const batteries = useEquipment('battery');
  const toPlan = (paper: PaperView) => navigate(`/supply/plans/${paper.id}`);
  const keeping = usePaperForm('PLAN', kept, draft, toPlan);
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
        <FormFoot draft={draft} kept={kept} problems={problems} pending={keeping.pending} error={keeping.error} />
      </form>
    </>
  );
}

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
