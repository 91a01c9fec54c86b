import { useNavigate } from 'react-router';
import type { PaperView } from '../../api';
import { useDraft } from '../../parts';
import { type Body, FormFields, fromForm, toForm } from '../../parts/form';
import { Pick } from '../../parts/ui';
import { FormFoot } from './FormFoot';
import { Shelf } from './SupplyPage';
import { PROFILE_FIELDS } from './spec';
import { usePaperForm } from './usePaperForm';
import { useEquipment } from './usePapers';

/** Which set is to be measured, and on what supply. */
export function NewProfile({ papers }: { papers: PaperView[] }) {
  const navigate = useNavigate();
  const exciters = useEquipment('exciter');
  const amplifiers = useEquipment('amplifier');
  const supplies = useEquipment('supply');
  const draft = useDraft<Body>('profile.new', 0, () => toForm(PROFILE_FIELDS, {}));
  const { value: form, change: setForm } = draft;
  const keeping = usePaperForm('PROFILE', undefined, draft, (paper) => navigate(`/supply/profiles/${paper.id}`));
  const sets = [
    ...exciters.map((one) => [one.name, (one.body as Body).powerMaxW] as const),
    ...amplifiers
      .filter((one) => (one.body as Body).stage?.kind === 'transistors')
      .map((one) => [one.name, (one.body as Body).ratedOutputW] as const),
  ];
  const named = (change: Body) => {
    const next = { ...form, ...change };
    setForm({ ...next, name: [next.set, next.supply].filter(Boolean).join(' on ').slice(0, 80) });
  };
  return (
    <>
      <Shelf papers={papers} />
      <form
        ref={keeping.form}
        aria-label="Measure a set"
        className="sheet mx-5 mt-3 px-5 py-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          const read = fromForm(PROFILE_FIELDS, form);
          keeping.submit({ ...read, body: { ...read.body, keyed: [] } });
        }}
      >
        <h1 className="text-22">Measure what a set draws</h1>
        <p className="mb-3 text-soft">
          Into a dummy load, a meter for output, one for current and voltage where the set is fed. Every reading is kept
          at once.
        </p>
        <div className="mb-3 flex flex-wrap gap-4">
          <Pick
            label="One of the station's sets"
            value={sets.some(([name]) => name === form.set) ? form.set : ''}
            options={[['', 'another'], ...sets.map(([name]) => [name, name] as const)]}
            onPick={(name) => named({ set: name, greatestW: String(sets.find(([one]) => one === name)?.[1] ?? '') })}
          />
          <Pick
            label="on one of its supplies"
            value={supplies.some((one) => one.name === form.supply) ? form.supply : ''}
            options={[['', 'another'], ...supplies.map((one) => [one.name, one.name] as const)]}
            onPick={(supply) => named({ supply })}
          />
        </div>
        <FormFields
          fields={PROFILE_FIELDS}
          form={form}
          problems={keeping.problems}
          onChange={(changed) =>
            changed.set !== form.set || changed.supply !== form.supply ? named(changed) : setForm(changed)
          }
        />
        <FormFoot
          draft={draft}
          kept={undefined}
          problems={keeping.problems}
          pending={keeping.pending}
          error={keeping.error}
        />
      </form>
    </>
  );
}
