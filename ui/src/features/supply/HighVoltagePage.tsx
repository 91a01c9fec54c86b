import { useNavigate } from 'react-router';
import type { PaperView } from '../../api';
import { Sheet, useDraft } from '../../parts';
import { type Body, FormFields, fromForm, toForm } from '../../parts/form';
import { Course, Sized } from '../../plot';
import { FormFoot } from './FormFoot';
import { Facts, Findings } from './Parts';
import { Shelf } from './SupplyPage';
import { FRESH_HIGH_VOLTAGE, HIGH_VOLTAGE_FIELDS } from './spec';
import { usePaperForm } from './usePaperForm';
import { useHighVoltage } from './usePapers';

/** An amplifier's high-voltage supply: what it is made of, and what that comes to. */
export function HighVoltagePage({ papers, kept }: { papers: PaperView[]; kept?: PaperView }) {
  const navigate = useNavigate();
  const draft = useDraft<Body>(`highVoltage.${kept?.id ?? 'new'}`, kept?.revision ?? 0, () =>
    toForm(HIGH_VOLTAGE_FIELDS, (kept?.body as Body | undefined) ?? FRESH_HIGH_VOLTAGE),
  );
  const { value: form, change: setForm } = draft;
  const read = fromForm(HIGH_VOLTAGE_FIELDS, form);
  const nameless = { ...read.body, name: String(read.body.name).trim() || 'New' };
  const judged = useHighVoltage(read.problems.length === 0 ? nameless : undefined);
  const keeping = usePaperForm('HIGH_VOLTAGE', kept, draft, (paper) => navigate(`/supply/high-voltage/${paper.id}`));
  const view = judged.data;
  const last = view?.course.at(-1);
  return (
    <>
      <Shelf papers={papers} />
      <div className="mx-5 mt-3 mb-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-form">
        <form
          ref={keeping.form}
          aria-label={kept?.name ?? 'New high-voltage supply'}
          className="sheet px-5 py-4"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            keeping.submit(read);
          }}
        >
          <h1 className="mb-3 text-22">{kept ? `High voltage of ${kept.name}` : 'High voltage of an amplifier'}</h1>
          <FormFields fields={HIGH_VOLTAGE_FIELDS} form={form} problems={keeping.problems} onChange={setForm} />
          <FormFoot
            draft={draft}
            kept={kept}
            problems={keeping.problems}
            pending={keeping.pending}
            error={keeping.error}
          />
        </form>
        {view && (
          <div className="grid gap-3.5">
            <section
              aria-label="Verdict"
              className={`sheet border-l-4 px-4 py-3.5 ${view.findings.length > 0 ? 'border-l-limit' : 'border-l-act'}`}
            >
              <h2 className="text-14 text-soft">Verdict</h2>
              <p className={`head text-22 leading-tight ${view.findings.length > 0 ? 'text-limit' : ''}`}>
                {view.title}
              </p>
              <p className="mt-1 text-soft">{view.reason}</p>
              <Findings findings={view.findings.slice(1)} />
              <ul className="mt-3 grid gap-1 border-t border-hair pt-2 text-watch" aria-label="Cautions">
                {view.cautions.map((caution) => (
                  <li key={caution}>{caution}</li>
                ))}
              </ul>
            </section>
            {last && Number.isFinite(last.atS) && (
              <Sheet title="After switch-off, if every bleeder works">
                <Sized>
                  {(width) => (
                    <Course
                      width={width}
                      label={`Voltage after switch-off. ${view.reason}`}
                      xUnit="s"
                      yUnit="V"
                      log
                      height={190}
                      limit={{ y: view.lowV, label: view.lowLabel }}
                      lines={[
                        { key: 'bank', look: 'main', points: view.course.map((one) => ({ x: one.atS, y: one.volts })) },
                      ]}
                    />
                  )}
                </Sized>
              </Sheet>
            )}
            {view.groups.map((group) => (
              <Sheet key={group.title} title={group.title}>
                <Facts facts={group.facts} />
              </Sheet>
            ))}
          </div>
        )}
      </div>
    </>
  );
}
